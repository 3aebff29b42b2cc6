import { catalogue } from '../core/food/catalogue';
import type { Recipe, RecipeStep } from '../core/plan/recipe';
import type { Exchangeable } from '../core/thicken/substitute';
import { BadOption } from './options';

/** A slurry goes in after the last of these: before late proteins, dairy that must not boil, and seasoning. */
const AFTER = new Set(['simmer', 'puree', 'bring-to']);

/**
 * The recipe with its solved thickener replaced by `kind`: flour is exchanged where it stands; a
 * starch becomes a slurry near the end, and the roux or dusting it replaces goes out, its fat too.
 */
export function withThickener(recipe: Recipe, kind: Exchangeable): Recipe {
  const food = catalogue().find((i) => i.thickener === kind);
  if (!food) throw new BadOption(`nothing in the catalogue is ${kind}`);
  const solvedIn = (s: RecipeStep): boolean =>
    (s.kind === 'roux' || s.kind === 'dust') && s.flour.amount.kind === 'solve';
  const at = recipe.steps.findIndex(solvedIn);
  if (at === -1)
    throw new BadOption('--thicken works where the recipe has a roux or dusted flour “to thickness”');
  const kept = recipe.steps.filter((s) => !solvedIn(s));
  if (kind === 'wheat') return recipe;
  const slurry: RecipeStep = {
    kind: 'thicken',
    method: 'slurry',
    thickener: { ingredient: food.id, amount: { kind: 'solve', goal: 'thickness', share: 1 } },
    carrier: { ingredient: 'water', amount: { kind: 'by rule' }, celsius: 10 },
    minutes: 2,
    lid: 'on',
  };
  const last = kept.findLastIndex((s, i) => i >= at && (s.kind === 'simmer' || s.kind === 'puree'));
  const place = last === -1 ? kept.findLastIndex((s) => AFTER.has(s.kind)) + 1 : last + 1;
  return { ...recipe, steps: [...kept.slice(0, place), slurry, ...kept.slice(place)] };
}
