import type { DairyKind, Risk, SplitReason } from '../dairy/risk';
import type { Band } from '../flow/bands';
import type { Diet } from '../food/diets';
import type { Aim } from '../order/order';
import type { Sample } from '../pot/cook';
import type { Observation } from '../pot/observe';
import type { PansBeside } from '../pot/pans/pan';
import type { Step } from '../pot/step';
import type { Goal } from '../recipe/amountOf';
import type { Caution } from '../safety/cautions';
import type { RouxColour } from '../thicken/granules';
import type { Setup } from './solve/simulate';
import type { Miss, Solved } from './solve/solve';

/** A step with its place on the clock, seconds from lighting the flame. */
export type PlanStep = {
  readonly step: Step;
  /** The pan it is done in, by name; empty for the pot. */
  readonly pan: string;
  readonly startsAt: number;
  readonly seconds: number;
  /** °C before it and after. */
  readonly from: number;
  readonly celsius: number;
  readonly volumeMl: number;
  /** What can hurt someone in this step. */
  readonly cautions: readonly Caution[];
};

export type Plan = {
  readonly recipeId: string;
  readonly recipeName: string;
  /** What was asked for. */
  readonly aim: Aim;
  readonly setup: Setup;
  /** Pans beside the pot, by name, each where it stands. */
  readonly beside: PansBeside;
  readonly steps: readonly PlanStep[];
  readonly weighOut: readonly WeighLine[];
  readonly found: Observation;
  /** Seconds from the flame to the pass. */
  readonly seconds: number;
  readonly steamG: number;
  readonly peakMl: number;
  readonly fillLimitMl: number;
  readonly rimMl: number;
  readonly trace: readonly Sample[];
  readonly warnings: readonly Warning[];
  /** Kept for the next solution nearby, and for the doubt. */
  readonly solved: Solved;
};

/** One thing to put on the scale. */
export type WeighLine = {
  /** Stable within a plan: step and place in it. */
  readonly id: string;
  readonly step: number;
  /** The pan it goes into, by name; empty for the pot. */
  readonly pan: string;
  readonly ingredient: string;
  readonly name: string;
  readonly g: number;
  /** Poured things are read in litres; the rest on the scale. */
  readonly ml: number | null;
  /** Kitchen measure beside the weight. */
  readonly measure: string;
  /** g to take from the store before trimming; equal to `g` when nothing is lost. */
  readonly asPurchased: number;
  readonly prep: string | undefined;
  /** The amount the plan worked out to land the target. */
  readonly solved: Goal | 'by rule' | null;
};

type Severity = 'stop' | 'danger' | 'caution';

/** What a warning is of, with the figures its sentence needs: mL, mm, °C, g, minutes; steps from 0. */
type Matter =
  | {
      readonly kind: 'overflow';
      readonly vessel: string;
      readonly peakMl: number;
      readonly rimMl: number;
      readonly fillLimitMl: number;
    }
  | {
      readonly kind: 'headroom';
      readonly vessel: string;
      readonly peakMl: number;
      readonly fillLimitMl: number;
    }
  | {
      readonly kind: 'taken';
      readonly times: number;
      readonly litres: number;
      readonly writtenMl: number;
    }
  | { readonly kind: 'amiss'; readonly litres: number; readonly ml: number }
  /** A pan beside the pot, by name. */
  | {
      readonly kind: 'pan-full';
      readonly pan: string;
      readonly vessel: string;
      readonly peakMl: number;
      readonly rimMl: number;
    }
  | { readonly kind: 'no-burner'; readonly pan: string; readonly burner: string }
  | { readonly kind: 'no-oven'; readonly step: number }
  /** `pan` is what it is done in: a pan in lots, or trays in loads; one layer each. */
  | {
      readonly kind: 'many-lots';
      readonly step: number;
      readonly lots: number;
      readonly minutes: number;
      readonly oven: boolean;
      /** cm of a pan that takes it all at once. */
      readonly wants: number;
    }
  /** So many layers lie in a pan that browns one. */
  | { readonly kind: 'crowded'; readonly step: number; readonly layers: number; readonly wants: number }
  | { readonly kind: 'shallow'; readonly vessel: string; readonly depthMm: number }
  | { readonly kind: Miss }
  | { readonly kind: 'another band'; readonly lands: Band; readonly asked: Band }
  | {
      readonly kind: 'stalled';
      readonly step: number;
      readonly burner: string;
      readonly celsius: number;
      readonly wanted: number;
    }
  | { readonly kind: 'scrambled'; readonly step: number; readonly reached: number; readonly limit: number }
  | { readonly kind: 'chill'; readonly step: number; readonly to: number }
  | { readonly kind: 'hard'; readonly step: number }
  | { readonly kind: 'slow'; readonly burner: string; readonly minutes: number }
  | { readonly kind: 'fat-short' | 'fat-over'; readonly grams: number }
  /** `minutes` are what is missing of those it `needs`. */
  | {
      readonly kind: 'raw-flour';
      readonly cooked: number;
      readonly needs: number;
      readonly minutes: number;
    }
  /** It would need so long; null where no time will do. */
  | {
      readonly kind: 'sweat';
      readonly step: number;
      readonly minutes: number;
      readonly celsius: number;
      readonly needs: number | null;
    }
  | {
      readonly kind: 'dairy';
      readonly step: number;
      readonly of: DairyKind;
      readonly grade: Exclude<Risk['grade'], 'safe'>;
      /** The worst first; never none. */
      readonly reasons: readonly [SplitReason, ...SplitReason[]];
    }
  | { readonly kind: 'wet-roux'; readonly step: number }
  | {
      readonly kind: 'roux-time';
      readonly step: number;
      readonly colour: RouxColour;
      readonly minutes: number;
      readonly least: number;
      readonly most: number;
    }
  | {
      readonly kind: 'lumps';
      readonly step: number;
      readonly foods: readonly string[];
      readonly celsius: number;
    }
  | { readonly kind: 'scorch'; readonly step: number; readonly minutes: number }
  | {
      readonly kind: 'tough';
      readonly foods: readonly string[];
      readonly minutes: number;
      readonly most: number;
    }
  /** `blended` is the step that blends it; null where it is still there at the pass. */
  | { readonly kind: 'left-in'; readonly foods: readonly string[]; readonly blended: number | null }
  | {
      readonly kind: 'salty';
      readonly salt: number;
      readonly wanted: number;
      /** What brings most of it. */
      readonly foods: readonly string[];
    }
  /** Under `atLeast` after so many minutes; `rests` longer where that is said. */
  | {
      readonly kind: 'rest';
      readonly step: number;
      readonly atLeast: number;
      readonly minutes: number;
      readonly rests: number | null;
    }
  | { readonly kind: 'kept-hot'; readonly step: number; readonly celsius: number; readonly atMost: number }
  /** What nothing stands in for, by name. */
  | { readonly kind: 'diet'; readonly diet: Diet; readonly foods: readonly string[] }
  | { readonly kind: 'care'; readonly caution: Caution };

export type WarningKind = Matter['kind'];

/** Something to know before starting. `warningWords` says what is the matter, and what to change. */
export type Warning = Matter & {
  /** Its own within a plan: its kind and, where it is about one step of several, that step. */
  readonly id: string;
  readonly severity: Severity;
  /** The rule behind a caution. */
  readonly rule?: string;
  /** The step it is about, from 0, where it is about one: it stands there at the stove too. */
  readonly step?: number;
};
