import { ahead, potAt } from '../core/batch/follow/ahead';
import { deedsOf } from '../core/batch/follow/deeds';
import { type Followed, follow } from '../core/batch/follow/follow';
import { move, type PotVariant } from '../core/batch/follow/move';
import type { Batch } from '../core/batch/record';
import { batchState } from '../core/batch/state';
import { type FlowTest, readingFor } from '../core/flow/readings/reading';
import { normals, seeded } from '../core/maths/random';
import { portionsIn } from '../core/pot/contents/portions';
import { FACTORS, type Factor } from '../core/pot/kitchen';
import { observe } from '../core/pot/observe';
import type { Portion } from '../core/pot/step';

const seedOf = (text: string): number =>
  [...text].reduce((hash, c) => Math.imul(hash ^ c.charCodeAt(0), 16777619) >>> 0, 2166136261);

/** How far a simulated pot's own factors are from what the model holds them for, as a share of their doubt. */
const APART = 0.6;

/** A batch with its pot as the model follows it, and as it really is; null each where its record has no steps to cook. */
export type Real = { readonly batch: Batch; readonly known: Followed | null; readonly pot: Followed | null };

/** {@link truth}, gone on with from `before`, what was found with fewer events. */
export function really(batch: Batch, before?: Real): Real {
  const known = follow(batch, before?.known);
  return { batch, known, pot: truth(batch, known, before?.pot) };
}

/**
 * The pot that is really on the simulated stove: what the cook taps is done to it, by factors the model
 * does not know, drawn once for each batch. No reading moves it.
 */
export function truth(
  batch: Batch,
  known: Followed | null = follow(batch),
  before?: Followed | null,
): Followed | null {
  const { cooked } = batch.plan;
  if (!cooked) return null;
  const normal = normals(seeded(seedOf(batch.id)));
  const factors = { ...cooked.kitchen.factors };
  for (const f of Object.keys(FACTORS) as Factor[])
    factors[f] *= Math.exp(normal() * FACTORS[f].spread * APART);
  const plan = { ...batch.plan, cooked: { ...cooked, kitchen: { ...cooked.kitchen, factors } } };
  return follow({ ...batch, plan, events: deedsOf(batch, known) }, before);
}

/** °C in the pot at `now` (ms). */
export const celsiusAt = (f: Followed, now: number): number => potAt(f, now).variant.pot.celsius;

/** {@link celsiusAt} for one who looks again and again: it goes on from the last look. */
export function watched(): (f: Followed, now: number) => number {
  const seen = new WeakMap<Followed, PotVariant>();
  return (f, now) => {
    const last = seen.get(f);
    const seconds = (now - f.startedAt) / 1000;
    const variant = last && seconds >= last.pot.seconds ? move(last, seconds) : potAt(f, now).variant;
    seen.set(f, variant);
    return variant.pot.celsius;
  };
}

/** What a flow test made on it at `celsius` would read. Throws {@link OutOfRange} where the test cannot tell. */
export function flowAt(f: Followed, now: number, test: FlowTest, celsius: number): number {
  const { variant } = potAt(f, now);
  const seen = observe(variant.pot, variant.kitchen);
  return readingFor(test, seen.bowlViscosity, celsius, seen.equivalents);
}

/** mPa·s in the bowl where it will land if the rest goes by the plan. */
export const landing = (f: Followed, now: number, litres: number): number =>
  ahead(f, now, litres).end.bowlViscosity;

/** g on the scale next: the first item of the step at hand not weighed yet, a little off as scoops are; null when there is none. */
export function nextOnScale(batch: Batch): number | null {
  const { steps, current } = batchState(batch);
  const step = steps[current];
  if (!step?.does) return null;
  const left = portionsIn<Portion>(step.does)
    .map((p, item) => ({ g: p.amount, item }))
    .find(({ g, item }) => g > 0 && !step.weighed.has(item));
  if (!left) return null;
  const normal = normals(seeded(seedOf(`${batch.id} ${String(step.key)} ${left.item}`)));
  const off = left.g * Math.exp(normal() * 0.015);
  return off < 20 ? Math.round(off * 10) / 10 : Math.round(off);
}
