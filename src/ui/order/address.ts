import { LADDER_RANGE, middleOf } from '../../core/flow/bands';
import { rimVolume } from '../../core/heat/vessel';
import { GENTLY } from '../../core/order/gently';
import type { Amendment } from '../../core/order/ways';
import { AS_WRITTEN, cannotBe, wayOf } from '../../core/order/ways';
import type { Recipe } from '../../core/recipe/recipe';
import { EQUAL_PARTS } from '../../core/thicken/equalParts';
import { ROUX_COLOURS } from '../../core/thicken/granules';
import type { Stores, Wish } from './request';

export const MOST_LITRES = 500;
export const LEAST_LITRES = 0.2;

const oneOf = <T extends string>(all: readonly T[], text: string | undefined): T | undefined =>
  all.find((x) => x === text);

const numberIn = (text: string | undefined, low: number, high: number): number | undefined => {
  const n = Number(text);
  return text !== undefined && n >= low && n <= high ? n : undefined;
};

/** The part of the recipe's thickening another way may do. */
export const SHARES = [0.25, 0.5, 0.75, 1] as const;

function amendmentFrom(query: Record<string, string | undefined>, recipe: Recipe): Amendment {
  const way = wayOf(query.way);
  const share = numberIn(query.share, 0.05, 1) ?? 1;
  const moreFat = numberIn(query.butter, 0.1, 20_000);
  const moreSimmer = numberIn(query.longer, 1, 240);
  const liquidAt = numberIn(query.liquid, 1, 98);
  const dairy = oneOf(GENTLY, query.dairy);
  return {
    ...(way && way !== AS_WRITTEN && cannotBe(recipe, share) === null && { way: way.id, share }),
    ...(moreFat !== undefined && { moreFat }),
    ...(moreSimmer !== undefined && { moreSimmer }),
    ...(liquidAt !== undefined && { liquidAt }),
    ...(dairy !== undefined && { dairy }),
  };
}

/** The wish an address asks for; whatever it leaves out or gets wrong falls back to the house's first. Null in an empty house. */
export function wishFrom(query: Record<string, string | undefined>, { house, recipes }: Stores): Wish | null {
  const recipe = recipes.find((r) => r.id === query.recipe) ?? recipes[0];
  const litres = numberIn(query.litres, LEAST_LITRES, MOST_LITRES) ?? 12;
  const roomy = house.vessels.find((v) => rimVolume(v) * 0.8 >= litres * 1000);
  const vessel = house.vessels.find((v) => v.id === query.pot) ?? roomy ?? house.vessels.at(-1);
  const burner = house.burners.find((b) => b.id === query.burner) ?? house.burners[0];
  if (!recipe || !vessel || !burner) return null;
  return {
    recipeId: recipe.id,
    litres,
    viscosity:
      numberIn(query.target, ...LADDER_RANGE) ?? Math.round(middleOf(recipe.band, house.kitchen.bandLimits)),
    vesselId: vessel.id,
    burnerId: burner.id,
    rule: oneOf(EQUAL_PARTS, query.rule),
    colour: oneOf(ROUX_COLOURS, query.colour),
    ...amendmentFrom(query, recipe),
    serveAt: /^\d{2}:\d{2}$/.test(query.at ?? '') ? (query.at ?? '') : '18:30',
  };
}

/** What the address says after its question mark. */
export function queryOf(w: Wish): URLSearchParams {
  return new URLSearchParams({
    recipe: w.recipeId,
    litres: String(w.litres),
    target: String(Math.round(w.viscosity)),
    pot: w.vesselId,
    burner: w.burnerId,
    at: w.serveAt,
    ...(w.rule && { rule: w.rule }),
    ...(w.colour && { colour: w.colour }),
    ...(w.way && { way: w.way, share: String(w.share ?? 1) }),
    ...(w.moreFat && { butter: String(w.moreFat) }),
    ...(w.moreSimmer && { longer: String(w.moreSimmer) }),
    ...(w.liquidAt !== undefined && { liquid: String(w.liquidAt) }),
    ...(w.dairy && { dairy: w.dairy }),
  });
}

/** The address that brings this wish back. */
export const addressOf = (w: Wish): string => `/plan?${queryOf(w)}`;

/** A wish as {@link StartRequest} and the plan's exports ask for it. */
export const requestOf = ({ serveAt: _words, ...w }: Wish) => w;
