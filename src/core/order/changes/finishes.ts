import { pearson } from '../../dairy/pearson';
import { ingredient } from '../../food/catalogue';
import { ROWS } from '../../pot/kinds/rows';
import type { Amount } from '../../recipe/amountOf';
import type { Recipe } from '../../recipe/recipe';
import type { RecipePortion, RecipeStep } from '../../recipe/recipeStep';
import { densityOf, toGrams } from '../../units/measure';

/** How a finish goes into a pot. Common practice, no source. */
type GoesIn =
  /** Warmed, poured into the pot off the boil. */
  | 'poured'
  /** Poured, and may come to the boil. */
  | 'boils'
  /** Warmed by ladles of soup, then back, never hot again. */
  | 'ladled'
  /** Off the heat, in handfuls. */
  | 'melted';

/** How something fares afterwards. */
type Fares = 'good' | 'fair' | 'poor';

/** Dairy a soup can be finished with, or what stands in for it. */
export type Finish = {
  readonly id: string;
  /** One ingredient, or a lean and a rich one. */
  readonly of: readonly [string] | readonly [lean: string, rich: string];
  readonly goesIn: GoesIn;
  readonly freezing: Fares;
  /** Kept hot for an hour or two. */
  readonly holding: Fares;
};

const one = (id: string, goesIn: GoesIn, freezing: Fares, holding: Fares): Finish => ({
  id,
  of: [id],
  goesIn,
  freezing,
  holding,
});

/** Every finish, from lean to rich, soured, melted, and without milk. What each stands is common practice, no source. */
export const FINISHES: readonly Finish[] = [
  one('skim-milk', 'poured', 'poor', 'poor'),
  one('semi-skimmed-milk', 'poured', 'poor', 'poor'),
  one('whole-milk', 'poured', 'poor', 'fair'),
  { ...one('milk-and-cream', 'poured', 'fair', 'fair'), of: ['whole-milk', 'heavy-cream'] },
  one('half-and-half', 'poured', 'poor', 'fair'),
  {
    ...one('half-and-half-and-cream', 'poured', 'fair', 'fair'),
    of: ['half-and-half', 'heavy-cream'],
  },
  one('single-cream', 'poured', 'fair', 'fair'),
  one('whipping-cream', 'poured', 'good', 'good'),
  one('heavy-cream', 'poured', 'good', 'good'),
  one('thick-cream', 'poured', 'good', 'good'),
  one('evaporated-milk', 'boils', 'fair', 'good'),
  { ...one('evaporated-and-cream', 'poured', 'fair', 'good'), of: ['evaporated-milk', 'heavy-cream'] },
  one('sour-cream', 'ladled', 'poor', 'poor'),
  one('creme-fraiche', 'poured', 'fair', 'fair'),
  one('cream-cheese', 'melted', 'poor', 'fair'),
  one('mature-cheddar', 'melted', 'poor', 'poor'),
  one('gruyere-style', 'melted', 'poor', 'poor'),
  one('coconut-milk', 'boils', 'good', 'good'),
  one('oat-cream', 'boils', 'fair', 'good'),
  one('oat-drink', 'boils', 'fair', 'fair'),
];

/** The finish of this id; undefined of none. */
export const finishOf = (id: string | undefined): Finish | undefined => FINISHES.find((f) => f.id === id);

const FINISHING = new Set(['dairy', 'cheese']);
/** What an ingredient is to a soup: dairy or cheese it is finished with, or what stands in for them. */
const finishes = (id: string): boolean =>
  FINISHING.has(ingredient(id).group) || FINISHES.some((f) => f.of.includes(id));

/** Whether a portion is what the recipe is finished with: of a given amount, and no part of a liaison. */
const isOwn = (p: RecipePortion): boolean => finishes(p.ingredient) && p.amount.kind === 'fixed';
const holdsYolk = (s: RecipeStep): boolean =>
  'items' in s && s.items.some((p) => ingredient(p.ingredient).group === 'egg');
const takesIt = (s: RecipeStep): s is Extract<RecipeStep, { kind: 'add' | 'temper' }> =>
  s.kind === 'add' || (s.kind === 'temper' && !holdsYolk(s));

/** What a recipe is finished with, at its own yield. */
type OwnFinish = {
  readonly g: number;
  readonly ml: number;
  readonly fatG: number;
  readonly of: readonly { readonly ingredient: string; readonly g: number }[];
};

const gramsOf = ({ ingredient: id, amount }: RecipePortion): number =>
  amount.kind === 'fixed' ? toGrams(amount.quantity, ingredient(id).density) : 0;

/** What the recipe’s own dairy comes to, liaison and carriers of starch left out. */
export function ownFinish(recipe: Pick<Recipe, 'steps'>): OwnFinish {
  const own = recipe.steps.flatMap((s) => (takesIt(s) ? s.items.filter(isOwn) : []));
  return own.reduce<OwnFinish>(
    (sum, p) => {
      const g = gramsOf(p);
      const food = ingredient(p.ingredient);
      return {
        g: sum.g + g,
        ml: sum.ml + g / densityOf(food.density),
        fatG: sum.fatG + g * food.composition.fat,
        of: [...sum.of, { ingredient: p.ingredient, g }],
      };
    },
    { g: 0, ml: 0, fatG: 0, of: [] },
  );
}

