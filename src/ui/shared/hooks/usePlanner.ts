'use client';

import { useCallback, useEffect, useRef } from 'react';
import { catalogue } from '../../../core/food/catalogue';
import type { PlannerAnswer, PlannerQuestion } from '../../../workers/planner';

/** One worker for whoever uses it, started with the component; `onTold` hears everything it says. */
export function usePlanner(onTold: (told: PlannerAnswer) => void): (ask: PlannerQuestion) => void {
  const worker = useRef<Worker>(undefined);
  const heard = useRef(onTold);
  useEffect(() => {
    heard.current = onTold;
  });
  const waiting = useRef<PlannerQuestion[]>([]);
  useEffect(() => {
    const w = new Worker(new URL('../../../workers/planner.ts', import.meta.url), { type: 'module' });
    w.onmessage = ({ data }: MessageEvent<PlannerAnswer>) => heard.current(data);
    worker.current = w;
    w.postMessage({ kind: 'catalogue', key: '', foods: catalogue() } satisfies PlannerQuestion);
    for (const ask of waiting.current.splice(0)) w.postMessage(ask);
    return () => {
      worker.current = undefined;
      w.terminate();
    };
  }, []);
  return useCallback((ask: PlannerQuestion) => {
    if (worker.current) worker.current.postMessage(ask);
    else waiting.current.push(ask);
  }, []);
}
