import type { Message } from '../message/message';
import type { Warning } from '../plan/types';
import { overloads, type Placement } from '../schedule/problem';
import { type Here, jobsOf, type Live, type ServiceJobs } from './arrange/jobs';
import type { Shared } from './arrange/modes';
import { type BoardPlace, batchesOf, orderOf, type Service, type ServiceBatch } from './service';
import { handsOf, type PanTime, type StockTable, type Timetable } from './timetable';

/** A batch as it lies on the board; minutes since midnight of the service's day. */
export type Bar = {
  readonly batch: ServiceBatch;
  readonly place: BoardPlace;
  /** Null where no plan can be made of it there. */
  readonly table: Timetable | null;
  readonly lightAt: number;
  readonly readyAt: number;
  /** Kept hot from ready to its first time on the pass. */
  readonly held: number;
  readonly mise: { readonly from: number; readonly to: number };
  readonly stock: (StockTable & { readonly at: NonNullable<BoardPlace['stock']> }) | null;
  readonly live: Live | null;
};

/** A pan beside a batch’s pot as it lies on the board, minutes since midnight. */
export type PanBar = PanTime & { readonly key: string; readonly batch: string };

/** The pans beside the pots of `bars`, each where and when it stands; none of what is off the stove. */
export const panBarsOf = (bars: readonly Bar[]): readonly PanBar[] =>
  bars.flatMap((bar) => {
    if (!bar.table || bar.live?.finished || bar.live?.over) return [];
    const lit = bar.readyAt - bar.table.minutes;
    return bar.table.pans.map((p) => ({
      ...p,
      key: `pan ${bar.batch.key} ${p.name}`,
      batch: bar.batch.key,
      from: lit + p.from,
      to: lit + p.to,
    }));
  });

/** What cannot be as it lies, where and when. */
export type Clash = { readonly id: string } & (
  | {
      readonly kind: 'shared';
      readonly shared: Shared;
      readonly from: number;
      readonly until: number;
      readonly wanted: number;
      readonly there: number;
      readonly keys: readonly string[];
    }
  | {
      readonly kind: 'late';
      readonly keys: readonly [string];
      readonly minutes: number;
      readonly from: number;
    }
  | {
      readonly kind: 'waits';
      readonly keys: readonly [string];
      readonly minutes: number;
      readonly most: number;
      readonly why: Message;
      readonly from: number;
    }
  /** Lit, or weighed, before the kitchen opens, or before now. */
  | {
      readonly kind: 'early';
      readonly keys: readonly [string];
      readonly at: number;
      readonly from: number;
      readonly gone: boolean;
    }
  | {
      readonly kind: 'cannot';
      readonly keys: readonly [string];
      readonly warning: Warning | null;
      readonly from: number;
    }
);

/** A stretch with so many pairs of hands at work. */
export type Level = { readonly from: number; readonly to: number; readonly count: number };

export type Board = {
  readonly bars: readonly Bar[];
  readonly clashes: readonly Clash[];
  readonly hands: readonly Level[];
  /** What it spans, whole hours. */
  readonly from: number;
  readonly to: number;
  /** The first flame, and the longest anything is kept hot. Null with nothing on it. */
  readonly firstFlame: number | null;
  readonly mostHeld: number;
};

/** Where a batch stands where nobody has said: where its order has it, ready just in time. */
export function placeOf(service: Service, batch: ServiceBatch, here: Pick<Here, 'tables'>): BoardPlace {
  const placed = service.placed[batch.key];
  if (placed) return placed;
  const { vesselId, burnerId } = batch.soup.order;
  const minutes = here.tables.of(orderOf(batch))?.minutes ?? 60;
  return { vesselId, burnerId, lightAt: batch.due - minutes };
}

/** A service with every batch put somewhere. */
export function settled(service: Service, here: Pick<Here, 'tables'>): Service {
  const batches = batchesOf(service);
  if (batches.every((b) => service.placed[b.key])) return service;
  return { ...service, placed: Object.fromEntries(batches.map((b) => [b.key, placeOf(service, b, here)])) };
}

