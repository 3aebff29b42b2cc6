import { middleOf } from '../../core/flow/bands';
import { DIETS } from '../../core/food/diets';
import { FILL_LIMIT, rimVolume } from '../../core/heat/vessel';
import type { House } from '../../core/kitchen/house';
import { type Message, message } from '../../core/message/message';
import { cannotBe } from '../../core/order/amended';
import { ORDER_BOUNDS, USUAL_LITRES, USUAL_TIME } from '../../core/order/bounds';
import { finishOf } from '../../core/order/changes/finishes';
import { GARNISHES, MOST_GARNISHES } from '../../core/order/changes/garnishes';
import { GENTLY } from '../../core/order/changes/gently';
import { makingOf } from '../../core/order/changes/makings';
import { MADE, stockOf } from '../../core/order/changes/stocks';
import { hasWine } from '../../core/order/changes/wine';
import type { Amendment, Order, TimedOrder } from '../../core/order/order';
import { AS_WRITTEN, wayOf } from '../../core/order/ways';
import type { Recipe } from '../../core/recipe/recipe';
import { EQUAL_PARTS } from '../../core/thicken/equalParts';
import { ROUX_COLOURS } from '../../core/thicken/granules';
import type { Stores } from './stores';

const oneOf = <T extends string>(all: readonly T[], text: string | undefined): T | undefined =>
  all.find((x) => x === text);

const numberIn = (text: string | undefined, [low, high]: readonly [number, number]): number | undefined => {
  const n = Number(text);
  return text !== undefined && text.trim() !== '' && n >= low && n <= high ? n : undefined;
};

/** The part of the recipe's thickening another way may do. */
export const SHARES = [0.25, 0.5, 0.75, 1] as const;

function amendmentFrom(query: Record<string, string | undefined>, recipe: Recipe): Amendment {
  const way = wayOf(query.way);
  const share = numberIn(query.share, ORDER_BOUNDS.share) ?? 1;
  const moreFat = numberIn(query.butter, ORDER_BOUNDS.moreFat);
  const moreSimmer = numberIn(query.longer, ORDER_BOUNDS.moreSimmer);
  const liquidAt = numberIn(query.liquid, ORDER_BOUNDS.liquidAt);
  const dairy = oneOf(GENTLY, query.dairy);
  const finish = finishOf(query.finish);
  const stock = stockOf(query.stock);
  const made = oneOf(MADE, query.made);
  const stockMl = numberIn(query.stockMl, ORDER_BOUNDS.stockMl);
  const topUp = stockOf(query.topUp);
  const wineTo = numberIn(query.wine, ORDER_BOUNDS.wineTo);
  const diet = DIETS.filter((d) => (query.without ?? '').split(',').includes(d));
  const rich = numberIn(query.fat, ORDER_BOUNDS.rich);
  const finishMl = numberIn(query.dairyMl, ORDER_BOUNDS.finishMl);
  return {
    ...(way && way !== AS_WRITTEN && cannotBe(recipe, share) === null && { way: way.id, share }),
    ...(query.as === 'written' && { asWritten: true as const }),
    ...(moreFat !== undefined && { moreFat }),
    ...(moreSimmer !== undefined && { moreSimmer }),
    ...(liquidAt !== undefined && { liquidAt }),
    ...(dairy !== undefined && { dairy }),
    ...(diet.length > 0 && { diet }),
    ...(wineTo !== undefined && hasWine(recipe) && { wineTo }),
    ...(stock && {
      stock: stock.id,
      ...(made && makingOf(stock.id) && { made }),
      ...(stockMl !== undefined && { stockMl, ...(topUp && { topUp: topUp.id }) }),
    }),
    ...(finish && {
      finish: finish.id,
      ...(rich !== undefined ? { rich } : finishMl !== undefined && { finishMl }),
    }),
  };
}

/** Something an address says that cannot be taken as it is: another stands in its place. */
export type Misread = { readonly field: string; readonly given: string; readonly allowed: Message };

/** Figures an address may say, by what they are of. */
const FIGURES: Readonly<Record<string, readonly [number, number]>> = {
  litres: ORDER_BOUNDS.litres,
  target: ORDER_BOUNDS.target,
  share: ORDER_BOUNDS.share,
  butter: ORDER_BOUNDS.moreFat,
  longer: ORDER_BOUNDS.moreSimmer,
  liquid: ORDER_BOUNDS.liquidAt,
  fat: ORDER_BOUNDS.rich,
  dairyMl: ORDER_BOUNDS.finishMl,
  ladle: ORDER_BOUNDS.ladleMl,
  wine: ORDER_BOUNDS.wineTo,
  stockMl: ORDER_BOUNDS.stockMl,
};

