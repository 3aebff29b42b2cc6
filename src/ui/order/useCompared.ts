'use client';

import { useEffect, useState } from 'react';
import type { Compared } from '../../core/compare/compare';
import type { PlannerQuestion } from '../../workers/planner';
import { usePlanner } from '../shared/usePlanner';

type Question = Extract<PlannerQuestion, { kind: 'compare' }>;

/** Every way of thickening the pot asked about, as a worker finds them one after another; each once. */
export function useCompared(question: Question | null): readonly Compared[] {
  const [found, setFound] = useState<{ key: string; all: readonly Compared[] }>({ key: '', all: [] });
  const ask = usePlanner((told) => {
    if (told.kind !== 'compared') return;
    const { key, one } = told;
    setFound((f) => {
      if (f.key !== key) return { key, all: [one] };
      return f.all.some((c) => c.way.id === one.way.id) ? f : { key, all: [...f.all, one] };
    });
  });
  useEffect(() => {
    if (question) ask(question);
  }, [ask, question]);
  return found.key === question?.key ? found.all : [];
}
