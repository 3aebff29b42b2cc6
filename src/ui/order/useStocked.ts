'use client';

import { useEffect, useState } from 'react';
import type { Stocked } from '../../core/compare/stocked';
import type { PlannerQuestion } from '../../workers/planner';
import { usePlanner } from '../shared/usePlanner';

type Question = Extract<PlannerQuestion, { kind: 'stock' }>;

/** Every stock for the pot asked about, as a worker finds them one after another; `done` once all are. */
export function useStocked(question: Question | null): {
  readonly all: readonly Stocked[];
  readonly done: boolean;
} {
  const [found, setFound] = useState<{ key: string; all: readonly Stocked[]; left: number }>({
    key: '',
    all: [],
    left: 1,
  });
  const ask = usePlanner((told) => {
    if (told.kind !== 'stocked') return;
    const { key, one, left } = told;
    setFound((f) => {
      const all = f.key === key ? f.all : [];
      const known = !one || all.some((s) => s.stock.id === one.stock.id);
      return { key, all: known ? all : [...all, one], left };
    });
  });
  useEffect(() => {
    if (question) ask(question);
  }, [ask, question]);
  const mine = found.key === question?.key;
  return { all: mine ? found.all : [], done: mine && found.left === 0 };
}
