import * as z from 'zod';
import { LADDER_RANGE } from '../../core/flow/bands';
import type { House } from '../../core/house/house';
import { GENTLY } from '../../core/order/gently';
import { AS_WRITTEN, amended, WAYS } from '../../core/order/ways';
import { planFor } from '../../core/plan/plan';
import type { Plan } from '../../core/plan/types';
import type { Recipe } from '../../core/recipe/recipe';
import { EQUAL_PARTS } from '../../core/thicken/equalParts';
import { ROUX_COLOURS } from '../../core/thicken/granules';
import { momentOf } from '../../core/units/moment';
import { numberFrom } from '../../core/units/numberFrom';
import type { Queryable } from '../data/database';
import { readHouse } from '../queries/kitchen';
import { readRecipe, readRecipes } from '../queries/recipes';
import { cannot, unknown } from '../refusal';

export const LITRES_RANGE = [0.2, 500] as const;

const named = (what: string) =>
  z
    .string({ error: `${what} is the id of one` })
    .min(1)
    .max(60);

/** What a plan is asked with. */
export const PlanRequest = z.object({
  recipeId: named('recipeId'),
  litres: numberFrom('litres', ...LITRES_RANGE, 'L'),
  viscosity: numberFrom('viscosity', ...LADDER_RANGE, 'mPa·s'),
  vesselId: named('vesselId'),
  burnerId: named('burnerId'),
  rule: z.enum(EQUAL_PARTS).optional(),
  colour: z.enum(ROUX_COLOURS).optional(),
  way: z.enum([AS_WRITTEN.id, ...WAYS.map((w) => w.id)]).optional(),
  share: numberFrom('share', 0, 1).optional(),
  moreFat: numberFrom('moreFat', 0, 20_000, 'g').optional(),
  moreSimmer: numberFrom('moreSimmer', 0, 240, 'min').optional(),
  liquidAt: numberFrom('liquidAt', 1, 98, '°C').optional(),
  dairy: z.enum(GENTLY).optional(),
});
export type PlanRequest = z.infer<typeof PlanRequest>;

export const StartRequest = PlanRequest.extend({
  id: z.uuid({ error: 'id is a UUID made by the station' }),
  startedAt: momentOf('startedAt'),
  serveAt: momentOf('serveAt').nullish(),
  /** Start although another live batch stands in that pot: the cook was asked. */
  anyway: z.boolean({ error: 'anyway is true or false' }).optional(),
});
export type StartRequest = z.infer<typeof StartRequest>;

export type Planned = {
  readonly house: House;
  readonly plan: Plan;
  /** As it is cooked: the stored one with what the request changes. */
  readonly recipe: Recipe;
  readonly recipeVersion: number;
};

/** Plans `request` in the stored house. Refuses an unknown recipe, pot or burner, naming those there are. */
export async function planStored(db: Queryable, request: PlanRequest): Promise<Planned> {
  const house = await readHouse(db);
  if (!house) throw unknown('kitchen', 'none', []);
  const stored = await readRecipe(db, house.id, request.recipeId);
  if (!stored) {
    const known = await readRecipes(db, house.id);
    throw unknown(
      'recipeId',
      request.recipeId,
      known.map((r) => r.recipe.id),
    );
  }
  const vessel = house.vessels.find((v) => v.id === request.vesselId);
  if (!vessel)
    throw unknown(
      'vesselId',
      request.vesselId,
      house.vessels.map((v) => v.id),
    );
  const burner = house.burners.find((b) => b.id === request.burnerId);
  if (!burner)
    throw unknown(
      'burnerId',
      request.burnerId,
      house.burners.map((b) => b.id),
    );
  const recipe = amended(stored.recipe, request);
  const plan = planFor(recipe, request, { vessel, burner, kitchen: house.kitchen });
  return { house, plan, recipe, recipeVersion: stored.version };
}

/** Which field a plan that cannot be cooked is laid to. */
const FIELD_OF: Record<string, string> = {
  overflow: 'litres',
  'no room for liquid': 'litres',
  'too thick without': 'viscosity',
  'too thin with all': 'viscosity',
};

/** Refuses a plan that has a reason to stop: it does not fit, does not boil, or misses its target. */
export function refuseUncookable(plan: Plan): void {
  const stop = plan.warnings.find((w) => w.severity === 'stop');
  if (stop) throw cannot(FIELD_OF[stop.id] ?? 'burnerId', stop.says, stop.change);
}
