import type { House } from '../../core/kitchen/house';
import { amended } from '../../core/order/amended';
import { makingIn, stockRecipe } from '../../core/order/changes/makings';
import type { Order } from '../../core/order/order';
import { planFor } from '../../core/plan/plan';
import type { Plan, WarningKind } from '../../core/plan/types';
import { warningWords } from '../../core/plan/warningWords';
import { Recipe } from '../../core/recipe/recipe';
import type { Show } from '../../core/units/shown/show';
import type { Queryable } from '../data/database';
import { readHouse } from '../queries/kitchen';
import { type RecipeBody, readRecipe, readRecipeNames } from '../queries/recipes';
import { cannot, unknown } from '../refusal';

export type Planned = {
  readonly house: House;
  readonly plan: Plan;
  /** As it is cooked: the stored one with what the request changes. */
  readonly recipe: Recipe;
  readonly recipeVersion: number;
  /** The recipe as it is to be kept, where the house has none of it yet. */
  readonly keeps?: RecipeBody;
};

/** Plans `order` in the stored house. Refuses an unknown recipe, pot or burner, naming those there are. */
export async function planStored(db: Queryable, order: Order): Promise<Planned> {
  const house = await readHouse(db);
  if (!house) throw unknown('kitchen', 'none', []);
  const stored = await readRecipe(db, house.id, order.recipeId);
  const made = stored ? null : makingIn(order.recipeId);
  if (!stored && !made) {
    const known = await readRecipeNames(db, house.id);
    throw unknown(
      'recipeId',
      order.recipeId,
      known.map((r) => r.id),
    );
  }
  const vessel = house.vessels.find((v) => v.id === order.vesselId);
  if (!vessel)
    throw unknown(
      'vesselId',
      order.vesselId,
      house.vessels.map((v) => v.id),
    );
  const burner = house.burners.find((b) => b.id === order.burnerId);
  if (!burner)
    throw unknown(
      'burnerId',
      order.burnerId,
      house.burners.map((b) => b.id),
    );
  const keeps = made ? stockRecipe(made.making, made.made, { vessel, burner }) : undefined;
  const written = stored?.recipe ?? Recipe.parse(keeps);
  const recipe = amended(written, order);
  const plan = planFor(recipe, order, { vessel, burner, kitchen: house.kitchen });
  return {
    house,
    plan,
    recipe,
    recipeVersion: stored?.version ?? 1,
    ...(keeps && { keeps }),
  };
}

/** Which field a plan that cannot be cooked is laid to; to its recipe where it is none of these. */
const FIELD_OF: { readonly [K in WarningKind]?: keyof Order } = {
  diet: 'diet',
  overflow: 'litres',
  stalled: 'burnerId',
  'no room for liquid': 'litres',
  'boils away': 'litres',
  'too thick without': 'target',
  'too thin with all': 'target',
};

/** Refuses a plan that has a reason to stop: it does not fit, does not boil, or misses its target. */
export function refuseUncookable(plan: Plan, show: Show): void {
  const stop = plan.warnings.find((w) => w.severity === 'stop');
  if (!stop) return;
  const said = warningWords(stop);
  throw cannot(FIELD_OF[stop.kind] ?? 'recipeId', said.says, said.do, show);
}
