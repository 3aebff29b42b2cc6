import type { Batch, CookedWith } from '../../../batch/record';
import { dot, type Vector } from '../../../maths/matrix';
import type { Likelihood } from '../gaussian';
import { kindOf, type NumberKey, spreadBefore, thingOf } from '../laws';
import { saidBy } from './heard';
import { type CouldRead, type Foreseen, readingsOf, type ToldOfNumber } from './hearing';

/** What one batch teaches of the house: a normal likelihood of its numbers. */
export type Lesson = Likelihood & {
  /** The batch. */
  readonly id: string;
  /** When it was started, ISO. */
  readonly at: string;
  readonly keys: readonly NumberKey[];
  /** How many readings bear on each number. */
  readonly counts: readonly number[];
  readonly readings: number;
  /** Lots of what is of a lot, by key, as the kitchen had written them. */
  readonly lots: Readonly<Record<string, string>>;
  readonly foreseen: readonly Foreseen[];
  /** How ln of the bowl’s viscosity at the end answers to each number: what the next batch like it hangs on. */
  readonly atEnd: Vector;
  /** What could be read of it at its end, and what each reading would answer to. */
  readonly could: readonly CouldRead[];
};

/**
 * What a batch teaches; null where its record has no steps to cook. `told` is what is known of it besides: minutes of work,
 * how was poured.
 */
export function lessonOf(batch: Batch, told: readonly ToldOfNumber[] = []): Lesson | null {
  const found = readingsOf(batch, told);
  if (!found) return null;
  const { keys, heard, stood, cooked } = found;
  const said = withTold(saidBy(heard, keys.map(spreadBefore)), keys, told);
  return {
    id: batch.id,
    at: batch.startedAt,
    keys,
    precision: said.precision,
    // Held against a model that knew something already: from there it is that much to what is known of nothing.
    shift: said.shift.map((s, n) => s + dot(said.precision[n] ?? [], stood)),
    counts: said.counts,
    readings: heard.length + told.length,
    lots: lotsOf(keys, cooked),
    foreseen: found.foreseen,
    atEnd: found.atEnd,
    could: found.could,
  };
}

/** With what is told of one number alone. */
function withTold(
  said: ReturnType<typeof saidBy>,
  keys: readonly NumberKey[],
  told: readonly ToldOfNumber[],
): ReturnType<typeof saidBy> {
  const of = keys.map((key) => told.filter((t) => t.key === key));
  const sure = of.map((all) => all.reduce((sum, t) => sum + 1 / t.error ** 2, 0));
  return {
    precision: said.precision.map((row, r) => row.map((v, c) => (r === c ? v + (sure[r] ?? 0) : v))),
    shift: said.shift.map((s, n) => s + (of[n] ?? []).reduce((sum, t) => sum + t.miss / t.error ** 2, 0)),
    counts: said.counts.map((c, n) => c + (of[n]?.length ?? 0)),
  };
}

/** What the kitchen called the product and its lot on that day. */
function lotsOf(keys: readonly NumberKey[], { kitchen }: CookedWith): Lesson['lots'] {
  return Object.fromEntries(
    keys.flatMap((key) => {
      const product = kindOf(key) === 'flour' ? kitchen.products?.[thingOf(key)] : undefined;
      const lot = product && [product.name, product.lot].filter(Boolean).join(', ');
      return lot ? [[key, lot]] : [];
    }),
  );
}
