'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import type { RecipeForm } from './form';

type Kept = { readonly version: number | null; readonly form: RecipeForm };

const read = (key: string): Kept | null => {
  try {
    return JSON.parse(localStorage.getItem(key) ?? 'null') as Kept | null;
  } catch {
    return null;
  }
};

/** Typing has to rest this long, ms, before it is kept. */
const REST = 400;

/**
 * Unsaved changes kept on this device, so that a closed tab loses nothing. What was kept is offered back only
 * over the version it was typed on.
 */
export function useKept(id: string, version: number | null) {
  const key = `panache.draft.${id}`;
  const [found, setFound] = useState(false);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  useEffect(() => {
    const kept = read(key);
    setFound(kept !== null && kept.version === version);
    return () => clearTimeout(timer.current);
  }, [key, version]);
  const keep = useCallback(
    (form: RecipeForm) => {
      clearTimeout(timer.current);
      timer.current = setTimeout(() => localStorage.setItem(key, JSON.stringify({ version, form })), REST);
    },
    [key, version],
  );
  const forget = useCallback(() => {
    clearTimeout(timer.current);
    localStorage.removeItem(key);
    setFound(false);
  }, [key]);
  const take = useCallback((): RecipeForm | null => {
    setFound(false);
    return read(key)?.form ?? null;
  }, [key]);
  return { found, keep, forget, take };
}
