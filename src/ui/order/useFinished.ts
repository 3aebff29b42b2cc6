'use client';

import { useEffect, useState } from 'react';
import type { Finished } from '../../core/compare/finished';
import type { PlannerQuestion } from '../../workers/planner';
import { usePlanner } from '../shared/usePlanner';

type Question = Extract<PlannerQuestion, { kind: 'finish' }>;

/** Every finish for the pot asked about, as a worker finds them one after another; `done` once all are. */
export function useFinished(question: Question | null): {
  readonly all: readonly Finished[];
  readonly done: boolean;
} {
  const [found, setFound] = useState<{ key: string; all: readonly Finished[]; left: number }>({
    key: '',
    all: [],
    left: 1,
  });
  const ask = usePlanner((told) => {
    if (told.kind !== 'finished') return;
    const { key, one, left } = told;
    setFound((f) => {
      const all = f.key === key ? f.all : [];
      const known = !one || all.some((c) => c.finish.id === one.finish.id);
      return { key, all: known ? all : [...all, one], left };
    });
  });
  useEffect(() => {
    if (question) ask(question);
  }, [ask, question]);
  const mine = found.key === question?.key;
  return { all: mine ? found.all : [], done: mine && found.left === 0 };
}
