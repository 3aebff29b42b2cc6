import { breaksDiet } from '../../food/diets';
import type { Allergen } from '../../food/ingredient';
import { message } from '../../message/message';
import { term } from '../../message/term';
import { amended } from '../../order/amended';
import { baseOf, type Stock, stirredIn } from '../../order/changes/stocks';
import type { Aim, Amendment } from '../../order/order';
import { planFor } from '../../plan/plan';
import type { Plan, WeighLine } from '../../plan/types';
import { foodIn } from '../../pot/kitchen';
import type { Recipe } from '../../recipe/recipe';
import { SALT_PER_SODIUM } from '../../salt/salt';
import { bringing, type Fit, type Reason } from '../fits';
import { allergensIn, allergensMoved, type Beside, costOfLines, thickenerBeside } from '../plans';
import { packsFor, type ShoppingLine } from '../shopping';

/** One stock under the pot at hand, beside the others. */
export type Stocked = {
  readonly stock: Stock;
  readonly fit: Fit;
  /** What is poured of it, or stirred into water, g and mL. */
  readonly g: number;
  readonly ml: number | null;
  /** % of salt before any is added at the end, and in the bowl. */
  readonly ownSaltPercent: number;
  readonly saltPercent: number;
  /** g of what thickens with it, and how much more that is than as ordered; null where a share is blended. */
  readonly thickener: Beside | null;
  readonly cost: number | null;
  /** Packs to open; null where it is not bought in packs. */
  readonly packs: ShoppingLine['packs'];
  readonly allergens: readonly Allergen[];
};

/** % by which a soup may be over the house’s salt before it is called salty. */
const OVER = 0.05;

function fitOf(stock: Stock, plan: Plan, order: Aim, as: Plan): Fit {
  const { kitchen } = plan.setup;
  const grave: Reason[] = [];
  const mild: Reason[] = [];
  const good: Reason[] = [];
  const food = foodIn(kitchen, stock.id);
  for (const diet of order.diet ?? [])
    if (breaksDiet(food, diet))
      grave.push({ good: false, says: message('Breaks “{diet}”.', { diet: term(diet) }) });
  if (plan.found.saltPercent > kitchen.saltPercent + OVER)
    grave.push({
      good: false,
      says: message('Too salty: {salt} % where the house has {wanted} %, with none added.', {
        salt: plan.found.saltPercent.toFixed(2),
        wanted: kitchen.saltPercent.toFixed(2),
      }),
    });
  const { brought, saved } = allergensMoved(plan, as);
  const news = bringing(brought, kitchen.flagged ?? []);
  if (news) (news.flagged ? grave : mild).push(news.reason);
  if (saved.length > 0)
    good.push({ good: true, says: message('Saves {saved}.', { saved: { and: saved.map(term) } }) });
  if (stock.id === 'water') mild.push({ good: false, says: message('No taste of its own.') });
  if (stirredIn(stock) > 0)
    mild.push({
      good: false,
      says: message('Its salt comes with it: season last, by tasting.'),
    });
  const grade = grave.length > 0 ? 'does not fit' : mild.length > 1 ? 'with care' : 'fits';
  return { grade, reasons: [...grave, ...mild, ...good] };
}

const lineOf = (plan: Plan, stock: Stock): WeighLine | undefined =>
  plan.weighOut.find((l) => l.ingredient === stock.id);

/** One pot on `stock`, beside `as`, the plan as ordered. Null where the recipe stands on no liquid that could be another. */
export function stockedOn(stock: Stock, recipe: Recipe, order: Aim & Amendment, as: Plan): Stocked | null {
  if (!baseOf(recipe)) return null;
  const { stockMl: _ml, topUp: _topUp, made: _made, ...rest } = order;
  const all = { ...rest, stock: stock.id };
  const plan = planFor(amended(recipe, all), all, as.setup);
  const line = lineOf(plan, stock);
  if (!line) return null;
  const { kitchen } = plan.setup;
  return {
    stock,
    fit: fitOf(stock, plan, order, as),
    g: line.g,
    ml: line.ml,
    ownSaltPercent: (foodIn(kitchen, stock.id).sodium * SALT_PER_SODIUM * (stirredIn(stock) || 1000)) / 1e6,
    saltPercent: plan.found.saltPercent,
    thickener: thickenerBeside(plan, as),
    cost: costOfLines([line], plan.setup),
    packs: packsFor(line.g, kitchen.products?.[stock.id]?.packG),
    allergens: allergensIn(plan),
  };
}
