'use client';

import { useEffect, useState } from 'react';
import type { Listed, RecipeList } from '../../core/recipe/listed';
import { ask } from '../device/line/api';

/** ms between two askings while something is still being worked out. */
const AGAIN = 300;
/** ms after which a server that did not answer is asked again. */
const LATER = 5000;

export type List = {
  readonly recipes: readonly Listed[];
  /** How many there are in all, and where how many of those are shown to land. */
  readonly all: number;
  readonly landed: number;
  /** One is gone from here: no longer shown among those in use. */
  readonly without: (id: string) => void;
};

/** The list a page came with; the rest of it, and where each lands, as they come. Nothing is asked once all is known, or nobody looks. */
export function useList(first: RecipeList): List {
  const [{ recipes, more }, setList] = useState(first);
  const landed = recipes.filter((r) => r.landing !== null).length;
  const whole = more === 0 && landed === recipes.length;
  useEffect(() => {
    if (whole) return;
    let timer: ReturnType<typeof setTimeout>;
    let gone = false;
    const read = async () => {
      const answer = await ask('GET /api/recipes/list', {});
      if (gone) return;
      if (answer.ok) setList(answer.body);
      if (!answer.ok || answer.body.recipes.some((r) => r.landing === null))
        timer = setTimeout(read, answer.ok ? AGAIN : LATER);
    };
    void read();
    return () => {
      gone = true;
      clearTimeout(timer);
    };
  }, [whole]);
  const without = (id: string) => setList((l) => ({ ...l, recipes: l.recipes.filter((r) => r.id !== id) }));
  return { recipes, all: recipes.length + more, landed, without };
}
