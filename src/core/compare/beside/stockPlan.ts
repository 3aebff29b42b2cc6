import { bandOf, middleOf } from '../../flow/bands';
import type { Burner } from '../../heat/burner';
import { holding, type Vessel } from '../../heat/vessel';
import type { House } from '../../kitchen/house';
import {
  coversTimes,
  type Making,
  makingOf,
  type Strength,
  stockRecipe,
  stockRecipeId,
  strengthOf,
} from '../../order/changes/makings';
import type { Amendment, Order } from '../../order/order';
import { planFor } from '../../plan/plan';
import type { Plan } from '../../plan/types';
import { portionsIn } from '../../pot/contents/portions';
import type { Portion } from '../../pot/step';
import { Recipe } from '../../recipe/recipe';

/** A stock made here for a soup: a plan of its own, in its own pot. */
export type StockPlan = {
  readonly making: Making;
  readonly plan: Plan;
  /** What starts it as a batch. */
  readonly order: Order;
  /** mL the soup takes of it. */
  readonly ml: number;
  readonly strength: Strength;
  /** Times as high as what lies in the pot the water stands. */
  readonly covers: number;
  /** s after the soup's flame is lit that it is wanted. */
  readonly wantedAt: number;
};

/** Litres a stock is planned for: to a tenth, and none is worth less. */
const litresOf = (ml: number): number => Math.max(0.5, Math.ceil(ml / 100) / 10);

/** Room a stock takes beside its litres: what is strained off, and what goes off as steam. */
const ROOM = 1.9;

/** Where a stock is asked to be made; open where it is not said. */
export type StockStand = {
  readonly stockPotId?: string | undefined;
  readonly stockBurnerId?: string | undefined;
};

/**
 * Where a stock is made: in the pot and on the burner asked for, else in the smallest that holds it and on the
 * strongest, of those the soup leaves.
 */
function standFor(
  house: House,
  soup: Plan,
  ml: number,
  { stockPotId, stockBurnerId }: StockStand,
): { readonly vessel: Vessel; readonly burner: Burner } | null {
  const pots = house.vessels.filter((v) => v.id !== soup.setup.vessel.id);
  const vessel =
    house.vessels.find((v) => v.id === stockPotId) ??
    holding(pots, ml * ROOM)[0] ??
    pots.at(-1) ??
    house.vessels[0];
  const burners = house.burners
    .filter((b) => b.id !== soup.setup.burner.id)
    .toSorted((a, b) => b.powerW - a.powerW);
  const burner = house.burners.find((b) => b.id === stockBurnerId) ?? burners[0] ?? house.burners[0];
  return vessel && burner ? { vessel, burner } : null;
}

/** The stock a soup's order asks to be made here, planned for what the soup takes of it; null where none is asked for. */
export function stockPlanFor(soup: Plan, order: Amendment & StockStand, house: House): StockPlan | null {
  const making = makingOf(order.stock);
  if (!making || !order.made) return null;
  const line = soup.weighOut.find((l) => l.ingredient === making.id);
  if (!line) return null;
  const ml = line.ml ?? line.g;
  const stand = standFor(house, soup, ml, order);
  if (!stand) return null;
  const recipe = Recipe.parse(stockRecipe(making, order.made, stand));
  const limits = house.kitchen.bandLimits;
  const stockOrder: Order = {
    recipeId: stockRecipeId(making, order.made),
    litres: litresOf(ml),
    target: Math.round(middleOf(bandOf(1, limits), limits)),
    vesselId: stand.vessel.id,
    burnerId: stand.burner.id,
  };
  const plan = planFor(recipe, stockOrder, { ...stand, kitchen: house.kitchen });
  const water = plan.weighOut.find((l) => l.ingredient === 'water');
  const step = soup.steps.find(({ step: s }) =>
    portionsIn<Portion>(s).some((p) => p.ingredient === making.id && p.amount > 0),
  );
  return {
    making,
    plan,
    order: stockOrder,
    ml,
    strength: strengthOf(making),
    covers: coversTimes(making, stockOrder.litres, water?.g ?? 0),
    wantedAt: order.made === 'now' ? (step?.startsAt ?? 0) : 0,
  };
}
