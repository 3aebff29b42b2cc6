import { type Likelihood, lawOf, learnt, spreadsOf } from './gaussian';
import type { Knowledge, Rests } from './knowledge';
import { type NumberKey, ownerOf, spreadBefore } from './laws';
import { type Epoch, namesOf, prepared } from './taken';

/** A number of the house as it stands: a factor about the model’s, with the spread of its logarithm. */
export type KnownNumber = {
  readonly key: NumberKey;
  readonly by: number;
  readonly spread: number;
  readonly before: number;
  readonly rests: Rests;
  readonly epoch: Epoch;
  /** Set by hand: it is what it is said to be. */
  readonly fixed?: true;
};

/** What somebody has said a number is, as a factor. */
export type SetByHand = Readonly<Record<string, number>>;

/** So sure is what was set by hand, in ln. */
const SURE = 0.002;

/** The law of all numbers known, what was set by hand taken in. */
export function standingLaw(k: Knowledge, fixed: SetByHand = {}) {
  const keys = [...new Set([...Object.keys(k.rests), ...Object.keys(fixed)])] as NumberKey[];
  const epochs = keys.map((key): Epoch => k.epochs[ownerOf(key)] ?? { n: 1, since: '', why: 'begun' });
  const numbers = keys.map((key, n) => namesOf(key, epochs[n] as Epoch));
  let g = prepared(k.now, keys, epochs);
  const set = keys.flatMap((key, n) => (fixed[key] === undefined ? [] : [{ n, by: Math.log(fixed[key]) }]));
  if (set.length > 0) {
    const said: Likelihood = {
      precision: set.map((_, r) => set.map((__, c) => (r === c ? 1 / SURE ** 2 : 0))),
      shift: set.map(({ by }) => by / SURE ** 2),
    };
    g = learnt(
      g,
      set.map(({ n }) => numbers[n] as readonly string[]),
      said,
    );
  }
  return { keys, epochs, numbers, g };
}

/** Every number the house has, as it stands. */
export function knownNumbers(k: Knowledge, fixed: SetByHand = {}): readonly KnownNumber[] {
  const { keys, epochs, numbers, g } = standingLaw(k, fixed);
  const law = lawOf(g, numbers);
  const spreads = spreadsOf(law);
  return keys.map((key, n) => ({
    key,
    by: Math.exp(law.mean[n] ?? 0),
    spread: spreads[n] ?? 0,
    before: spreadBefore(key),
    rests: k.rests[key] ?? { readings: 0, batches: 0, last: '' },
    epoch: epochs[n] as Epoch,
    ...(fixed[key] !== undefined && { fixed: true }),
  }));
}
