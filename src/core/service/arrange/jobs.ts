import { rimVolume } from '../../heat/vessel';
import type { House } from '../../kitchen/house';
import { some } from '../../maths/some';
import type { JobShop, Mode, Placement, Task } from '../../schedule/problem';
import { type BoardPlace, batchesOf, orderOf, type Service, type ServiceBatch } from '../service';
import type { StockTable, Timetable } from '../timetable';
import type { Timetables } from '../timetables';
import { type Builder, cookMode, pooled, type Shared, type Stand, sharedIn, stockMode } from './modes';

/** A piece of work: a soup on its burner, its weighing out before, the stock for it. */
type Job = {
  readonly kind: 'cook' | 'mise' | 'stock';
  readonly batch: ServiceBatch;
  /** By mode. */
  readonly stands: readonly Stand[];
  readonly tables: readonly (Timetable | null)[];
};

/** A batch under way: when its flame was lit and when it should be ready, by its record; minutes since midnight of the day. */
export type Live = {
  readonly lightAt: number;
  readonly readyAt: number;
  /** Done: it waits for the pass, or is gone from the stove. */
  readonly finished: boolean;
  readonly over: boolean;
};

/** What is known of a service besides its document. */
export type Here = {
  readonly house: House;
  readonly tables: Pick<Timetables, 'of' | 'stockOf'>;
  /** Of the batches started, by batch. */
  readonly live: Readonly<Record<string, Live>>;
  /** Minutes since midnight of its day; null when that is another day. */
  readonly now: number | null;
};

/**
 * A service as work on shared things, counted backwards from the last pass: to cook as late as can be is to be
 * placed as early as can be.
 */
export type ServiceJobs = {
  readonly problem: JobShop;
  readonly jobs: readonly Job[];
  readonly shared: readonly Shared[];
  /** The minute of the day the counting begins at. */
  readonly end: number;
  /** What cannot be cooked anywhere it was allowed to stand. */
  readonly nowhere: readonly ServiceBatch[];
  /** When what is weighed out already, or begun, was, by batch. */
  readonly weighed: Readonly<Record<string, number>>;
};

/** Share of a pot's rim a soup may fill before it is cooked to know more; and the least that covers a bottom. */
const ROOM = 0.8;
const LEAST = 0.06;

/** Burners and pots a batch might stand on: its own first, then the pots that hold it, the smallest first. */
export function standsFor(batch: ServiceBatch, { vessels, burners }: House): readonly Stand[] {
  const { vesselId, burnerId } = batch.soup.order;
  const ml = batch.litres * 1000;
  const pots = vessels
    .filter((v) => v.id === vesselId || (ml <= rimVolume(v) * ROOM && ml >= rimVolume(v) * LEAST))
    .toSorted((a, b) => Number(b.id === vesselId) - Number(a.id === vesselId) || rimVolume(a) - rimVolume(b));
  const fires = burners.toSorted((a, b) => Number(b.id === burnerId) - Number(a.id === burnerId));
  return pots.flatMap((v) => fires.map((b) => ({ vesselId: v.id, burnerId: b.id })));
}

/** Where the batches may stand, by batch; where one is not named it stands where it was put. */
type Choices = (batch: ServiceBatch) => readonly Stand[];

type Placed = { readonly stand: Stand; readonly table: Timetable; readonly mode: Mode };

/** A problem under way: its tasks in the order they were added, what comes before what, and what its goals count. */
class Jobs {
  readonly tasks: Task[] = [];
  readonly jobs: Job[] = [];
  readonly nowhere: ServiceBatch[] = [];
  readonly weighed: Record<string, number> = {};
  readonly precedences: { before: number; after: number; gap: number }[] = [];
  readonly hold: { task: number; weight: number; after: number; of: 'start' }[] = [];
  readonly flame: { task: number; weight: number; after: number; of: 'end' }[] = [];

  constructor(
    private readonly here: Here,
    private readonly builder: Builder,
    /** The first minute anything may be done in, counted backwards. */
    private readonly latest: number,
  ) {}

  private add(job: Job, task: Task, before?: number): number {
    const at = this.tasks.length;
    this.jobs.push(job);
    this.tasks.push(task);
    if (before !== undefined) this.precedences.push({ before, after: at, gap: 0 });
    this.flame.push({ task: at, weight: 1, after: 0, of: 'end' });
    return at;
  }

  /** The soup itself, on one of `rows`; where it is under way, or pinned, as it stands. */
  cook(batch: ServiceBatch, rows: readonly Placed[], pinnedAt: number | null, isUnderWay: boolean): number {
    const { end } = this.builder;
    const modes = rows.map(({ mode }) =>
      isUnderWay ? mode : { ...mode, latest: this.latest - mode.duration },
    );
    const at = this.add(
      { kind: 'cook', batch, stands: rows.map((r) => r.stand), tables: rows.map((r) => r.table) },
      {
        id: batch.key,
        earliest: pinnedAt ?? end - batch.due,
        latest: pinnedAt ?? end - batch.last + (rows[0]?.table.wait.minutes ?? 0),
        modes: some(pooled(modes, batch, this.builder)),
      },
    );
    this.hold.push({ task: at, weight: 1, after: end - batch.due, of: 'start' });
    return at;
  }

  /** Its stock, where it makes one, before `cook`; gives what weighing out comes before. */
  stock(batch: ServiceBatch, stands: readonly Stand[], cook: number): number {
    const stock = stockTables(batch, this.here, stands);
    if (!stock) return cook;
    const modes = stock.map((s) => {
      const mode = stockMode(s.stand, s.of.table, this.builder);
      return { ...mode, latest: this.latest - mode.duration };
    });
    return this.add(
      { kind: 'stock', batch, stands: stock.map((s) => s.stand), tables: stock.map((s) => s.of.table) },
      { id: `${batch.key} stock`, earliest: 0, latest: this.latest, modes: some(modes) },
      cook,
    );
  }