/** What of an address cannot be taken: figures that are none or out of bounds, and pots, burners, soups and ways nobody here has. */
export function misread(
  query: Record<string, string | undefined>,
  { house, soups }: { readonly house: House; readonly soups: readonly { readonly id: string }[] },
): readonly Misread[] {
  const listed = (all: readonly { readonly id: string }[]): Message =>
    message('one of {known}', { known: { listed: all.map((x) => x.id) } });
  const ids = (all: readonly string[]) => all.map((id) => ({ id }));
  const known: Readonly<Record<string, readonly { readonly id: string }[]>> = {
    recipe: soups,
    pot: house.vessels,
    burner: house.burners,
    stockPot: house.vessels,
    stockBurner: house.burners,
    rule: ids(EQUAL_PARTS),
    colour: ids(ROUX_COLOURS),
    dairy: ids(GENTLY),
  };
  const found: Misread[] = [];
  for (const [field, given] of Object.entries(query)) {
    if (given === undefined) continue;
    const bounds = FIGURES[field];
    if (bounds && numberIn(given, bounds) === undefined)
      found.push({
        field,
        given,
        allowed: message('a number from {low} to {high}', { low: bounds[0], high: bounds[1] }),
      });
    const all = known[field];
    if (all && !all.some((x) => x.id === given)) found.push({ field, given, allowed: listed(all) });
    if (field === 'way' && !wayOf(given))
      found.push({ field, given, allowed: message('a way of thickening') });
    if (field === 'at' && !/^([01]\d|2[0-3]):[0-5]\d$/.test(given))
      found.push({ field, given, allowed: message('a time such as 18:30') });
  }
  return found;
}

/** The order an address asks for; whatever it leaves out or gets wrong falls back to the house's first. Null in an empty house. */
export function orderFrom(
  query: Record<string, string | undefined>,
  { house, recipes }: Stores,
): TimedOrder | null {
  const recipe = recipes.find((r) => r.id === query.recipe) ?? recipes[0];
  const garnish = GARNISHES.map((g) => g.id)
    .filter((id) => (query.garnish ?? '').split(',').includes(id))
    .slice(0, MOST_GARNISHES);
  const ladleMl = numberIn(query.ladle, ORDER_BOUNDS.ladleMl);
  const litres = numberIn(query.litres, ORDER_BOUNDS.litres) ?? USUAL_LITRES;
  const roomy = house.vessels.find((v) => rimVolume(v) * FILL_LIMIT >= litres * 1000);
  const vessel = house.vessels.find((v) => v.id === query.pot) ?? roomy ?? house.vessels.at(-1);
  const burner = house.burners.find((b) => b.id === query.burner) ?? house.burners[0];
  if (!recipe || !vessel || !burner) return null;
  return {
    recipeId: recipe.id,
    litres,
    target:
      numberIn(query.target, ORDER_BOUNDS.target) ??
      Math.round(middleOf(recipe.band, house.kitchen.bandLimits)),
    vesselId: vessel.id,
    burnerId: burner.id,
    rule: oneOf(EQUAL_PARTS, query.rule),
    colour: oneOf(ROUX_COLOURS, query.colour),
    ...amendmentFrom(query, recipe),
    ...(garnish.length > 0 && { garnish }),
    ...(ladleMl !== undefined && garnish.length > 0 && { ladleMl }),
    ...(house.vessels.some((v) => v.id === query.stockPot) && { stockPotId: query.stockPot }),
    ...(house.burners.some((b) => b.id === query.stockBurner) && { stockBurnerId: query.stockBurner }),
    serveAt: /^([01]\d|2[0-3]):[0-5]\d$/.test(query.at ?? '') ? (query.at ?? '') : USUAL_TIME,
  };
}

/** What the address says after its question mark. */
export function queryOf(order: TimedOrder): URLSearchParams {
  return new URLSearchParams({
    recipe: order.recipeId,
    litres: String(order.litres),
    target: String(Math.round(order.target)),
    pot: order.vesselId,
    burner: order.burnerId,
    at: order.serveAt,
    ...(order.rule && { rule: order.rule }),
    ...(order.colour && { colour: order.colour }),
    ...(order.way && { way: order.way, share: String(order.share ?? 1) }),
    ...(order.asWritten && { as: 'written' }),
    ...(order.moreFat && { butter: String(order.moreFat) }),
    ...(order.moreSimmer && { longer: String(order.moreSimmer) }),
    ...(order.liquidAt !== undefined && { liquid: String(order.liquidAt) }),
    ...(order.dairy && { dairy: order.dairy }),
    ...(order.diet?.length && { without: order.diet.join(',') }),
    ...(order.garnish?.length && { garnish: order.garnish.join(',') }),
    ...(order.garnish?.length && order.ladleMl !== undefined && { ladle: String(order.ladleMl) }),
    ...(order.wineTo !== undefined && { wine: String(order.wineTo) }),
    ...(order.stock && { stock: order.stock }),
    ...(order.stock && order.made && { made: order.made }),
    ...(order.stock && order.stockMl !== undefined && { stockMl: String(order.stockMl) }),
    ...(order.stock && order.topUp && { topUp: order.topUp }),
    ...(order.made && order.stockPotId && { stockPot: order.stockPotId }),
    ...(order.made && order.stockBurnerId && { stockBurner: order.stockBurnerId }),
    ...(order.finish && { finish: order.finish }),
    ...(order.finish && order.rich !== undefined && { fat: String(order.rich) }),
    ...(order.finish && order.finishMl !== undefined && { dairyMl: String(order.finishMl) }),
  });
}

/** The address that brings this order back. */
export const addressOf = (order: TimedOrder): string => `/plan?${queryOf(order)}`;

/** An order as the server takes it: its time goes along as a moment. */
export const requestOf = ({
  serveAt: _words,
  stockPotId: _pot,
  stockBurnerId: _burner,
  ...order
}: TimedOrder): Order => order;
