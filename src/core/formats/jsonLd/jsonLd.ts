import * as z from 'zod';
import { linesIn } from '../../food/lines/readLine';
import { issue } from '../../message/told';
import { type FoundWrong, issueWords } from '../../words/issueWords';
import type { FoundRecipe } from '../found/found';

const plainText = (value: unknown): string =>
  typeof value === 'string'
    ? value
        .replace(/<[^>]*>/g, ' ')
        .replace(/&amp;/g, '&')
        .replace(/&nbsp;/g, ' ')
        .replace(/&#0?39;|&rsquo;/g, '’')
        .replace(/\s+/g, ' ')
        .trim()
    : '';

const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

const asList = (value: unknown): readonly unknown[] =>
  Array.isArray(value) ? value : value === undefined || value === null ? [] : [value];

const isRecipe = (node: Record<string, unknown>): boolean =>
  asList(node['@type']).some(
    (t) => typeof t === 'string' && /^(?:https?:\/\/schema\.org\/|schema:)?Recipe$/.test(t),
  );

/** Deepest nesting worth following. */
const MOST_DEEP = 8;

/** Every Recipe in a JSON-LD document: at the top, in a list, in `@graph`, or as another thing's main entity. */
export function recipeNodes(value: unknown, deep = 0): readonly Record<string, unknown>[] {
  if (deep > MOST_DEEP) return [];
  if (Array.isArray(value)) return value.flatMap((item) => recipeNodes(item, deep + 1));
  if (!isRecord(value)) return [];
  if (isRecipe(value)) return [value];
  return ['@graph', 'mainEntity', 'mainEntityOfPage', 'itemListElement', 'item'].flatMap((key) =>
    recipeNodes(value[key], deep + 1),
  );
}

/** Text, HowToStep, HowToSection or a list of them, in order. */
function instructionsIn(value: unknown, deep = 0): readonly string[] {
  if (deep > MOST_DEEP) return [];
  return asList(value).flatMap((item): readonly string[] => {
    if (typeof item === 'string') return item.split(/\n+/).map(plainText).filter(Boolean);
    if (!isRecord(item)) return [];
    if (item.itemListElement !== undefined) return instructionsIn(item.itemListElement, deep + 1);
    const said = plainText(item.text) || plainText(item.name) || plainText(item.description);
    return said ? [said] : [];
  });
}

const MOST_LINES = 100;

const Found = z.object({
  name: z
    .string()
    .min(1, issue('the recipe has no name'))
    .transform((s) => s.slice(0, 80)),
  ingredients: z
    .array(z.string().max(500, issue('an ingredient line is at most {most} characters', { most: 500 })))
    .min(1, issue('the recipe lists no ingredients (recipeIngredient)'))
    .max(MOST_LINES, issue('at most {most} ingredient lines', { most: MOST_LINES })),
});

/** Reads a Recipe node. What it lacks comes back as problems, each with its place. */
export function readRecipeNode(
  node: Record<string, unknown>,
):
  | { readonly ok: true; readonly found: FoundRecipe }
  | { readonly ok: false; readonly problems: readonly FoundWrong[] } {
  const read = Found.safeParse({
    name: plainText(node.name) || plainText(node.headline),
    // "ingredients" is the property's older name.
    ingredients: asList(node.recipeIngredient ?? node.ingredients)
      .flatMap((i) => (typeof i === 'string' ? i.split(/\n+/) : isRecord(i) ? [i.name, i.text] : []))
      .map(plainText)
      .filter(Boolean),
  });
  if (!read.success) {
    return {
      ok: false,
      problems: read.error.issues.map((i) => ({
        place: i.path[0] === 'ingredients' ? 'recipeIngredient' : 'name',
        says: issueWords(i),
      })),
    };
  }
  const yields = asList(node.recipeYield ?? node.yield).map((y) =>
    typeof y === 'number'
      ? `${y} servings`
      : isRecord(y)
        ? [y.value, y.unitText].filter(Boolean).join(' ')
        : plainText(y),
  );
  const longest = yields.reduce((a, b) => (b.length > a.length ? b : a), '');
  return {
    ok: true,
    found: {
      ...read.data,
      ingredients: read.data.ingredients.flatMap(linesIn),
      yieldText: longest,
      instructions: instructionsIn(node.recipeInstructions),
      source: [],
    },
  };
}
