'use client';

import { useEffect, useState } from 'react';
import type { Finished } from '../../core/compare/beside/finished';
import type { Stocked } from '../../core/compare/beside/stocked';
import type { Compared } from '../../core/compare/compare';
import type { PlannerAnswer, PlannerQuestion } from '../../workers/planner';
import { usePlanner } from '../shared/hooks/usePlanner';

/** What a worker answers one after another: the kind of the question and of its answers, and what tells one from another. */
type Answers = {
  readonly compare: { readonly one: Compared; readonly told: 'compared' };
  readonly finish: { readonly one: Finished; readonly told: 'finished' };
  readonly stock: { readonly one: Stocked; readonly told: 'stocked' };
};
type Asked = keyof Answers;

const TOLD: { readonly [K in Asked]: Answers[K]['told'] } = {
  compare: 'compared',
  finish: 'finished',
  stock: 'stocked',
};

const idOf = (one: Compared | Finished | Stocked): string =>
  'way' in one ? one.way.id : 'finish' in one ? one.finish.id : one.stock.id;

/** All of one kind for the pot asked about, each once, as a worker finds them one after another; `done` once all are. */
export function useOneByOne<K extends Asked>(
  kind: K,
  question: Extract<PlannerQuestion, { kind: K }> | null,
): { readonly all: readonly Answers[K]['one'][]; readonly done: boolean } {
  type One = Answers[K]['one'];
  const [found, setFound] = useState<{ key: string; all: readonly One[]; left: number }>({
    key: '',
    all: [],
    left: 1,
  });
  const ask = usePlanner((told: PlannerAnswer) => {
    if (told.kind !== TOLD[kind] || !('one' in told)) return;
    const { key, left } = told;
    const one = told.one as One | null;
    setFound((f) => {
      const all = f.key === key ? f.all : [];
      const known = !one || all.some((c) => idOf(c) === idOf(one));
      return { key, all: known ? all : [...all, one], left };
    });
  });
  useEffect(() => {
    if (question) ask(question);
  }, [ask, question]);
  const asked: PlannerQuestion | null = question;
  const mine = found.key === asked?.key;
  return { all: mine ? found.all : [], done: mine && found.left === 0 };
}
