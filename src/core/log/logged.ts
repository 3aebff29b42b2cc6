import type { GoesTo } from '../batch/events';
import { ahead, doubtAhead } from '../batch/follow/ahead';
import { follow } from '../batch/follow/follow';
import type { Batch } from '../batch/record';
import { batchState } from '../batch/state';
import { type Band, type BandLimits, bandOf, DEFAULT_LIMITS } from '../flow/bands';
import { kitchenThen, stepsOf } from '../keep/soup/keptPot';
import { bowlsOf } from '../learn/own/batch/hearing';
import { costOf, putInBy } from '../pot/contents/goesIn';
import { STANDARD_KITCHEN } from '../pot/kitchen';

/** A batch as the log has it: what was asked for, what was foreseen, what came of it. Volumes mL, viscosities mPa·s in the bowl. */
export type Logged = {
  readonly id: string;
  readonly recipeId: string;
  readonly recipeVersion: number;
  readonly name: string;
  readonly startedAt: string;
  readonly finishedAt: string | null;
  /** The role that wrote most of its lines. */
  readonly role: string;
  readonly pot: string;
  readonly burner: string;
  readonly askedMl: number;
  readonly target: number;
  /** Asked for. */
  readonly band: Band;
  /** What was foreseen when it was started, with where eight in ten such batches land; null of a record without a model. */
  readonly foreseen: { readonly at: number; readonly low: number; readonly high: number } | null;
  /** By its last flow test; null where nobody made one. */
  readonly measured: number | null;
  readonly landed: Band | null;
  /** Before anything was corrected or put in that was not planned: where it would have landed by itself. */
  readonly firstMeasured: number | null;
  /** What was done about it: corrections by their names, and what was put in beside the plan. */
  readonly corrections: readonly string[];
  readonly putIn: number;
  readonly skipped: number;
  readonly goesTo: GoesTo | null;
  readonly yieldMl: number | null;
  readonly score: number | null;
  readonly note: string;
  readonly plannedSeconds: number;
  /** From its start to its end; null where it has none. */
  readonly tookSeconds: number | null;
  /** By how much it was ready after it was wanted, s; under 0 before it; null where nobody wanted it at a time. */
  readonly lateSeconds: number | null;
  /** In the kitchen’s currency, as far as prices were known. */
  readonly cost: number | null;
  readonly unpriced: number;
  /** What was put in to put it right, or beside the plan, as far as prices were known. */
  readonly rightCost: number | null;
  /** Where it was not cooked here by this program: read in from a notebook. */
  readonly fromNotebook?: true;
};

/** The role with most lines; the one that started where they are even. */
function roleOf({ events }: Batch): string {
  const lines = new Map<string, number>();
  for (const e of events) lines.set(e.station, (lines.get(e.station) ?? 0) + 1);
  return [...lines].sort((a, b) => b[1] - a[1])[0]?.[0] ?? '';
}

const secondsBetween = (from: string, to: string): number => (Date.parse(to) - Date.parse(from)) / 1000;

/** What was foreseen at the start, by what the kitchen knew on that day. */
function foreseenAtStart(batch: Batch): Logged['foreseen'] {
  const started = follow({ ...batch, events: [] });
  if (!started) return null;
  const to = ahead(started, started.startedAt, batch.plan.litres);
  const [low, high] = doubtAhead(started, to).bracket;
  return { at: to.end.bowlViscosity, low, high };
}

/** What went in that the plan did not have; null where no price of it is known. */
function addedCost(batch: Batch): number | null {
  const planned = batch.plan.steps.flatMap((s) => s.does ?? []).length;
  const { known } = costOf(putInBy(stepsOf(batch).slice(planned)), kitchenThen(batch, STANDARD_KITCHEN));
  return known > 0 ? known : null;
}

/** A finished batch as the log has it. Total: a record without a model has what its lines say. */
export function loggedOf(batch: Batch): Logged {
  const { plan } = batch;
  const state = batchState(batch);
  const { finished, events } = state;
  const limits: BandLimits = plan.cooked?.kitchen.bandLimits ?? DEFAULT_LIMITS;
  const target = plan.cooked?.target ?? plan.viscosity;
  const bowls = bowlsOf(batch);
  const right = events.findIndex((e) => e.body.kind === 'corrected' || e.body.kind === 'put-in');
  const touched = right >= 0 ? Date.parse(events[right]?.at ?? '') : Number.POSITIVE_INFINITY;
  const last = bowls.at(-1)?.measured ?? null;
  const paid = costOf(putInBy(stepsOf(batch)), kitchenThen(batch, STANDARD_KITCHEN));
  return {
    id: batch.id,
    recipeId: batch.recipeId,
    recipeVersion: batch.recipeVersion,
    name: plan.recipeName,
    startedAt: batch.startedAt,
    finishedAt: finished?.at ?? null,
    role: roleOf(batch),
    pot: plan.vesselName,
    burner: plan.burnerName,
    askedMl: plan.litres * 1000,
    target,
    band: bandOf(target, limits),
    foreseen: foreseenAtStart(batch),
    measured: last,
    landed: last === null ? null : bandOf(last, limits),
    firstMeasured: bowls.findLast((b) => b.at < touched)?.measured ?? null,
    corrections: events.flatMap((e) => (e.body.kind === 'corrected' ? [e.body.title] : [])),
    putIn: events.filter((e) => e.body.kind === 'put-in').length,
    skipped: state.steps.filter((s) => s.skipped).length,
    goesTo: finished?.goesTo ?? null,
    yieldMl: finished?.yieldMl ?? null,
    score: finished?.score ?? null,
    note: finished?.note ?? '',
    plannedSeconds: plan.seconds,
    tookSeconds: finished ? secondsBetween(batch.startedAt, finished.at) : null,
    lateSeconds: finished && batch.serveAt ? secondsBetween(batch.serveAt, finished.at) : null,
    cost: paid.known > 0 ? paid.known : null,
    unpriced: paid.unpriced,
    rightCost: addedCost(batch),
  };
}

/** Whether it landed in the band asked for without anything having been put right; null where nobody measured it. */
export const landedFirst = (b: Logged): boolean | null =>
  b.landed === null ? null : b.landed === b.band && b.corrections.length === 0 && b.putIn === 0;

/** How a batch came out, of which the log can show one kind alone. */
export const LANDINGS = ['first', 'put right', 'outside', 'untested', 'thrown'] as const;
export type Landed = (typeof LANDINGS)[number];

/** The one of them it is: thrown away before all else, then whether anybody tested it. */
export function landedAs(b: Logged): Landed {
  if (b.goesTo === 'bin') return 'thrown';
  if (b.landed === null) return 'untested';
  if (b.landed !== b.band) return 'outside';
  return landedFirst(b) ? 'first' : 'put right';
}
