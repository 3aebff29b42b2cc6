'use client';

import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { v4 as uuid } from 'uuid';
import { catalogue } from '../../core/food/catalogue';
import type { Order } from '../../core/order/order';
import type { Arranging, Outcome } from '../../core/service/arrange/arrange';
import { type Here, type Live, standsFor } from '../../core/service/arrange/jobs';
import type { Relief } from '../../core/service/arrange/relief';
import { batchesOf, orderOf, type Service } from '../../core/service/service';
import type { SchedulerAnswer, SchedulerQuestion, Timed } from '../../workers/scheduler';
import type { Shelf } from '../order/stores';

/** What is asked of the worker for the service as it lies. */
type Situation = {
  readonly service: Service;
  readonly live: Readonly<Record<string, Live>>;
  readonly now: number | null;
};

type Scheduler = {
  readonly tables: Here['tables'];
  /** Changes whenever more is known. */
  readonly known: number;
  /** Timetables still to come of what lies on the board. */
  readonly missing: number;
  /** Null when nothing is being arranged. */
  readonly arranging: Arranging | null;
  readonly outcome: Outcome | null;
  /** What would make it possible, and whether more may come. */
  readonly reliefs: readonly Relief[];
  readonly asking: boolean;
  readonly arrange: (s: Situation) => void;
  readonly stop: () => void;
};

/** The same for an order however its fields stand. */
const keyOf = (order: Order): string =>
  JSON.stringify(
    Object.entries(order)
      .filter(([, v]) => v !== undefined)
      .sort(([a], [b]) => (a < b ? -1 : 1)),
  );

/** The worker of the board: how long each batch takes where it stands, or might, and the arranging of them all. */
export function useScheduler({ house, recipes, soups: shelf }: Shelf, service: Service): Scheduler {
  const worker = useRef<Worker>(undefined);
  const [known, setKnown] = useState<ReadonlyMap<string, Timed>>(new Map());
  const [arranging, setArranging] = useState<Arranging | null>(null);
  const [outcome, setOutcome] = useState<Outcome | null>(null);
  const [reliefs, setReliefs] = useState<readonly Relief[]>([]);
  const [asking, setAsking] = useState(false);
  const work = useRef<{ key: string; asked: Situation } | null>(null);

  useEffect(() => {
    const w = new Worker(new URL('../../workers/scheduler.ts', import.meta.url), { type: 'module' });
    const ask = (q: SchedulerQuestion) => w.postMessage(q);
    w.onmessage = ({ data }: MessageEvent<SchedulerAnswer>) => {
      if (data.kind === 'timed') {
        setKnown((before) => new Map([...before, ...data.timed.map((t) => [keyOf(t.order), t] as const)]));
        return;
      }
      if (data.key !== work.current?.key) return;
      if (data.kind === 'arranging') setArranging(data.state);
      else if (data.kind === 'outcome') {
        setArranging(null);
        setOutcome(data.outcome);
        const { asked } = work.current;
        if (data.outcome.kind === 'cannot') {
          const key = uuid();
          work.current = { key, asked };
          setAsking(true);
          ask({ kind: 'why', key, ...asked });
        }
      } else if (data.kind === 'relief') setReliefs((before) => [...before, data.relief]);
      else setAsking(false);
    };
    worker.current = w;
    return () => {
      worker.current = undefined;
      w.terminate();
    };
  }, []);
  useEffect(() => {
    worker.current?.postMessage({
      kind: 'house',
      foods: catalogue(),
      house,
      recipes,
    } satisfies SchedulerQuestion);
  }, [house, recipes]);

  const { placed, soups, covers } = service;
  const wanted = useMemo(() => {
    const batches = batchesOf({ soups, covers });
    const lying = batches.flatMap((b) => {
      const place = placed[b.key];
      if (!place) return [orderOf(b)];
      const order = orderOf(b, place);
      const { stock } = place;
      return stock
        ? [order, { ...order, stockBurnerId: stock.burnerId, stockPotId: stock.vesselId } as Order]
        : [order];
    });
    return { lying, elsewhere: batches.flatMap((b) => standsFor(b, house).map((s) => orderOf(b, s))) };
  }, [placed, soups, covers, house]);
  const missing = wanted.lying.filter((o) => !known.has(keyOf(o))).length;
  const asked = useRef(new Set<string>());
  useEffect(() => {
    /** Under way: what is in it is not here yet. */
    const comes = (id: string) => shelf.some((s) => s.id === id) && !recipes.some((r) => r.id === id);
    const orders = [...wanted.lying, ...wanted.elsewhere].filter(
      (o) => !known.has(keyOf(o)) && !comes(o.recipeId),
    );
    const key = JSON.stringify(orders.map(keyOf));
    if (orders.length === 0 || asked.current.has(key)) return;
    // What lies there first; where else it might stand when nothing is being dragged.
    const timer = setTimeout(() => {
      asked.current = new Set([key]);
      worker.current?.postMessage({ kind: 'want', orders } satisfies SchedulerQuestion);
    }, 30);
    return () => clearTimeout(timer);
  }, [wanted, known, shelf, recipes]);

  const tables = useMemo<Here['tables']>(
    () => ({
      of: (order) => known.get(keyOf(order))?.table ?? null,
      stockOf: (order) => {
        const { stockBurnerId: _b, stockPotId: _p, ...plain } = order as Order & Record<string, unknown>;
        return (known.get(keyOf(order)) ?? known.get(keyOf(plain as Order)))?.stock ?? null;
      },
    }),
    [known],
  );

  const begin = useCallback((situation: Situation) => {
    const key = uuid();
    work.current = { key, asked: situation };
    setOutcome(null);
    setReliefs([]);
    setAsking(false);
    setArranging({ at: 'tables', done: 0, of: 0 });
    worker.current?.postMessage({ kind: 'arrange', key, ...situation } satisfies SchedulerQuestion);
  }, []);
  const stop = useCallback(() => {
    work.current = null;
    setArranging(null);
    setAsking(false);
    setOutcome(null);
    worker.current?.postMessage({ kind: 'stop' } satisfies SchedulerQuestion);
  }, []);
  return { tables, known: known.size, missing, arranging, outcome, reliefs, asking, arrange: begin, stop };
}
