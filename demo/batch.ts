import type { BatchEvent, EventBody } from '../src/core/batch/events';
import type { Batch } from '../src/core/batch/record';
import { toRecord } from '../src/core/batch/toRecord';
import { middleOf } from '../src/core/flow/bands';
import { planFor } from '../src/core/plan/plan';
import type { Plan } from '../src/core/plan/types';
import { demoHouse, demoIds, demoRecipe } from './demo';

export { demoIds };

const START = Date.UTC(2026, 0, 31, 16);

/** An event `seconds` into a demo batch; its id tells the order of making. */
export const eventAt = (n: number, seconds: number, body: EventBody, station = 'Opener'): BatchEvent => ({
  id: `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`,
  at: new Date(START + seconds * 1000).toISOString(),
  station,
  body,
});

/** Events in the order given, each [seconds, body]. */
export const eventsAt = (list: readonly (readonly [number, EventBody])[]): readonly BatchEvent[] =>
  list.map(([seconds, body], n) => eventAt(n + 1, seconds, body));

/** A batch of one of the canteen's soups, for tests and benchmarks: nothing tapped yet. */
export function demoBatch(
  id: string,
  {
    litres,
    pot,
    burner,
    events = [],
  }: { litres: number; pot: string; burner: string; events?: readonly BatchEvent[] },
): { readonly batch: Batch; readonly plan: Plan; readonly start: number } {
  const house = demoHouse();
  const recipe = demoRecipe(id);
  const vessel = house.vessels.find((v) => v.id === pot);
  const on = house.burners.find((b) => b.id === burner);
  if (!vessel || !on) throw new Error(`no pot ${pot} or burner ${burner} in the demo`);
  const plan = planFor(
    recipe,
    { litres, target: middleOf(recipe.band, house.kitchen.bandLimits) },
    { vessel, burner: on, kitchen: house.kitchen },
  );
  return {
    plan,
    start: START,
    batch: {
      id: '00000000-0000-4000-8000-999999999999',
      recipeId: id,
      recipeVersion: 1,
      startedAt: new Date(START).toISOString(),
      serveAt: null,
      plan: toRecord(plan, recipe),
      events,
    },
  };
}

/** Every step tapped when the plan says it is over. */
export const byThePlan = (plan: Plan, steps = plan.steps.length): readonly BatchEvent[] =>
  eventsAt(
    plan.steps.slice(0, steps).map((s, step) => [s.startsAt + s.seconds, { kind: 'step-done', step }]),
  );