/** Shares by weight of a finish’s parts: of two, so that they are as rich as what they stand in for. */
export function partsOf({ of }: Finish, own: OwnFinish): readonly (readonly [id: string, share: number])[] {
  const [lean, rich] = of;
  if (rich === undefined) return [[lean, 1]];
  const fat = (id: string): number => ingredient(id).composition.fat * 100;
  // Where there is nothing to stand in for, half and half by fat.
  const wanted = own.g > 0 ? (own.fatG / own.g) * 100 : (fat(lean) + fat(rich)) / 2;
  const share = pearson(fat(lean), fat(rich), wanted);
  return [
    [lean, 1 - share],
    [rich, share],
  ];
}

/** °C it is warmed to, and what the pot is let come down to before it and kept at after. Common practice, no source. */
const WARMED = 60;
const MEETS_AT = 85;
const KEPT_AT = 80;
/** °C a soured cream is brought to by ladles. Common practice, no source. */
const LADLED_TO = 55;
/** mL a litre where the recipe has no dairy and nobody said how much. Common practice, no source. */
const USUAL_ML = 150;

type FinishWish = {
  readonly rich?: number | undefined;
  readonly finishMl?: number | undefined;
};

const isLate = (s: RecipeStep): boolean => ROWS[s.kind].late;

/** Before the late steps a recipe ends in. */
const endOf = (steps: readonly RecipeStep[]): number => {
  const late = steps.findIndex((s, n) => isLate(s) && !steps.slice(n).some((t) => !isLate(t)));
  return late === -1 ? steps.length : late;
};

const stepsFor = (goesIn: GoesIn, items: readonly RecipePortion[]): readonly RecipeStep[] => {
  const keep: RecipeStep = { kind: 'bring-to', to: KEPT_AT, flame: 0.3, lid: 'off' };
  const meet: RecipeStep = { kind: 'bring-to', to: MEETS_AT, flame: 0.5, lid: 'off' };
  switch (goesIn) {
    case 'poured':
      return [meet, { kind: 'add', items: [...items] }, keep];
    case 'boils':
      return [
        { kind: 'add', items: [...items] },
        { ...keep, to: 88 },
      ];
    case 'ladled':
      return [
        { ...meet, to: KEPT_AT },
        { kind: 'temper', items: [...items], warmTo: LADLED_TO, to: KEPT_AT - 2, flame: 0.3 },
      ];
    case 'melted':
      return [
        { ...meet, to: KEPT_AT + 3 },
        { kind: 'add', items: [...items], offHeat: true },
        { kind: 'rest', minutes: 3, lid: 'on' },
      ];
  }
};

/**
 * The steps finished with `finish` instead of their own dairy: in its place where both are poured, else before the
 * late steps. As much as the recipe has, as `finishMl` says for each litre made, or as a richness takes, for
 * the solver to find. Liaison, cream boiled with starch and milk that makes up the litres stay as they are.
 */
export function finishedWith(recipe: Recipe, finish: Finish, wish: FinishWish): readonly RecipeStep[] {
  const own = ownFinish(recipe);
  const parts = partsOf(finish, own);
  const mlPerG = parts.reduce((sum, [id, share]) => sum + share / densityOf(ingredient(id).density), 0);
  const ml =
    wish.finishMl !== undefined
      ? wish.finishMl * recipe.yieldLitres
      : own.ml > 0
        ? own.ml
        : USUAL_ML * recipe.yieldLitres;
  const amountOf = (share: number): Amount =>
    wish.rich !== undefined
      ? { kind: 'solve', goal: 'richness', share }
      : { kind: 'fixed', quantity: { value: (ml / mlPerG) * share, unit: 'g' } };
  const poured = finish.goesIn === 'poured' || finish.goesIn === 'boils';
  const items = parts.flatMap(([id, share]): RecipePortion[] =>
    share > 0 ? [{ ingredient: id, amount: amountOf(share), ...(poured && { celsius: WARMED }) }] : [],
  );
  const place = recipe.steps.findIndex((s) => takesIt(s) && s.items.some(isOwn));
  const here = place !== -1 && poured && recipe.steps[place]?.kind === 'add';
  const steps = recipe.steps.flatMap((s, n): RecipeStep[] => {
    if (!takesIt(s) || !s.items.some(isOwn)) return [s];
    const rest = s.items.filter((p) => !isOwn(p));
    const all = here && n === place ? [...rest, ...items] : rest;
    return all.length > 0 ? [{ ...s, items: all }] : [];
  });
  if (here) return steps;
  const at = endOf(steps);
  return [...steps.slice(0, at), ...stepsFor(finish.goesIn, items), ...steps.slice(at)];
}
