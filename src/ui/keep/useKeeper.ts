'use client';

import { useEffect, useRef, useState } from 'react';
import type { KeepEvent } from '../../core/keep/events';
import type { Lot, LotState } from '../../core/keep/lot';
import type { House } from '../../core/kitchen/house';
import type { Keeper, KeeperKnows } from '../../workers/keeper';
import { ask } from '../device/line/api';
import { type Asker, useAsked, useWorker } from '../shared/hooks/useWorker';

const begin = () => new Worker(new URL('../../workers/keeper.ts', import.meta.url), { type: 'module' });

export type KeeperHere = {
  readonly keeper: Asker<Keeper, KeeperKnows>;
  /** Changes when more is known: what was worked out before is worked out anew. */
  readonly known: number;
};

/** The worker that works out what becomes of what is kept. The batch of the thing at hand is given to it once. */
export function useKeeper(house: House, filmLines: readonly KeepEvent[], state: LotState | null): KeeperHere {
  const keeper = useWorker<Keeper, KeeperKnows>(begin);
  const [known, setKnown] = useState(0);
  const { know } = keeper;
  useEffect(() => {
    know('house', { house, filmLines });
    setKnown((n) => n + 1);
  }, [know, house, filmLines]);
  const given = useRef(new Set<string>());
  const batch = state?.put.batch;
  useEffect(() => {
    if (!batch || given.current.has(batch)) return;
    given.current.add(batch);
    void ask('GET /api/batches/[id]', { at: { id: batch } }).then((answer) => {
      if (answer.ok) know('batch', answer.body);
      setKnown((n) => n + 1);
    });
  }, [know, batch]);
  return { keeper, known };
}

/** What is worked out of one thing is worked out anew this often, ms, and at every line. */
const ANEW = 300_000;

/** What names a question of a thing as it stands now, by whatever else it hangs on. */
export const keptKey = (lot: Lot, known: number, now: number, ...more: readonly unknown[]): string =>
  [lot.id, lot.events.at(-1)?.id, known, Math.floor(now / ANEW), ...more].join(' ');

/** How a thing cools and every way it could, asked while it is `looked` at; null until it is known of this thing. */
export function useCooling(
  { keeper, known }: KeeperHere,
  lot: Lot | null,
  now: number | null,
  looked: boolean,
) {
  const key = lot && now !== null && looked ? keptKey(lot, known, now) : null;
  const { question, pieces, done } = useAsked(keeper, 'cooling', key, () => ({
    lot: lot as Lot,
    now: now ?? 0,
  }));
  const [first, ...rest] = pieces;
  if (!question || question.lot.id !== lot?.id || !first || !('found' in first)) return null;
  return {
    at: question.now,
    found: first.found,
    ways: rest.flatMap((p) => ('way' in p ? [p.way] : [])),
    working: !done,
  };
}
export type CoolingAnswers = NonNullable<ReturnType<typeof useCooling>>;
