'use client';

import { proxy, wrap } from 'comlink';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { Known, PieceOf, QuestionOf, Served, Serving } from '../../../workers/served';

/** A worker of this page: asked, told, stopped. Before it runs, and once it is gone, nothing is answered. */
export type Asker<S extends Served, K extends Known> = {
  /** Resolves with true when all was told, false when a newer question took its place, or the worker is gone. */
  readonly ask: <Q extends keyof S & string>(
    kind: Q,
    question: QuestionOf<S, Q>,
    told: (piece: PieceOf<S, Q>) => void,
  ) => Promise<boolean>;
  readonly know: Serving<S, K>['know'];
  readonly stop: Serving<S, K>['stop'];
  /** Whether it broke: it did not load, or threw. */
  readonly failed: boolean;
};

/** One worker for the component that uses it, begun with it and ended with it; `begin` stays the same. */
export function useWorker<S extends Served, K extends Known>(begin: () => Worker): Asker<S, K> {
  const remote = useRef<Serving<S, K>>(undefined);
  /** What was asked before it ran: effects of children come before those of whoever holds them. */
  const waiting = useRef<((to: Serving<S, K>) => void)[]>([]);
  const [failed, setFailed] = useState(false);
  useEffect(() => {
    const worker = begin();
    const broken = () => setFailed(true);
    worker.addEventListener('error', broken);
    worker.addEventListener('messageerror', broken);
    // The library’s own type of it loses what hangs together: a kind, its question, its answer.
    remote.current = wrap(worker) as unknown as Serving<S, K>;
    for (const go of waiting.current.splice(0)) go(remote.current);
    return () => {
      remote.current = undefined;
      worker.terminate();
    };
  }, [begin]);
  const calls = useMemo(() => {
    const call = (go: (to: Serving<S, K>) => void): void => {
      if (remote.current) go(remote.current);
      else waiting.current.push(go);
    };
    const asker: Omit<Asker<S, K>, 'failed'> = {
      ask: (kind, question, told) =>
        new Promise((done) => {
          call((to) =>
            to.ask(kind, question, proxy(told)).then(done, () => {
              setFailed(true);
              done(false);
            }),
          );
        }),
      know: (what, value) => call((to) => to.know(what, value)),
      stop: (kind) => call((to) => to.stop(kind)),
    };
    return asker;
  }, []);
  return useMemo(() => ({ ...calls, failed }), [calls, failed]);
}

export type Answered<Q, A> = {
  /** What `pieces` are about; '' before the first. */
  readonly key: string;
  /** As it was asked. */
  readonly question: Q | null;
  readonly pieces: readonly A[];
  /** Whether all is told. */
  readonly done: boolean;
};

/**
 * What a worker says to the question of this moment: asked when `key` changes and has rested `rest` ms, not asked
 * where it is null. What was found before stays until the first piece of the newer answer is here.
 */
export function useAsked<S extends Served, N extends Known, K extends keyof S & string>(
  { ask }: Asker<S, N>,
  kind: K,
  key: string | null,
  question: () => QuestionOf<S, K>,
  rest = 0,
): Answered<QuestionOf<S, K>, PieceOf<S, K>> {
  type Now = Answered<QuestionOf<S, K>, PieceOf<S, K>>;
  const [answered, setAnswered] = useState<Now>({ key: '', question: null, pieces: [], done: false });
  const latest = useRef(question);
  latest.current = question;
  useEffect(() => {
    if (key === null) return;
    let over = false;
    const timer = setTimeout(async () => {
      const asked = latest.current();
      const pieces: PieceOf<S, K>[] = [];
      const show = (done: boolean) => {
        if (!over) setAnswered({ key, question: asked, pieces: [...pieces], done });
      };
      const whole = await ask(kind, asked, (piece) => {
        pieces.push(piece);
        show(false);
      });
      if (whole) show(true);
    }, rest);
    return () => {
      over = true;
      clearTimeout(timer);
    };
  }, [ask, kind, key, rest]);
  return answered;
}
