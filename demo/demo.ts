import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import '../src/core/food/load';
import type { House } from '../src/core/kitchen/house';
import { houseOf, KitchenFile } from '../src/core/kitchen/kitchenFile';
import { Recipe } from '../src/core/recipe/recipe';

const folder = join(process.cwd(), 'demo');

/** A demo recipe as its file says it, free to be changed by a test. */
// biome-ignore lint/suspicious/noExplicitAny: a test bends it into shapes no type allows
export const demoFile = (id: string): any =>
  JSON.parse(readFileSync(join(folder, 'recipes', `${id}.json`), 'utf8'));

/** The demo's recipes, for tests and benchmarks. */
export const demoRecipe = (id: string): Recipe => Recipe.parse(demoFile(id));

export const demoIds = (): readonly string[] =>
  readdirSync(join(folder, 'recipes'))
    .filter((f) => f.endsWith('.json'))
    .map((f) => f.slice(0, -5))
    .sort();

/** The canteen's kitchen, as its file says it. */
export const demoKitchen = (): KitchenFile =>
  KitchenFile.parse(JSON.parse(readFileSync(join(folder, 'kitchen.json'), 'utf8')));

export const demoHouse = (): House => houseOf(demoKitchen());
