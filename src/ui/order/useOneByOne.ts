'use client';

import { useMemo } from 'react';
import type { Planner } from '../../workers/planner';
import type { PieceOf, QuestionOf } from '../../workers/served';
import { usePlanner } from '../shared/hooks/usePlanner';
import { useAsked } from '../shared/hooks/useWorker';

type Side = 'compare' | 'finish' | 'stock';

/** All of one kind for the pot asked about, as a worker finds them one after another; `done` once all are. */
export function useOneByOne<K extends Side>(
  kind: K,
  key: string,
  question: QuestionOf<Planner, K> | null,
): { readonly all: readonly NonNullable<PieceOf<Planner, K>>[]; readonly done: boolean } {
  const asked = question ? key : null;
  const answered = useAsked(usePlanner(), kind, asked, () => question as QuestionOf<Planner, K>);
  const mine = answered.key === asked;
  const all = useMemo(
    () => (mine ? answered.pieces.filter((p): p is NonNullable<typeof p> => p != null) : []),
    [mine, answered.pieces],
  );
  return { all, done: mine && answered.done };
}
