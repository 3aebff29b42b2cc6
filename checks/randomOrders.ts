import { readdirSync, readFileSync } from 'node:fs';
import { FILL_LIMIT, rimVolume } from '../src/core/heat/vessel';
import { houseOf, KitchenFile } from '../src/core/kitchen/kitchenFile';
import { seeded } from '../src/core/maths/random';
import { amended, cannotBe } from '../src/core/order/amended';
import type { Aim } from '../src/core/order/order';
import { WAYS } from '../src/core/order/ways';
import type { Setup } from '../src/core/plan/solve/simulate';
import { Recipe } from '../src/core/recipe/recipe';

/** Something to plan: a recipe as it is cooked, for so much, so thick, where. */
export type RandomOrder = { readonly recipe: Recipe; readonly aim: Aim; readonly setup: Setup };

const HOUSE = houseOf(KitchenFile.parse(JSON.parse(readFileSync('demo/kitchen.json', 'utf8'))), 1);
const RECIPES = readdirSync('demo/recipes').map((file) =>
  Recipe.parse(JSON.parse(readFileSync(`demo/recipes/${file}`, 'utf8'))),
);

/** The ways there were when checks/plans.json was written: another in their midst would make other orders of the same seed. */
const KNOWN = WAYS.filter((w) => w.kind !== 'glutinous rice');

/**
 * `count` orders of the demo’s recipes, the same for the same seed: any size its pots hold, any thickness, half of
 * them thickened another way.
 */
export function randomOrders(count: number, seed: number): readonly RandomOrder[] {
  const uniform = seeded(seed);
  const between = (low: number, high: number) => low * (high / low) ** uniform();
  const oneOf = <T>(all: readonly T[]): T => all[Math.floor(uniform() * all.length)] as T;
  return Array.from({ length: count }, () => {
    const written = oneOf(RECIPES);
    const litres = Math.round(between(1, 40) * 10) / 10;
    const roomy = HOUSE.vessels.filter((v) => rimVolume(v) * FILL_LIMIT >= litres * 1200);
    const way = uniform() < 0.5 ? oneOf(KNOWN) : null;
    const share = oneOf([0.5, 1]);
    const vessel = oneOf(roomy.length > 0 ? roomy : HOUSE.vessels.slice(-1));
    const burner = oneOf(HOUSE.burners);
    const aim = {
      litres,
      target: Math.round(between(30, 900)),
      ...(uniform() < 0.2 && { rich: Math.round(between(2, 12) * 10) / 10 }),
    };
    const changes = way && cannotBe(written, share) === null ? { way: way.id, share } : {};
    return {
      recipe: amended(written, changes),
      aim,
      setup: { vessel, burner, kitchen: HOUSE.kitchen },
    };
  });
}
