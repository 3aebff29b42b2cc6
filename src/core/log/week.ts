import type { GivenOut } from './given';
import { type Logged, landedFirst } from './logged';

/** A week on a page. Volumes mL, money in the kitchen’s currency as far as prices were known. */
export type Week = {
  readonly from: string;
  readonly to: string;
  readonly batches: number;
  readonly madeMl: number;
  readonly measured: number;
  /** In their band, with nothing put right. */
  readonly landedFirst: number;
  readonly putRight: number;
  readonly rightCost: number;
  readonly thrownMl: number;
  readonly thrownCost: number;
  /** Ready more than five minutes after they were wanted, of those wanted at a time. */
  readonly late: number;
  readonly wanted: number;
  readonly cost: number;
  /** Lines of the record that stand out: missed, late, missing. */
  readonly limitsMissed: number;
  /** Mean of the scores; null where nobody gave one. */
  readonly score: number | null;
  readonly bySoup: readonly {
    readonly name: string;
    readonly batches: number;
    readonly madeMl: number;
    readonly landedFirst: number;
    readonly measured: number;
    readonly putRight: number;
  }[];
};

/** A minute or two late is in time, s. Common practice, no source. */
const LATE = 300;

const sum = <T>(all: readonly T[], of: (x: T) => number): number => all.reduce((s, x) => s + of(x), 0);

/** What a week came to: its batches, what was given out of it, how many lines of its record stand out. */
export function weekOf(
  { from, to }: { readonly from: string; readonly to: string },
  batches: readonly Logged[],
  given: readonly GivenOut[],
  limitsMissed: number,
): Week {
  const wanted = batches.filter((b) => b.lateSeconds !== null);
  const scores = batches.flatMap((b) => b.score ?? []);
  const soups = new Map<string, Logged[]>();
  for (const b of batches) soups.set(b.name, [...(soups.get(b.name) ?? []), b]);
  const firsts = (all: readonly Logged[]): number => all.filter((b) => landedFirst(b) === true).length;
  const isPutRight = (b: Logged): boolean => b.corrections.length > 0 || b.putIn > 0;
  return {
    from,
    to,
    batches: batches.length,
    madeMl: sum(batches, (b) => b.yieldMl ?? b.askedMl),
    measured: batches.filter((b) => b.measured !== null).length,
    landedFirst: firsts(batches),
    putRight: batches.filter(isPutRight).length,
    rightCost: sum(batches, (b) => b.rightCost ?? 0),
    thrownMl: sum(given, (g) => g.thrownMl),
    thrownCost: sum(given, (g) => g.thrownCost),
    late: wanted.filter((b) => (b.lateSeconds ?? 0) > LATE).length,
    wanted: wanted.length,
    cost: sum(batches, (b) => b.cost ?? 0),
    limitsMissed,
    score: scores.length > 0 ? sum(scores, (s) => s) / scores.length : null,
    bySoup: [...soups]
      .map(([name, all]) => ({
        name,
        batches: all.length,
        madeMl: sum(all, (b) => b.yieldMl ?? b.askedMl),
        landedFirst: firsts(all),
        measured: all.filter((b) => b.measured !== null).length,
        putRight: all.filter(isPutRight).length,
      }))
      .toSorted((a, b) => b.batches - a.batches || a.name.localeCompare(b.name)),
  };
}
