'use client';

import '../../core/food/load';
import { useMemo, useRef, useState } from 'react';
import type { Learned } from '../../core/compare/learned';
import type { Multiplied } from '../../core/compare/multiplied';
import type { OrderIn, Remedy } from '../../core/compare/remedies';
import type { Scaled } from '../../core/compare/scaling';
import type { Doubt } from '../../core/doubt/uncertainty';
import { DIETS } from '../../core/food/diets';
import { amended } from '../../core/order/amended';
import type { Aim, TimedOrder } from '../../core/order/order';
import { type Begun, planBegun, planFor } from '../../core/plan/plan';
import type { Setup } from '../../core/plan/solve/simulate';
import type { Plan } from '../../core/plan/types';
import type { Recipe } from '../../core/recipe/recipe';
import type { Sampled, Thought } from '../../workers/planner';
import { amendmentOf, type Stores } from '../order/stores';
import { usePlanner } from '../shared/hooks/usePlanner';
import { type Answered, useAsked } from '../shared/hooks/useWorker';

/** The finger has to rest this long, ms, before the worker is asked. */
const REST = 90;
/** Cooked in thought to count how many land. */
const SAMPLES = 500;

export type Thoughts = {
  readonly key: string;
  readonly doubt: Doubt;
  readonly multiplied: Multiplied;
  /** What it owes to what the kitchen has learned; null where nothing, or not known yet. */
  readonly learned: Learned | null;
  /** Samples cooked so far, and what they said once all were. */
  readonly progress: number;
  readonly sampled: Sampled | null;
};

export type PlannedHere = {
  readonly plan: Plan;
  /** As it is cooked: the stored recipe with what the order changes. */
  readonly recipe: Recipe;
  /** As the house writes it. */
  readonly written: Recipe;
  readonly setup: Setup;
  /** Of the last order that was thought through; null until the first is. */
  readonly thoughts: Thoughts | null;
  /** True while `thoughts` is about an earlier order. */
  readonly thinking: boolean;
  readonly remedies: Readonly<Record<string, readonly Remedy[]>> | null;
  readonly sizes: readonly Scaled[] | null;
  /** Asks the worker for what only some need. */
  readonly work: (kind: 'remedies' | 'scaling') => void;
};

/** What is known of an order by what the worker has told of it. */
function thoughtsOf({ key, pieces }: Answered<unknown, Thought>): Thoughts | null {
  const [first] = pieces;
  const last = pieces.at(-1);
  if (!first || !last || !('doubt' in first)) return null;
  const sampled = 'sampled' in last ? last.sampled : null;
  const learned = pieces.flatMap((p) => ('learned' in p && p.learned ? [p.learned] : []))[0] ?? null;
  const progress = sampled ? 1 : 'sampling' in last ? last.sampling : 0;
  return { key, ...first, learned, progress, sampled };
}

const find = <T extends { id: string }>(all: readonly T[], id: string): T => {
  const found = all.find((x) => x.id === id) ?? all[0];
  if (!found) throw new RangeError('the house is empty');
  return found;
};

/**
 * Plans `order` as it changes, the first as it was `begun`, on the page itself so that it follows a finger; the
 * rest comes from a worker.
 */
export function usePlan({ house, recipes }: Stores, order: TimedOrder, begun?: Begun): PlannedHere {
  const written = find(recipes, order.recipeId);
  const vessel = find(house.vessels, order.vesselId);
  const burner = find(house.burners, order.burnerId);
  const { litres, target, rich } = order;
  const diet = order.diet?.join(',') ?? '';
  const changes = JSON.stringify(amendmentOf(order));
  const recipe = useMemo(() => amended(written, JSON.parse(changes)), [written, changes]);
  const setup = useMemo<Setup>(
    () => ({ vessel, burner, kitchen: house.kitchen }),
    [vessel, burner, house.kitchen],
  );

  const last = useRef<{ recipe: Recipe; plan: Plan }>(undefined);
  const beginning = useRef(begun);
  const { plan, aim, key } = useMemo(() => {
    const aim: Aim = {
      litres,
      target,
      ...(rich !== undefined && { rich }),
      ...(diet && { diet: DIETS.filter((d) => diet.split(',').includes(d)) }),
    };
    const near = last.current?.recipe === recipe ? last.current.plan : undefined;
    const made =
      !last.current && beginning.current
        ? planBegun(recipe, aim, setup, beginning.current)
        : planFor(recipe, aim, setup, near);
    last.current = { recipe, plan: made };
    return { plan: made, aim, key: JSON.stringify([recipe.id, changes, aim, vessel.id, burner.id]) };
  }, [recipe, changes, litres, target, rich, diet, setup, vessel.id, burner.id]);

  const planner = usePlanner();
  const asked = useAsked(
    planner,
    'think',
    key,
    () => ({ recipe, aim, setup, dosing: plan.solved.dosing, samples: SAMPLES }),
    REST,
  );
  const ordered: OrderIn = { house, recipe: written, order };
  const [wanted, setWanted] = useState<{ readonly [K in 'remedies' | 'scaling']?: string }>({});
  const scaled = useAsked(planner, 'scaling', wanted.scaling ?? null, () => ordered);
  const remedied = useAsked(planner, 'remedies', wanted.remedies ?? null, () => {
    const { warnings, peakMl, fillLimitMl, found } = plan;
    return { ordered, plan: { warnings, peakMl, fillLimitMl, found } };
  });
  return {
    plan,
    recipe,
    written,
    setup,
    thoughts: thoughtsOf(asked),
    thinking: asked.key !== key,
    remedies: (remedied.key === key && remedied.pieces[0]) || null,
    sizes: (scaled.key === key && scaled.pieces[0]) || null,
    work: (kind) => setWanted((w) => ({ ...w, [kind]: key })),
  };
}
