import type { Allergen } from '../food/ingredient';
import type { Message } from '../message/message';
import type { Step } from '../pot/step';
import type { Fault } from './faults';

/** What the cook has, promised and will not give up. */
export type Wishes = {
  /** Ingredients to hand, by the catalogue's ids. Water is always there. */
  readonly larder: readonly string[];
  /** Minutes until it has to be on the pass. */
  readonly minutes: number;
  /** Allergens the soup is promised to be free of. */
  readonly freeOf: readonly Allergen[];
  readonly pins: { readonly noFlour?: boolean; readonly keepYield?: boolean };
};

/** One thing to put in, as weighed. */
export type Dose = { readonly ingredient: string; readonly g: number; readonly measure: string };

/** What a correction does besides. Before and after, at the pass. */
export type Effects = {
  readonly salt: readonly [number, number];
  readonly fat: readonly [number, number];
  readonly pH: readonly [number, number];
  readonly gloss: string | null;
  readonly clarity: string | null;
  /** Allergens it brings that the pot did not hold. */
  readonly allergens: readonly Allergen[];
  /** How many ingredients the soup holds nothing of so far; a slurry's water is not counted. */
  readonly strange: number;
  /** Of what goes in, in the house's currency; null when a price is missing. */
  readonly cost: number | null;
};

/** Two thirds first, or half where the tongue has a say, then a test; the rest is worked out anew from what that finds. */
export type InTwo = {
  readonly half: boolean;
  readonly first: readonly Dose[];
  readonly steps: readonly Step[];
  /** Where the first leaves it, as believed, and 8 in 10 of it. */
  readonly viscosity: number;
  readonly bracket: readonly [number, number];
  /** Of landing in the band after the rest. */
  readonly chance: number;
};

/** A correction, computed on a copy of the pot before anything goes in. */
export type Option = {
  readonly id: string;
  /** Two means one after the other: two pans at once, minutes before service. */
  readonly isPair: boolean;
  readonly title: Message;
  /** How it is done, in the cook's order. */
  readonly how: readonly Message[];
  /** What the model did to the pot. */
  readonly steps: readonly Step[];
  readonly doses: readonly Dose[];
  /** Until it is on the pass: making it ready, its simmer, and the steps still to come. */
  readonly minutes: number;
  /** Of those, what the recipe still takes by itself. */
  readonly ownMinutes: number;
  /** At the pass, as believed: mPa·s in the bowl and mL. */
  readonly viscosity: number;
  readonly volumeMl: number;
  /** mL at the fullest, and whether that is over the headroom line. */
  readonly peakMl: number;
  readonly bracket: readonly [number, number];
  /** Of landing in the band asked for. */
  readonly chance: number;
  /** With a flow test between two thirds and the rest; null when one shot is sure enough. */
  readonly inTwo: InTwo | null;
  readonly effects: Effects;
  readonly forecloses: readonly Message[];
  /** Why it cannot be done; null when it can. */
  readonly struck: Message | null;
  /** It can, and mends only a part: it stands below what mends all. */
  readonly partly?: true;
};

/** What helps where no dose does: what saves what, what is past saving, and when to begin again. */
export type Cure = {
  readonly fault: Fault;
  readonly title: Message;
  /** Done before the correction that goes with it; all of it where none does. */
  readonly how: readonly Message[];
  readonly saves: Message;
  readonly cannot: Message | null;
  /** When it is not worth saving. */
  readonly startAgain: Message | null;
  /** A correction that goes with it, its dose worked out; null when none is needed. */
  readonly option: Option | null;
  /** For what is done before that correction. */
  readonly minutes: number;
};

/** Losing more than this share of what is owed breaks a promise to keep the yield. */
export const YIELD_SHORT = 0.03;
