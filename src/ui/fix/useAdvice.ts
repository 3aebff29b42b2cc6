'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import type { Fault } from '../../core/adjust/faults';
import type { Measured } from '../../core/adjust/measured';
import type { Wishes } from '../../core/adjust/option';
import { catalogue } from '../../core/food/catalogue';
import type { Fixer, FixerAnswer, FixerKnows, FixerQuestion } from '../../workers/fixer';
import { useWorker } from '../shared/hooks/useWorker';
import { Asking } from './asking';

const begin = () => new Worker(new URL('../../workers/fixer.ts', import.meta.url), { type: 'module' });

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
  const { ask, know, failed } = useWorker<Fixer, FixerKnows>(begin);
  const asking = useRef(new Asking<FixerQuestion>());
  const [told, setTold] = useState<FixerAnswer | null>(null);
  useEffect(() => know('catalogue', catalogue()), [know]);
  const send = useCallback(
    (to: { readonly key: number; readonly question: FixerQuestion } | null) => {
      if (!to) return;
      void ask('fix', to.question, (answer) => {
        const heard = asking.current.hear(to.key, answer.done === answer.of);
        if (heard.show) setTold(answer);
        send(heard.send);
      });
    },
    [ask],
  );
  useEffect(() => {
    if (!measured || faults.length === 0 || failed) {
      asking.current.stop();
      if (!failed) setTold(null);
      return;
    }
    send(asking.current.ask(asked, { faults, measured, wishes, again }));
  }, [send, failed, faults, measured, wishes, again, asked]);
  return { told, failed };
}
