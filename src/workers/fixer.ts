import { corrections, draftsFor, ranked } from '../core/adjust/adjust';
import { cureFor } from '../core/adjust/cures/cures';
import type { Fault } from '../core/adjust/faults';
import type { Measured } from '../core/adjust/measured';
import type { Cure, Option, Wishes } from '../core/adjust/option';
import { type Otherwise, otherwise } from '../core/adjust/otherwise';
import { asItIs } from '../core/adjust/trial/pass';
import { loadCatalogue } from '../core/food/catalogue';
import type { Ingredient } from '../core/food/ingredient';

/** What is asked about a pot. A newer question takes an older one's place. */
export type FixerQuestion =
  | { readonly kind: 'catalogue'; readonly foods: readonly Ingredient[] }
  | {
      readonly kind: 'fix';
      readonly key: number;
      readonly faults: readonly Fault[];
      readonly measured: Measured;
      readonly wishes: Wishes;
      /** s a new batch takes. */
      readonly again: number;
    };

export type FixerAnswer = {
  readonly key: number;
  readonly options: readonly Option[];
  readonly cures: readonly Cure[];
  /** What is left to do where nothing fits the minutes; null where something does, or it is not known yet. */
  readonly otherwise: Otherwise | null;
  /** How many are worked out, and of how many; equal when it is all. */
  readonly done: number;
  readonly of: number;
};

let latest = -1;
const breathe = () => new Promise((resolve) => setTimeout(resolve, 0));

self.onmessage = async ({ data: ask }: MessageEvent<FixerQuestion>) => {
  if (ask.kind === 'catalogue') return loadCatalogue(ask.foods);
  const { key, measured, wishes, again } = ask;
  latest = key;
  const faults = new Set(ask.faults);
  const cures = ask.faults.flatMap((f) => cureFor(f, measured, wishes, again) ?? []);
  const of = draftsFor(faults, measured, wishes).length;
  const found: Option[] = [];
  const tell = (whole: boolean) => {
    const done = whole ? of : Math.min(found.length, of - 1);
    const left = whole
      ? otherwise(faults, measured, wishes, found, asItIs(measured).seen.bowlViscosity)
      : null;
    self.postMessage({
      key,
      options: ranked(found),
      cures,
      otherwise: left,
      done,
      of,
    } satisfies FixerAnswer);
  };
  for (const option of corrections(faults, measured, wishes)) {
    found.push(option);
    if (found.length % 4 === 0) {
      tell(false);
      await breathe();
      if (latest !== key) return;
    }
  }
  tell(true);
};
