import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { Recipe } from '../src/core/plan/recipe';

/** The demo's files, for tests and benchmarks. */
export const demoRecipe = (id: string): Recipe =>
  Recipe.parse(JSON.parse(readFileSync(join(process.cwd(), 'demo', 'recipes', `${id}.json`), 'utf8')));
