import * as z from 'zod';
import { Recipe } from '../plan/recipe';

/** One thing wrong in a file: where, and what. */
export type FileProblem = { readonly place: string; readonly says: string };

export type RecipeFile =
  | { readonly ok: true; readonly recipe: Recipe }
  | { readonly ok: false; readonly problems: readonly FileProblem[] };

/** Largest recipe file worth reading, characters. */
export const MOST_CHARACTERS = 200_000;

const placeOf = (path: readonly PropertyKey[]): string =>
  path.reduce<string>(
    (s, key) => (typeof key === 'number' ? `${s}[${key}]` : s ? `${s}.${String(key)}` : String(key)),
    '',
  ) || 'file';

/** Line and column of a character, counted from 1. */
function lineAt(text: string, index: number): string {
  const before = text.slice(0, index).split('\n');
  return `line ${before.length}, column ${(before.at(-1)?.length ?? 0) + 1}`;
}

/** Where a JSON parser stopped, from its message; engines word it differently. */
function syntaxPlace(text: string, message: string): string {
  const at = /position (\d+)/.exec(message);
  if (at) return lineAt(text, Number(at[1]));
  if (/end of JSON|Unexpected end/.test(message)) return lineAt(text, text.length);
  return 'file';
}

/** Reads a recipe file; all that is wrong with it comes back at once, each with its place. */
export function readRecipeFile(text: string): RecipeFile {
  if (text.length > MOST_CHARACTERS) {
    return {
      ok: false,
      problems: [{ place: 'file', says: `${text.length} characters: at most ${MOST_CHARACTERS}` }],
    };
  }
  let body: unknown;
  try {
    body = JSON.parse(text);
  } catch (error) {
    const message = error instanceof Error ? error.message : String(error);
    return { ok: false, problems: [{ place: syntaxPlace(text, message), says: `not JSON: ${message}` }] };
  }
  const read = Recipe.safeParse(body);
  if (read.success) return { ok: true, recipe: read.data };
  return { ok: false, problems: read.error.issues.map((i) => ({ place: placeOf(i.path), says: i.message })) };
}

/** JSON Schema (2020-12) of a recipe file, generated from the very schema that reads it. */
export const recipeJsonSchema = (): unknown =>
  z.toJSONSchema(Recipe, { io: 'input', unrepresentable: 'any' });