function barOf(service: Service, batch: ServiceBatch, here: Here): Bar {
  const place = placeOf(service, batch, here);
  const order = orderOf(batch, place);
  const table = here.tables.of(order);
  const live = here.live[batch.key] ?? null;
  const takes = table?.minutes ?? 60;
  const lightAt = live?.lightAt ?? place.lightAt;
  const readyAt = live?.readyAt ?? lightAt + takes;
  const stock = table
    ? here.tables.stockOf(
        place.stock
          ? { ...order, stockBurnerId: place.stock.burnerId, stockPotId: place.stock.vesselId }
          : order,
      )
    : null;
  const stockAt = place.stock ?? (stock && { ...stock.order, lightAt: lightAt - stock.table.minutes });
  const mise = table?.mise ?? 0;
  const miseFrom = place.miseAt ?? (stockAt ? stockAt.lightAt : lightAt) - mise;
  return {
    batch,
    place,
    table,
    lightAt,
    readyAt,
    held: Math.max(0, batch.due - readyAt),
    mise: { from: miseFrom, to: miseFrom + mise },
    stock:
      stock && stockAt
        ? {
            ...stock,
            at: { burnerId: stockAt.burnerId, vesselId: stockAt.vesselId, lightAt: stockAt.lightAt },
          }
        : null,
    live,
  };
}

/** The jobs of a board as they lie, and where that is. */
function asItLies(
  service: Service,
  here: Here,
  bars: readonly Bar[],
): { jobs: ServiceJobs; placement: Placement } {
  const by = new Map(bars.map((b) => [b.batch.key, b]));
  const jobs = jobsOf(settled(service, here), here, (batch) => {
    const bar = by.get(batch.key);
    return bar ? [bar.place] : [];
  });
  const starts = jobs.jobs.map((job) => {
    const bar = by.get(job.batch.key);
    if (!bar) return 0;
    // What is left of it, where part of it is over.
    if (job.kind === 'mise') return jobs.end - bar.mise.to;
    if (job.kind === 'stock' && bar.stock) return jobs.end - (bar.stock.at.lightAt + bar.stock.table.minutes);
    return jobs.end - bar.readyAt;
  });
  const modes = jobs.jobs.map((job) => {
    if (job.kind !== 'stock') return 0;
    const at = by.get(job.batch.key)?.stock?.at;
    return Math.max(
      0,
      job.stands.findIndex((s) => s.burnerId === at?.burnerId),
    );
  });
  return { jobs, placement: { starts, modes } };
}

function sharedClashes(service: Service, here: Here, bars: readonly Bar[]): readonly Clash[] {
  const { jobs, placement } = asItLies(service, here, bars);
  return overloads(jobs.problem, placement).flatMap((o): Clash[] => {
    const shared = jobs.shared[o.resource];
    if (!shared || shared.kind === 'burners' || shared.kind === 'pots') return [];
    const keys = [...new Set(o.tasks.flatMap((t) => jobs.jobs[t]?.batch.key ?? []))];
    const name = 'id' in shared ? shared.id : 'tool' in shared ? shared.tool : shared.kind;
    return [
      {
        id: `${shared.kind} ${name} ${keys.join(' ')} ${jobs.end - o.until}`,
        kind: 'shared',
        shared,
        from: jobs.end - o.until,
        until: jobs.end - o.at,
        wanted: o.wanted,
        there: jobs.problem.resources[o.resource]?.capacity ?? 0,
        keys,
      },
    ];
  });
}

