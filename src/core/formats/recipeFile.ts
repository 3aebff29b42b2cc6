import * as z from 'zod';
import { Recipe } from '../recipe/recipe';
import { type FileProblem, openFile } from './openFile';

export type RecipeFile =
  | { readonly ok: true; readonly recipe: Recipe }
  | { readonly ok: false; readonly problems: readonly FileProblem[] };

/** Reads a recipe file; all that is wrong with it comes back at once, each with its place. */
export function readRecipeFile(text: string): RecipeFile {
  const opened = openFile(text);
  if (opened.kind === 'recipe') return { ok: true, recipe: opened.recipe };
  if (opened.kind === 'refused') return { ok: false, problems: opened.problems };
  return {
    ok: false,
    problems: [
      {
        place: 'format',
        says:
          opened.kind === 'draft'
            ? 'a recipe as JSON-LD: read it under Recipes, From a file, and save it first'
            : `this is a ${opened.kind}, not panache.recipe/1`,
      },
    ],
  };
}

/** JSON Schema (2020-12) of a recipe file, generated from the very schema that reads it. */
export const recipeJsonSchema = (): unknown =>
  z.toJSONSchema(Recipe, { io: 'input', unrepresentable: 'any' });
