import { findNodeAtLocation, type ParseError, parse, parseTree, printParseErrorCode } from 'jsonc-parser';
import type * as z from 'zod';
import { KitchenFile } from '../house/kitchenFile';
import type { RecipeText } from '../recipe/recipe';
import { Recipe } from '../recipe/recipe';
import { issueWords, valueAt } from '../words/issueWords';
import { Archive } from './archive';
import { draftOf, type RecipeDraft } from './draft/draft';
import { readRecipeNode, recipeNode } from './jsonLd/jsonLd';
import { strayFields } from './strays';

/** One thing wrong in a file: where, and what. */
export type FileProblem = { readonly place: string; readonly says: string };

export type Refused = { readonly kind: 'refused'; readonly problems: readonly FileProblem[] };

/** What a file turned out to be. */
export type OpenedFile =
  | { readonly kind: 'recipe'; readonly body: RecipeText; readonly recipe: Recipe }
  | { readonly kind: 'draft'; readonly draft: RecipeDraft }
  | { readonly kind: 'kitchen'; readonly kitchen: KitchenFile }
  | { readonly kind: 'archive'; readonly archive: Archive }
  | Refused;

/** Largest recipe or kitchen file worth reading, and largest archive, characters. */
export const MOST_CHARACTERS = 400_000;
export const MOST_IN_ARCHIVE = 64_000_000;
/** Problems shown of one file. */
const MOST_PROBLEMS = 50;

/** Line and column of a character, counted from 1. */
export function lineAt(text: string, index: number): string {
  const before = text.slice(0, index);
  const line = before.split('\n').length;
  return `line ${line}, column ${index - before.lastIndexOf('\n')}`;
}

const refused = (place: string, says: string): Refused => ({ kind: 'refused', problems: [{ place, says }] });

const pathWords = (path: readonly PropertyKey[]): string =>
  path.reduce<string>(
    (s, key) => (typeof key === 'number' ? `${s}[${key}]` : s ? `${s}.${String(key)}` : String(key)),
    '',
  );

/** "line 12, steps[3].items[0].amount": where the nearest thing that is there stands, and its path. */
function placeOf(text: string, path: readonly PropertyKey[]): string {
  const tree = parseTree(text);
  const keys = path.map((k) => (typeof k === 'symbol' ? String(k) : k));
  for (let n = keys.length; tree && n >= 0; n--) {
    const node = findNodeAtLocation(tree, keys.slice(0, n));
    if (node) return [lineAt(text, node.offset).split(',')[0], pathWords(path)].filter(Boolean).join(', ');
  }
  return pathWords(path) || 'file';
}

const problemsOf = (text: string, value: unknown, error: z.ZodError): Refused => ({
  kind: 'refused',
  problems: error.issues
    .slice(0, MOST_PROBLEMS)
    .map((i) => ({ place: placeOf(text, i.path), says: issueWords(i, valueAt(value, i.path)) })),
});

const WORDS: Readonly<Record<string, string>> = {
  InvalidSymbol: 'a word that is not JSON',
  InvalidNumberFormat: 'not a number',
  PropertyNameExpected: 'a name in quotes was expected',
  ValueExpected: 'a value was expected',
  ColonExpected: 'a colon was expected',
  CommaExpected: 'a comma was expected',
  CloseBraceExpected: 'a closing } is missing',
  CloseBracketExpected: 'a closing ] is missing',
  EndOfFileExpected: 'more follows after the end',
  InvalidCommentToken: 'comments are not JSON',
  UnexpectedEndOfString: 'a text that is not closed',
  InvalidUnicode: 'a broken \\u sign',
  InvalidEscapeCharacter: 'a broken \\ sign',
  InvalidCharacter: 'a sign that may not stand there',
};

function parsed(text: string): { readonly value: unknown } | Refused {
  const errors: ParseError[] = [];
  const value: unknown = parse(text, errors, { disallowComments: true, allowTrailingComma: false });
  const [first] = errors;
  if (!first) return { value };
  const word = printParseErrorCode(first.error);
  return refused(lineAt(text, first.offset), `not JSON: ${WORDS[word] ?? word}`);
}

/**
 * Finds out what a file is and reads it: our recipe, kitchen or archive, or a schema.org Recipe in JSON-LD.
 * Total: what is none of these, too large or broken comes back refused, all its problems at once, each with
 * its line and place. Nothing is half-read.
 */
export function openFile(text: string, most = MOST_CHARACTERS): OpenedFile {
  if (text.length > most) return refused('file', `${text.length} characters: at most ${most}`);
  if (text.trim() === '') return refused('file', 'it is empty');
  if (!/^\s*[[{]/.test(text)) {
    return refused(
      'line 1',
      'not JSON: a recipe file begins with {. Panache reads its own recipes, kitchens and archives, and schema.org Recipe as JSON-LD',
    );
  }
  const json = parsed(text);
  if ('kind' in json) return json;
  const { value } = json;
  const format = typeof value === 'object' && value !== null ? Reflect.get(value, 'format') : undefined;
  if (format === 'panache.recipe/1') {
    const read = Recipe.safeParse(value);
    if (!read.success) return problemsOf(text, value, read.error);
    const strays = strayFields(value, read.data);
    if (strays.length > 0)
      return {
        kind: 'refused',
        problems: strays.slice(0, MOST_PROBLEMS).map((path) => ({
          place: placeOf(text, path),
          says: 'is no field of a recipe here: misspelt, or of another program',
        })),
      };
    return { kind: 'recipe', body: value as RecipeText, recipe: read.data };
  }
  if (format === 'panache.kitchen/1') {
    const read = KitchenFile.safeParse(value);
    return read.success ? { kind: 'kitchen', kitchen: read.data } : problemsOf(text, value, read.error);
  }
  if (format === 'panache.archive/1') {
    const read = Archive.safeParse(value);
    return read.success ? { kind: 'archive', archive: read.data } : problemsOf(text, value, read.error);
  }
  const node = recipeNode(value);
  if (node) {
    const found = readRecipeNode(node);
    return found.ok
      ? { kind: 'draft', draft: draftOf(found.found) }
      : { kind: 'refused', problems: found.problems };
  }
  return refused(
    typeof format === 'string' ? placeOf(text, ['format']) : 'file',
    typeof format === 'string'
      ? `“${format}” is not a format Panache reads: panache.recipe/1, panache.kitchen/1 or panache.archive/1`
      : 'it is JSON, but neither a Panache file nor a schema.org Recipe (no @type Recipe in it)',
  );
}
