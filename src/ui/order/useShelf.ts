'use client';

import { useCallback, useRef, useState } from 'react';
import { type Message, message } from '../../core/message/message';
import type { Recipe } from '../../core/recipe/recipe';
import { ask, problemWords } from '../device/line/api';
import type { Shelf } from './stores';

export type OnShelf = {
  /** With every recipe that was chosen so far. */
  readonly stores: Shelf;
  /** Fetches the recipe of that id unless it is known, and calls `then` with it once it is; a later choice takes an earlier one’s place. */
  readonly choose: (id: string, then: (recipe: Recipe) => void) => void;
  /** Fetches those of these that are on the shelf and not known yet. */
  readonly need: (ids: readonly string[]) => void;
  /** Why the last one chosen did not come; null when it did. */
  readonly refused: Message | null;
};

const fetched = (id: string) => ask('GET /api/recipes/[id]', { at: { id }, query: { as: 'read' } });

const withRecipe = (s: Shelf, recipe: Recipe): Shelf =>
  s.recipes.some((r) => r.id === recipe.id) ? s : { ...s, recipes: [...s.recipes, recipe] };

/** The recipes of a page: the one it came with, and those chosen since. */
export function useShelf(first: Shelf): OnShelf {
  const [stores, setStores] = useState(first);
  const [refused, setRefused] = useState<Message | null>(null);
  const wanted = useRef('');
  const choose = useCallback(
    async (id: string, then: (recipe: Recipe) => void) => {
      wanted.current = id;
      const known = stores.recipes.find((r) => r.id === id);
      if (known) {
        setRefused(null);
        return then(known);
      }
      const answer = await fetched(id);
      if (wanted.current !== id) return;
      if (!answer.ok)
        return setRefused(
          message('That recipe could not be fetched: {why}', { why: problemWords(answer.problems) }),
        );
      setRefused(null);
      setStores((s) => withRecipe(s, answer.body));
      then(answer.body);
    },
    [stores.recipes],
  );
  const fetching = useRef(new Set<string>());
  const need = useCallback(
    (ids: readonly string[]) => {
      for (const id of new Set(ids)) {
        const here = stores.recipes.some((r) => r.id === id) || !stores.soups.some((s) => s.id === id);
        if (here || fetching.current.has(id)) continue;
        fetching.current.add(id);
        void fetched(id).then((answer) => {
          fetching.current.delete(id);
          if (answer.ok) setStores((s) => withRecipe(s, answer.body));
        });
      }
    },
    [stores],
  );
  return { stores, choose, need, refused };
}
