'use client';

import { useEffect, useMemo, useRef, useState } from 'react';
import { planFor } from '../../core/plan/plan';
import type { Recipe } from '../../core/plan/recipe';
import type { Stand } from '../../core/plan/simulate';
import type { Order, Plan } from '../../core/plan/types';
import type { Answer, Question } from '../../workers/secondThoughts';
import type { Stores, Wish } from './request';

/** The finger has to rest this long, ms, before the worker is asked. */
const REST = 90;

export type Planned = {
  readonly plan: Plan;
  readonly recipe: Recipe;
  /** Of the last wish that was thought through; null until the first is. */
  readonly thoughts: Answer | null;
  /** True while `thoughts` is about an earlier wish. */
  readonly thinking: boolean;
};

const find = <T extends { id: string }>(all: readonly T[], id: string): T => {
  const found = all.find((x) => x.id === id) ?? all[0];
  if (!found) throw new RangeError('the house is empty');
  return found;
};

/** Plans `wish` as it changes, on the page itself so that it follows a finger; doubts come from a worker. */
export function usePlan({ house, recipes }: Stores, wish: Wish): Planned {
  const recipe = find(recipes, wish.recipeId);
  const vessel = find(house.vessels, wish.vesselId);
  const burner = find(house.burners, wish.burnerId);
  const { litres, viscosity, rule, colour } = wish;

  const last = useRef<Plan>(undefined);
  const { plan, question } = useMemo(() => {
    const order: Order = { litres, viscosity, rule, colour };
    const stand: Stand = { vessel, burner, kitchen: house.kitchen };
    const plan = planFor(recipe, order, stand, last.current);
    last.current = plan;
    const key = JSON.stringify([recipe.id, order, vessel.id, burner.id]);
    return { plan, question: { key, recipe, order, stand } satisfies Question };
  }, [recipe, litres, viscosity, rule, colour, vessel, burner, house.kitchen]);

  const [thoughts, setThoughts] = useState<Answer | null>(null);
  const worker = useRef<Worker>(undefined);
  useEffect(() => {
    const w = new Worker(new URL('../../workers/secondThoughts.ts', import.meta.url), { type: 'module' });
    w.onmessage = ({ data }: MessageEvent<Answer>) => setThoughts(data);
    worker.current = w;
    return () => w.terminate();
  }, []);
  useEffect(() => {
    const timer = setTimeout(() => worker.current?.postMessage(question), REST);
    return () => clearTimeout(timer);
  }, [question]);

  return { plan, recipe, thoughts, thinking: thoughts?.key !== question.key };
}
