'use client';

import { useEffect, useRef, useState } from 'react';
import type { Fault } from '../../core/adjust/faults';
import type { Measured } from '../../core/adjust/measured';
import type { Wishes } from '../../core/adjust/option';
import { catalogue } from '../../core/food/catalogue';
import type { FixerAnswer, FixerQuestion } from '../../workers/fixer';
import { Asking } from './asking';

type Question = Omit<Extract<FixerQuestion, { kind: 'fix' }>, 'kind' | 'key'>;

/**
 * Corrections and cures as they come from the worker: null until the first, or when nothing is asked;
 * `failed` when it broke on what it was asked. `asked` names what is asked of which pot: where it stays the
 * same only the clock went on, and what is shown stays until the new answer is whole (see `Asking`).
 */
export function useAdvice(
  faults: readonly Fault[],
  measured: Measured | null,
  wishes: Wishes,
  again: number,
  asked: string,
): { readonly told: FixerAnswer | null; readonly failed: boolean } {
  const worker = useRef<Worker>(undefined);
  const asking = useRef(new Asking<Question>());
  const [told, setTold] = useState<FixerAnswer | null>(null);
  const [failed, setFailed] = useState(false);
  const send = useRef((to: { readonly key: number; readonly question: Question } | null) => {
    if (to) worker.current?.postMessage({ kind: 'fix', key: to.key, ...to.question } satisfies FixerQuestion);
  });
  useEffect(() => {
    const of = asking.current;
    const w = new Worker(new URL('../../workers/fixer.ts', import.meta.url), { type: 'module' });
    const broken = () => {
      of.stop();
      setFailed(true);
    };
    w.onmessage = ({ data }: MessageEvent<FixerAnswer>) => {
      const heard = of.hear(data.key, data.done === data.of);
      if (heard.show) setTold(data);
      send.current(heard.send);
    };
    w.onerror = broken;
    w.onmessageerror = broken;
    w.postMessage({ kind: 'catalogue', foods: catalogue() } satisfies FixerQuestion);
    worker.current = w;
    return () => {
      worker.current = undefined;
      of.stop();
      w.terminate();
    };
  }, []);
  useEffect(() => {
    setFailed(false);
    if (!measured || faults.length === 0) {
      asking.current.stop();
      setTold(null);
      return;
    }
    send.current(asking.current.ask(asked, { faults, measured, wishes, again }));
  }, [faults, measured, wishes, again, asked]);
  return { told, failed };
}
