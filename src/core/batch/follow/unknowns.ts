import { type Factor, type Kitchen, spreadOf } from '../../pot/kitchen';
import type { Step } from '../../pot/step';
import { ALL_FACTORS, spreadIn, thingsOf } from '../../pot/things';
import type { CookedWith } from '../record';

/** Something a batch may differ in: a factor, of all that has it or of one thing alone. */
export type Unknown = {
  readonly factor: Factor;
  /** The one thing it is of; absent of a factor of the whole batch. */
  readonly of?: string;
  /** Standard deviation of its logarithm before anything was read. */
  readonly spread: number;
};

/** Less than this share of all that has a factor is not told apart: no reading could. Our assumption. */
const WORTH = 0.2;

/** How it was weighed and how strong it is come to the same in the pot: the second carries both. */
const withMeasuring = (factor: Factor, spread: number, cooked: CookedWith): number =>
  factor === 'flour' ? Math.hypot(spread, spreadOf('measuring', cooked)) : spread;

const matters = (factor: Factor, steps: readonly Step[], cooked: CookedWith): boolean =>
  factor === 'measuring'
    ? false
    : factor === 'puree'
      ? steps.some((s) => s.kind === 'puree')
      : factor === 'leaching'
        ? thingsOf(factor, steps, cooked).size > 0
        : true;

/** Factors that could matter to what is cooked, each of the whole batch; the others cost time and teach nothing. */
export const unknownsOf = (steps: readonly Step[], cooked: CookedWith): readonly Unknown[] =>
  ALL_FACTORS.filter((f) => matters(f, steps, cooked)).map((factor) => ({
    factor,
    spread: withMeasuring(factor, spreadIn(factor, steps, cooked), cooked),
  }));

/** The same told apart by what each is of, as unsure as the model is of it before any house has read anything. */
export const unknownThings = (steps: readonly Step[], cooked: CookedWith): readonly Unknown[] =>
  ALL_FACTORS.flatMap((factor): Unknown[] => {
    const things = [...thingsOf(factor, steps, cooked)];
    const all = things.reduce((sum, [, w]) => sum + w, 0);
    return things
      .filter(([, w]) => w >= WORTH * all)
      .map(([of]) => ({ factor, of, spread: withMeasuring(factor, spreadOf(factor, cooked), cooked) }));
  });

/** `kitchen` with each unknown moved by the logarithm given for it. */
export function withUnknowns(
  kitchen: Kitchen,
  unknowns: readonly Unknown[],
  by: (k: number) => number,
): Kitchen {
  const factors: Record<Factor, number> = { ...kitchen.factors };
  const own: { [F in Factor]?: Record<string, NonNullable<NonNullable<Kitchen['own']>[F]>[string]> } = {};
  for (const [k, { factor, of }] of unknowns.entries()) {
    const times = Math.exp(by(k));
    if (of === undefined) factors[factor] *= times;
    else {
      const all = own[factor] ?? { ...kitchen.own?.[factor] };
      const was = all[of] ?? { by: 1, spread: spreadless, readings: 0 };
      own[factor] = { ...all, [of]: { ...was, by: was.by * times } };
    }
  }
  return Object.keys(own).length > 0
    ? { ...kitchen, factors, own: { ...kitchen.own, ...own } }
    : { ...kitchen, factors };
}

/** A number moved in thought is doubted by nobody. */
const spreadless = 0;
