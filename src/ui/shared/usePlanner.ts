'use client';

import { useCallback, useEffect, useRef } from 'react';
import { catalogue } from '../../core/food/catalogue';
import type { Ask, Told } from '../../workers/planner';

/** One worker for whoever uses it, started with the component; `onTold` hears everything it says. */
export function usePlanner(onTold: (told: Told) => void): (ask: Ask) => void {
  const worker = useRef<Worker>(undefined);
  const heard = useRef(onTold);
  useEffect(() => {
    heard.current = onTold;
  });
  const waiting = useRef<Ask[]>([]);
  useEffect(() => {
    const w = new Worker(new URL('../../workers/planner.ts', import.meta.url), { type: 'module' });
    w.onmessage = ({ data }: MessageEvent<Told>) => heard.current(data);
    worker.current = w;
    w.postMessage({ kind: 'catalogue', key: '', foods: catalogue() } satisfies Ask);
    for (const ask of waiting.current.splice(0)) w.postMessage(ask);
    return () => {
      worker.current = undefined;
      w.terminate();
    };
  }, []);
  return useCallback((ask: Ask) => {
    if (worker.current) worker.current.postMessage(ask);
    else waiting.current.push(ask);
  }, []);
}
