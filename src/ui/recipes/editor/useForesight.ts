'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import type { Foresight } from '../../../core/plan/foresee';
import type { RecipeText } from '../../../core/recipe/recipe';
import { ask } from '../../device/line/api';

/** Typing has to rest this long, ms. */
const REST = 200;

/** What the recipe in the editor would come to, worked out on the server as it is typed. */
export function useForesight(): {
  readonly foreseen: Foresight | null;
  /** The server could not be asked; `foreseen` is about an earlier state. */
  readonly away: boolean;
  readonly foresee: (body: RecipeText) => void;
} {
  const [foreseen, setForeseen] = useState<Foresight | null>(null);
  const [away, setAway] = useState(false);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const count = useRef(0);
  const last = useRef('');
  const foresee = useCallback((body: RecipeText) => {
    const text = JSON.stringify(body);
    if (text === last.current) return;
    last.current = text;
    clearTimeout(timer.current);
    timer.current = setTimeout(async () => {
      const mine = ++count.current;
      const answer = await ask('POST /api/foresight', { body: text });
      // A later question has been asked meanwhile: its answer counts.
      if (mine !== count.current) return;
      setAway(!answer.ok);
      if (answer.ok) setForeseen(answer.body);
    }, REST);
  }, []);
  useEffect(() => () => clearTimeout(timer.current), []);
  return { foreseen, away, foresee };
}
