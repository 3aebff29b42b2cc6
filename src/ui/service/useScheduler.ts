'use client';

import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { catalogue } from '../../core/food/catalogue';
import type { Order } from '../../core/order/order';
import type { Arranging, Outcome } from '../../core/service/arrange/arrange';
import { type Here, standsFor } from '../../core/service/arrange/jobs';
import type { Relief } from '../../core/service/arrange/relief';
import { batchesOf, orderOf, type Service } from '../../core/service/service';
import type { Scheduler, SchedulerKnows, Situation, Timed } from '../../workers/scheduler';
import type { Shelf } from '../order/stores';
import { type Asker, useWorker } from '../shared/hooks/useWorker';

const beginWorker = () =>
  new Worker(new URL('../../workers/scheduler.ts', import.meta.url), { type: 'module' });

type SchedulerHere = {
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

type Asking = Asker<Scheduler, SchedulerKnows>;

/** How long each batch takes where it lies and where else it might, asked as it is wanted. */
function useTimes({ house, recipes, soups: shelf }: Shelf, service: Service, ask: Asking['ask']) {
  const [known, setKnown] = useState<ReadonlyMap<string, Timed>>(new Map());
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
      void ask('times', orders, (timed) =>
        setKnown((before) => new Map([...before, ...timed.map((t) => [keyOf(t.order), t] as const)])),
      );
    }, 30);
    return () => clearTimeout(timer);
  }, [ask, wanted, known, shelf, recipes]);

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
  return { tables, known, missing };
}

/** The worker of the board: how long each batch takes where it stands, or might, and the arranging of them all. */
export function useScheduler(shelf: Shelf, service: Service): SchedulerHere {
  const { ask, know, stop: giveUp } = useWorker<Scheduler, SchedulerKnows>(beginWorker);
  const { house, recipes } = shelf;
  const [arranging, setArranging] = useState<Arranging | null>(null);
  const [outcome, setOutcome] = useState<Outcome | null>(null);
  const [reliefs, setReliefs] = useState<readonly Relief[]>([]);
  const [asking, setAsking] = useState(false);
  /** What is being arranged; another once it is given up. */
  const work = useRef<Situation | null>(null);
  useEffect(() => know('house', { foods: catalogue(), house, recipes }), [know, house, recipes]);

  const { tables, known, missing } = useTimes(shelf, service, ask);
  const why = useCallback(
    async (situation: Situation) => {
      setAsking(true);
      await ask('why', situation, (relief) => {
        if (relief && work.current === situation) setReliefs((before) => [...before, relief]);
      });
      if (work.current === situation) setAsking(false);
    },
    [ask],
  );
  const begin = useCallback(
    (situation: Situation) => {
      giveUp('why');
      work.current = situation;
      setOutcome(null);
      setReliefs([]);
      setAsking(false);
      setArranging({ at: 'tables', done: 0, of: 0 });
      void ask('arrange', situation, (told) => {
        if (work.current !== situation) return;
        if ('state' in told) return setArranging(told.state);
        setArranging(null);
        setOutcome(told.outcome);
        if (told.outcome.kind === 'cannot') void why(situation);
      });
    },
    [ask, giveUp, why],
  );
  const stop = useCallback(() => {
    work.current = null;
    setArranging(null);
    setAsking(false);
    setOutcome(null);
    giveUp('arrange');
    giveUp('why');
  }, [giveUp]);
  return { tables, known: known.size, missing, arranging, outcome, reliefs, asking, arrange: begin, stop };
}
