'use client';

import { useEffect, useState } from 'react';
import type { Plan, WeighLine } from '../../../core/plan/types';

type Ticks = Readonly<Record<string, number>>;

const keyOf = (recipeId: string): string => `panache.weighed.${recipeId}`;

const read = (recipeId: string): Ticks => {
  try {
    const stored: unknown = JSON.parse(localStorage.getItem(keyOf(recipeId)) ?? '{}');
    return typeof stored === 'object' && stored !== null ? (stored as Ticks) : {};
  } catch {
    return {};
  }
};

/** What has been weighed for this recipe, kept on this device; each tick remembers the grams it was for. */
export function useTicks(plan: Plan): { ticks: Ticks; tick: (line: WeighLine, ticked: boolean) => void } {
  const [ticks, setTicks] = useState<Ticks>({});
  const { recipeId } = plan;
  useEffect(() => setTicks(read(recipeId)), [recipeId]);
  const tick = (line: WeighLine, ticked: boolean) => {
    const { [line.id]: _old, ...rest } = ticks;
    const next = ticked ? { ...rest, [line.id]: line.g } : rest;
    setTicks(next);
    localStorage.setItem(keyOf(recipeId), JSON.stringify(next));
  };
  return { ticks, tick };
}
