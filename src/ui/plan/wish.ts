import { LADDER_RANGE, middleOf } from '../../core/flow/bands';
import { rimVolume } from '../../core/heat/vessel';
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
    serveAt: /^\d{2}:\d{2}$/.test(query.at ?? '') ? (query.at ?? '') : '18:30',
  };
}

/** The address that brings this wish back. */
export function addressOf(w: Wish): string {
  const query = new URLSearchParams({
    recipe: w.recipeId,
    litres: String(w.litres),
    target: String(Math.round(w.viscosity)),
    pot: w.vesselId,
    burner: w.burnerId,
    at: w.serveAt,
    ...(w.rule && { rule: w.rule }),
    ...(w.colour && { colour: w.colour }),
  });
  return `/plan?${query}`;
}
