import * as z from 'zod';
import { message } from '../message/message';
import { Recipe } from '../recipe/recipe';
import type { FoundWrong } from '../words/issueWords';
import { openFile } from './openFile';

type RecipeFile =
  | { readonly ok: true; readonly recipe: Recipe }
  | { readonly ok: false; readonly problems: readonly FoundWrong[] };

/** Reads a recipe file; all that is wrong with it comes back at once, each with its place. */
export function readRecipeFile(text: string): RecipeFile {
  const opened = openFile(text);
  if (opened.kind === 'recipe') return { ok: true, recipe: opened.recipe };
  if (opened.kind === 'refused') return { ok: false, problems: opened.problems };
  return {
    ok: false,
    problems: [
      {
        place: message('format'),
        says:
          opened.kind === 'drafts'
            ? message('somebody’s recipe: read it under Recipes, From a file, and save it first')
            : message('this is {kind, select, kitchen {a kitchen} other {an archive}}, not {format}', {
                kind: opened.kind,
                format: 'panache.recipe/1',
              }),
      },
    ],
  };
}

/** JSON Schema (2020-12) of a recipe file, generated from the very schema that reads it. */
export const recipeJsonSchema = (): unknown =>
  z.toJSONSchema(Recipe, { io: 'input', unrepresentable: 'any' });
