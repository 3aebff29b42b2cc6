'use client';

import { useEffect, useRef, useState } from 'react';
import type { Fault } from '../../core/adjust/faults';
import type { Measured } from '../../core/adjust/measured';
import type { Wishes } from '../../core/adjust/option';
import { catalogue } from '../../core/food/catalogue';
import type { FixerAnswer, FixerQuestion } from '../../workers/fixer';

/** Corrections and cures as they come from the worker: null until the first, or when nothing is asked; `failed` when it broke on what it was asked. */
export function useAdvice(
  faults: readonly Fault[],
  measured: Measured | null,
  wishes: Wishes,
  again: number,
): { readonly told: FixerAnswer | null; readonly failed: boolean } {
  const worker = useRef<Worker>(undefined);
  const key = useRef(0);
  const [told, setTold] = useState<FixerAnswer | null>(null);
  const [failed, setFailed] = useState(false);
  useEffect(() => {
    const w = new Worker(new URL('../../workers/fixer.ts', import.meta.url), { type: 'module' });
    w.onmessage = ({ data }: MessageEvent<FixerAnswer>) => data.key === key.current && setTold(data);
    w.onerror = () => setFailed(true);
    w.onmessageerror = () => setFailed(true);
    w.postMessage({ kind: 'catalogue', foods: catalogue() } satisfies FixerQuestion);
    worker.current = w;
    return () => {
      worker.current = undefined;
      w.terminate();
    };
  }, []);
  useEffect(() => {
    key.current++;
    setFailed(false);
    if (!measured || faults.length === 0) {
      setTold(null);
      return;
    }
    worker.current?.postMessage({
      kind: 'fix',
      key: key.current,
      faults,
      measured,
      wishes,
      again,
    } satisfies FixerQuestion);
  }, [faults, measured, wishes, again]);
  return { told, failed };
}