  /** Weighing out, what is left of it, before `before`. */
  mise(batch: ServiceBatch, table: Timetable, place: BoardPlace | undefined, before: number): void {
    const left = miseLeft(table.mise, place, this.here.now);
    if (left < table.mise && place?.miseAt !== undefined) this.weighed[batch.key] = place.miseAt;
    if (left === 0) return;
    const uses = [{ resource: this.builder.at('hands'), amount: 1, from: 0, to: left }];
    this.add(
      { kind: 'mise', batch, stands: [], tables: [] },
      {
        id: `${batch.key} mise`,
        earliest: 0,
        latest: this.latest - left,
        modes: [{ id: 'weigh', duration: left, uses }],
      },
      before,
    );
  }
}

/**
 * The service as a scheduling problem, counted backwards from its last pass. Every soup is ready at its time or before,
 * waits no longer than it may, is not lit before the kitchen opens or what is now gone by; its pot is taken
 * from the flame to the last draw and washed; weighing out and stock come before. Goals: minutes held hot, then
 * the latest flame. What is under way, or pinned, stays where it is.
 */
export function jobsOf(service: Service, here: Here, choices: Choices): ServiceJobs {
  const { house, tables, live, now } = here;
  const batches = batchesOf(service);
  const pairs = sharedIn(service, house);
  const index = new Map(pairs.map(([, r], i) => [r.id, i]));
  const end = Math.max(0, ...batches.map((b) => b.last)) + service.wash;
  const builder: Builder = {
    service,
    end,
    has: (id) => index.has(id),
    at: (id) => {
      const found = index.get(id);
      if (found === undefined) throw new RangeError(`there is no ${id} here`);
      return found;
    },
  };
  const of = new Jobs(here, builder, end - Math.max(service.opens, now ?? 0));
  const known = (stand: Stand) => index.has(`burner ${stand.burnerId}`) && index.has(`pot ${stand.vesselId}`);
  for (const batch of batches) {
    const under = live[batch.key];
    if (under?.over) continue;
    const place = service.placed[batch.key];
    const fixed = under !== undefined || place?.pinned;
    const stands = (fixed && place ? [place] : choices(batch)).filter(known);
    const rows = stands.flatMap((stand): Placed[] => {
      const table = tables.of(orderOf(batch, stand));
      return table && !table.stops ? [{ stand, table, mode: cookMode(batch, stand, table, builder) }] : [];
    });
    const [first] = rows;
    if (!first) {
      of.nowhere.push(batch);
      continue;
    }
    const readyAt = under?.readyAt ?? (place ? place.lightAt + first.table.minutes : batch.due);
    const cook = of.cook(batch, rows, fixed ? end - readyAt : null, under !== undefined);
    if (!under) of.mise(batch, first.table, place, of.stock(batch, stands, cook));
  }
  const { tasks, precedences, hold, flame, jobs, nowhere, weighed } = of;
  return {
    problem: {
      tasks,
      resources: pairs.map(([, r]) => r),
      precedences,
      goals: [
        { kind: 'sum', terms: hold },
        { kind: 'sum', terms: flame },
      ],
    },
    jobs,
    shared: pairs.map(([s]) => s),
    end,
    nowhere,
    weighed,
  };
}

/** Minutes of weighing out still to be done at `now`, by when it was to begin. */
function miseLeft(minutes: number, place: BoardPlace | undefined, now: number | null): number {
  if (now === null || place?.miseAt === undefined || place.miseAt >= now) return minutes;
  return Math.max(0, place.miseAt + minutes - now);
}

/** Where the stock of a batch might be made, and how long it takes there; null where it makes none. */
function stockTables(batch: ServiceBatch, { tables, house }: Here, stands: readonly Stand[]) {
  const found: { stand: Stand; of: StockTable }[] = [];
  for (const burner of house.burners) {
    const soup = stands[0];
    if (!soup) return null;
    const of = tables.stockOf({ ...orderOf(batch, soup), stockBurnerId: burner.id });
    if (!of) return null;
    const { vesselId } = of.order;
    if (!of.table.stops) found.push({ stand: { burnerId: burner.id, vesselId }, of });
  }
  return found.length > 0 ? found : null;
}

/** Where each batch stands by a placement of its jobs. */
export function placesOf(
  { jobs, problem, end, weighed }: ServiceJobs,
  { starts, modes }: Placement,
): Record<string, BoardPlace> {
  const placed: Record<string, BoardPlace> = {};
  const real = (task: number): { from: number; to: number } => {
    const start = starts[task] ?? 0;
    const takes = problem.tasks[task]?.modes[modes[task] ?? 0]?.duration ?? 0;
    return { from: end - start - takes, to: end - start };
  };
  for (const [task, job] of jobs.entries()) {
    const stand = job.stands[modes[task] ?? 0];
    const { from } = real(task);
    const { key } = job.batch;
    const miseAt = weighed[key];
    if (job.kind === 'cook' && stand)
      placed[key] = { ...stand, lightAt: from, ...(miseAt !== undefined && { miseAt }) };
  }
  for (const [task, job] of jobs.entries()) {
    const place = placed[job.batch.key];
    if (!place || job.kind === 'cook') continue;
    const { from } = real(task);
    const stand = job.stands[modes[task] ?? 0];
    if (job.kind === 'mise') place.miseAt = weighed[job.batch.key] ?? from;
    else if (stand) place.stock = { ...stand, lightAt: from };
  }
  return placed;
}
