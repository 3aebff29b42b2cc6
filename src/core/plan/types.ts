import type { Aim } from '../order/order';
import type { Sample } from '../pot/cook';
import type { Observation } from '../pot/observe';
import type { Step } from '../pot/step';
import type { Caution } from '../safety/cautions';
import type { Setup } from './solve/simulate';
import type { Solved } from './solve/solve';

/** A step with its place on the clock, seconds from lighting the flame. */
export type PlanStep = {
  readonly step: Step;
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
  readonly solved: 'thickness' | 'volume' | 'taste' | 'by rule' | null;
};

export type Severity = 'stop' | 'danger' | 'caution';

/** What a warning is of; of `care`, a rule of safety, there may be several, each with its id. */
export type WarningKind =
  | 'overflow'
  | 'headroom'
  | 'shallow'
  | 'slow'
  | 'fat-short'
  | 'fat-over'
  | 'raw-flour'
  | 'dairy'
  | 'another band'
  | 'stalled'
  | 'scrambled'
  | 'chill'
  | 'hard'
  | 'sweat'
  | 'rest'
  | 'kept-hot'
  | 'too thick without'
  | 'too thin with all'
  | 'no room for liquid'
  | 'care';

/** Something to know before starting: what is the matter, and what to change. */
export type Warning = {
  /** Its own within a plan: its kind and, where it is about one step of several, that step. */
  readonly id: string;
  readonly kind: WarningKind;
  readonly severity: Severity;
  readonly says: string;
  readonly change: string;
  /** The rule behind a caution. */
  readonly rule?: string;
  /** The step it is about, from 0, where it is about one: it stands there at the stove too. */
  readonly step?: number;
  /** What is short or over, g for the whole pot, or minutes, where a figure goes with it. */
  readonly grams?: number;
  readonly minutes?: number;
};
