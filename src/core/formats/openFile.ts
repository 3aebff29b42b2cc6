import { findNodeAtLocation, type ParseError, parse, parseTree, printParseErrorCode } from 'jsonc-parser';
import type * as z from 'zod';
import { KitchenFile } from '../kitchen/kitchenFile';
import { type Message, message } from '../message/message';
import type { RecipeText } from '../recipe/recipe';
import { Recipe } from '../recipe/recipe';
import { type FoundWrong, issueWords, valueAt } from '../words/issueWords';
import { Archive } from './archive';
import { draftOf, type RecipeDraft } from './draft/draft';
import type { FoundRecipe } from './found/found';
import { recipesInPage } from './found/page';
import { recipesInText } from './found/prose';
import { csvRows, recipesInTable } from './found/table';
import { readRecipeNode, recipeNodes } from './jsonLd/jsonLd';
import { strayFields } from './strays';

type Refused = { readonly kind: 'refused'; readonly problems: readonly FoundWrong[] };

/** What a file turned out to be. */
export type OpenedFile =
  | { readonly kind: 'recipe'; readonly body: RecipeText; readonly recipe: Recipe }
  | { readonly kind: 'drafts'; readonly drafts: readonly RecipeDraft[] }
  | { readonly kind: 'kitchen'; readonly kitchen: KitchenFile }
  | { readonly kind: 'archive'; readonly archive: Archive }
  | Refused;

/** Largest recipe or kitchen file worth reading, characters. */
export const MOST_CHARACTERS = 400_000;
/** Problems shown of one file. */
const MOST_PROBLEMS = 50;

/** Line and column of a character, counted from 1. */
function lineAt(text: string, index: number): { readonly line: number; readonly column: number } {
  const before = text.slice(0, index);
  return { line: before.split('\n').length, column: index - before.lastIndexOf('\n') };
}

const refused = (place: Message, says: Message): Refused => ({
  kind: 'refused',
  problems: [{ place, says }],
});
const FILE = message('file');

const pathWords = (path: readonly PropertyKey[]): string =>
  path.reduce<string>(
    (s, key) => (typeof key === 'number' ? `${s}[${key}]` : s ? `${s}.${String(key)}` : String(key)),
    '',
  );

/** "line 12, steps[3].items[0].amount": where the nearest thing that is there stands, and its path. */
function placeOf(text: string, path: readonly PropertyKey[]): Message {
  const tree = parseTree(text);
  const keys = path.map((k) => (typeof k === 'symbol' ? String(k) : k));
  const words = pathWords(path);
  for (let n = keys.length; tree && n >= 0; n--) {
    const node = findNodeAtLocation(tree, keys.slice(0, n));
    if (!node) continue;
    const { line } = lineAt(text, node.offset);
    return words ? message('line {line}, {path}', { line, path: words }) : message('line {line}', { line });
  }
  return words ? message('{path}', { path: words }) : FILE;
}

const problemsOf = (text: string, value: unknown, error: z.ZodError): Refused => ({
  kind: 'refused',
  problems: error.issues
    .slice(0, MOST_PROBLEMS)
    .map((i) => ({ place: placeOf(text, i.path), says: issueWords(i, valueAt(value, i.path)) })),
});

const WORDS: Readonly<Record<string, Message>> = {
  InvalidSymbol: message('a word that is not JSON'),
  InvalidNumberFormat: message('not a number'),
  PropertyNameExpected: message('a name in quotes was expected'),
  ValueExpected: message('a value was expected'),
  ColonExpected: message('a colon was expected'),
  CommaExpected: message('a comma was expected'),
  CloseBraceExpected: message('a closing brace is missing'),
  CloseBracketExpected: message('a closing ] is missing'),
  EndOfFileExpected: message('more follows after the end'),
  InvalidCommentToken: message('comments are not JSON'),
  UnexpectedEndOfString: message('a text that is not closed'),
  InvalidUnicode: message('a broken \\u sign'),
  InvalidEscapeCharacter: message('a broken \\ sign'),
  InvalidCharacter: message('a sign that may not stand there'),
};

function parsed(text: string): { readonly value: unknown } | Refused {
  const errors: ParseError[] = [];
  const value: unknown = parse(text, errors, { disallowComments: true, allowTrailingComma: false });
  const [first] = errors;
  if (!first) return { value };
  const word = printParseErrorCode(first.error);
  return refused(
    message('line {line}, column {column}', lineAt(text, first.offset)),
    message('not JSON: {why}', { why: WORDS[word] ?? word }),
  );
}

/** Recipes of one file worth looking at: more is a book, and comes in a part at a time. */
const MOST_RECIPES = 50;

/** A page where it is marked up as one, a table where its first lines are one, and else as people write. */
function found(text: string): readonly FoundRecipe[] {
  if (/<(?:html|body|!doctype|div|script|li|p|table|article|main|h[1-6])[\s>]/i.test(text.slice(0, 20_000)))
    return recipesInPage(text);
  const rows = csvRows(text);
  const inTable = rows ? recipesInTable(rows, '') : [];
  return inTable.length > 0 ? inTable : recipesInText(text);
}

/** What was found, to be looked at; nothing found is refused in words that say what would be. */
export const asRecipes = (all: readonly FoundRecipe[]): OpenedFile =>
  all.length > 0
    ? { kind: 'drafts', drafts: all.slice(0, MOST_RECIPES).map(draftOf) }
    : refused(
        FILE,
        message(
          'no recipe is found in it: a recipe has lines with an amount and what it is of, such as 250 g flour',
        ),
      );

/**
 * Finds out what a file is and reads it: our recipe, kitchen or archive, or anybody’s recipe as JSON-LD, a page, a
 * table or as people write.
 * Total: what is none of these, too large or broken comes back refused, all its problems at once, each with
 * its line and place. Nothing is half-read.
 */
export function openFile(text: string, most = MOST_CHARACTERS): OpenedFile {
  if (text.length > most)
    return refused(FILE, message('{length} characters: at most {most}', { length: text.length, most }));
  if (text.trim() === '') return refused(FILE, message('it is empty'));
  if (!/^\s*[[{]/.test(text)) return asRecipes(found(text));
  const json = parsed(text);
  if ('kind' in json) return json;
  const { value } = json;
  const format = typeof value === 'object' && value !== null ? Reflect.get(value, 'format') : undefined;
  if (format === 'panache.recipe/1' || format === 'panache.recipe/2') {
    const read = Recipe.safeParse(value);
    if (!read.success) return problemsOf(text, value, read.error);
    const strays = strayFields(value, read.data);
    if (strays.length > 0)
      return {
        kind: 'refused',
        problems: strays.slice(0, MOST_PROBLEMS).map((path) => ({
          place: placeOf(text, path),
          says: message('is no field of a recipe here: misspelt, or of another program'),
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
  const nodes = recipeNodes(value).map(readRecipeNode);
  const told = nodes.flatMap((n) => (n.ok ? [n.found] : []));
  if (told.length > 0) return { kind: 'drafts', drafts: told.slice(0, MOST_RECIPES).map(draftOf) };
  const [bad] = nodes;
  if (bad && !bad.ok) return { kind: 'refused', problems: bad.problems };
  return refused(
    typeof format === 'string' ? placeOf(text, ['format']) : FILE,
    typeof format === 'string'
      ? message('“{format}” is not a format Panache reads: {known}', {
          format,
          known: { or: ['panache.recipe/1', 'panache.recipe/2', 'panache.kitchen/1', 'panache.archive/1'] },
        })
      : message('it is JSON, but neither a Panache file nor a schema.org Recipe (no @type Recipe in it)'),
  );
}