function ownClashes(service: Service, { now }: Here, bar: Bar): readonly Clash[] {
  const { batch, table, live, lightAt, readyAt, mise } = bar;
  const keys = [batch.key] as const;
  if (live?.over) return [];
  const found: Clash[] = [];
  if (!table || table.stops)
    found.push({
      id: `cannot ${batch.key}`,
      kind: 'cannot',
      keys,
      warning: table?.warnings.find((w) => w.severity === 'stop') ?? null,
      from: lightAt,
    });
  if (readyAt > batch.due)
    found.push({
      id: `late ${batch.key}`,
      kind: 'late',
      keys,
      minutes: readyAt - batch.due,
      from: batch.due,
    });
  const waits = batch.last - readyAt;
  if (table && waits > table.wait.minutes)
    found.push({
      id: `waits ${batch.key}`,
      kind: 'waits',
      keys,
      minutes: waits,
      most: table.wait.minutes,
      why: table.wait.why,
      from: readyAt,
    });
  const first = Math.min(lightAt, mise.from, bar.stock?.at.lightAt ?? lightAt);
  if (!live && lightAt < (now ?? Number.NEGATIVE_INFINITY))
    found.push({ id: `early ${batch.key}`, kind: 'early', keys, at: lightAt, from: lightAt, gone: true });
  else if (!live && first < service.opens)
    found.push({ id: `early ${batch.key}`, kind: 'early', keys, at: first, from: first, gone: false });
  return found;
}

/** How many pairs of hands are at work, and when. */
function handsAtWork(bars: readonly Bar[]): readonly Level[] {
  const spans = bars.flatMap((bar) => {
    if (bar.live?.over || !bar.table) return [];
    const shift = bar.readyAt - bar.table.minutes;
    const of = [
      ...(bar.live?.finished
        ? []
        : handsOf(bar.table).map((s) => ({ from: s.from + shift, to: s.to + shift }))),
      ...(bar.live ? [] : [bar.mise]),
      ...(bar.stock && !bar.live
        ? handsOf(bar.stock.table).map((s) => ({
            from: s.from + (bar.stock?.at.lightAt ?? 0),
            to: s.to + (bar.stock?.at.lightAt ?? 0),
          }))
        : []),
    ];
    return of.filter((s) => s.to > s.from);
  });
  const moments = [...new Set(spans.flatMap((s) => [s.from, s.to]))].sort((a, b) => a - b);
  return moments.slice(0, -1).flatMap((from, i) => {
    const to = moments[i + 1] as number;
    const count = spans.filter((s) => s.from <= from && s.to > from).length;
    return count > 0 ? [{ from, to, count }] : [];
  });
}

/** The service on the board, as it lies: its bars, whose hands are wanted when, and what clashes. */
export function boardOf(service: Service, here: Here): Board {
  const bars = batchesOf(service).map((batch) => barOf(service, batch, here));
  const clashes = [
    ...bars.flatMap((bar) => ownClashes(service, here, bar)),
    ...sharedClashes(service, here, bars),
  ].sort((a, b) => a.from - b.from);
  const first = Math.min(
    ...bars.map((b) => Math.min(b.mise.from, b.lightAt, b.stock?.at.lightAt ?? b.lightAt)),
  );
  const last = Math.max(...bars.map((b) => Math.max(b.batch.last, b.readyAt)));
  const open = bars.filter((b) => !b.live?.over);
  return {
    bars,
    clashes,
    hands: handsAtWork(bars),
    from: bars.length > 0 ? Math.floor((first - 5) / 30) * 30 : service.opens,
    to: bars.length > 0 ? Math.ceil((last + 10) / 30) * 30 : service.opens + 480,
    firstFlame: bars.length > 0 ? Math.min(...bars.map((b) => b.lightAt)) : null,
    mostHeld: Math.max(0, ...open.map((b) => b.batch.last - b.readyAt)),
  };
}

/** A batch moved on the board: its weighing out and stock go with it. Set by hand, so it is pinned. */
export function moved(service: Service, here: Here, key: string, to: Partial<BoardPlace>): Service {
  const batch = batchesOf(service).find((b) => b.key === key);
  if (!batch) return service;
  const from = placeOf(service, batch, here);
  const by = (to.lightAt ?? from.lightAt) - from.lightAt;
  const place: BoardPlace = {
    ...from,
    ...(from.miseAt !== undefined && { miseAt: from.miseAt + by }),
    ...(from.stock && { stock: { ...from.stock, lightAt: from.stock.lightAt + by } }),
    pinned: true,
    ...to,
  };
  const all = settled(service, here);
  return { ...all, placed: { ...all.placed, [key]: place } };
}
