'use client';

import { useCallback, useRef, useState } from 'react';
import { type Message, message } from '../../core/message/message';
import type { Recipe } from '../../core/recipe/recipe';
import { ask, problemWords } from '../station/line/api';
import type { Shelf } from './stores';

export type OnShelf = {
  /** With every recipe that was chosen so far. */
  readonly stores: Shelf;
  /** Fetches the recipe of that id unless it is known, and calls `then` with it once it is; a later choice takes an earlier one’s place. */
  readonly choose: (id: string, then: (recipe: Recipe) => void) => void;
  /** Why the last one chosen did not come; null when it did. */
  readonly refused: Message | null;
};

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
      const answer = await ask<Recipe>('GET', `/api/recipes/${encodeURIComponent(id)}?as=read`);
      if (wanted.current !== id) return;
      if (!answer.ok)
        return setRefused(
          message('That recipe could not be fetched: {why}', { why: problemWords(answer.problems) }),
        );
      setRefused(null);
      setStores((s) => ({ ...s, recipes: [...s.recipes, answer.body] }));
      then(answer.body);
    },
    [stores.recipes],
  );
  return { stores, choose, refused };
}
