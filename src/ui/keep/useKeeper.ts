'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import type { House } from '../../core/house/house';
import type { KeepEvent } from '../../core/keep/events';
import type { LotState } from '../../core/keep/lot';
import type { KeeperAnswer, KeeperQuestion } from '../../workers/keeper';
import { ask as askServer } from '../station/line/api';

/** The worker that works out what becomes of what is kept; `onTold` hears its answers. Known batches are given to it once each. */
export function useKeeper(
  house: House,
  filmLines: readonly KeepEvent[],
  onTold: (told: KeeperAnswer) => void,
): {
  readonly ask: (q: KeeperQuestion) => void;
  readonly want: (state: LotState) => void;
  readonly known: number;
} {
  const worker = useRef<Worker>(undefined);
  const heard = useRef(onTold);
  useEffect(() => {
    heard.current = onTold;
  });
  const given = useRef(new Set<string>());
  const [known, setKnown] = useState(0);
  const waiting = useRef<KeeperQuestion[]>([]);
  const ask = useCallback((q: KeeperQuestion) => {
    if (worker.current) worker.current.postMessage(q);
    else waiting.current.push(q);
  }, []);
  useEffect(() => {
    const w = new Worker(new URL('../../workers/keeper.ts', import.meta.url), { type: 'module' });
    w.onmessage = ({ data }: MessageEvent<KeeperAnswer>) => heard.current(data);
    w.postMessage({ kind: 'house', house, filmLines } satisfies KeeperQuestion);
    worker.current = w;
    given.current = new Set();
    setKnown((n) => n + 1);
    for (const q of waiting.current.splice(0)) w.postMessage(q);
    return () => {
      worker.current = undefined;
      w.terminate();
    };
  }, [house, filmLines]);
  const want = useCallback(
    ({ put }: LotState) => {
      const { batch } = put;
      if (!batch || given.current.has(batch)) return;
      given.current.add(batch);
      void askServer('GET /api/batches/[id]', { at: { id: batch } }).then((answer) => {
        if (answer.ok) ask({ kind: 'batch', batch: answer.body });
        setKnown((n) => n + 1);
      });
    },
    [ask],
  );
  return { ask, want, known };
}
