import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { Recipe } from '../src/core/plan/recipe';

/** A demo recipe as its file says it, free to be changed by a test. */
// biome-ignore lint/suspicious/noExplicitAny: a test bends it into shapes no type allows
export const demoFile = (id: string): any =>
  JSON.parse(readFileSync(join(process.cwd(), 'demo/recipes', `${id}.json`), 'utf8'));

/** The demo's recipes, for tests and benchmarks. */
export const demoRecipe = (id: string): Recipe => Recipe.parse(demoFile(id));
