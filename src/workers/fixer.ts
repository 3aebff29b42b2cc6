import { corrections, draftsFor, ranked } from '../core/adjust/adjust';
import { cureFor } from '../core/adjust/cures/cures';
import type { Fault } from '../core/adjust/faults';
import type { Measured } from '../core/adjust/measured';
import type { Cure, Option, Wishes } from '../core/adjust/option';
import { type Otherwise, otherwise } from '../core/adjust/otherwise';
import { asItIs } from '../core/adjust/trial/pass';
import { loadCatalogue } from '../core/food/catalogue';
import type { Ingredient } from '../core/food/ingredient';
import { serve } from './served';

export type FixerQuestion = {
  readonly faults: readonly Fault[];
  readonly measured: Measured;
  readonly wishes: Wishes;
  /** s a new batch takes. */
  readonly again: number;
};

export type FixerAnswer = {
  readonly options: readonly Option[];
  readonly cures: readonly Cure[];
  /** What is left to do where nothing fits the minutes; null where something does, or it is not known yet. */
  readonly otherwise: Otherwise | null;
  /** How many are worked out, and of how many; equal when it is all. */
  readonly done: number;
  readonly of: number;
};

const FIXER = {
  /** What could be done about a pot, a few more at every piece; the last is whole. */
  *fix({ faults: given, measured, wishes, again }: FixerQuestion): Generator<FixerAnswer> {
    const faults = new Set(given);
    const cures = given.flatMap((f) => cureFor(f, measured, wishes, again) ?? []);
    const of = draftsFor(faults, measured, wishes).length;
    const found: Option[] = [];
    for (const option of corrections(faults, measured, wishes)) {
      found.push(option);
      const done = Math.min(found.length, of - 1);
      if (found.length % 4 === 0) yield { options: ranked(found), cures, otherwise: null, done, of };
    }
    const left = otherwise(faults, measured, wishes, found, asItIs(measured).seen.bowlViscosity);
    yield { options: ranked(found), cures, otherwise: left, done: of, of };
  },
};

const KNOWS = {
  catalogue(foods: readonly Ingredient[]): void {
    loadCatalogue(foods);
  },
};

/** What is worked out about a pot that is not right, off the page. */
export type Fixer = typeof FIXER;
export type FixerKnows = typeof KNOWS;

serve(FIXER, KNOWS);
