import { ingredient } from '../food/catalogue';
import { type Message, message } from '../message/message';
import { term } from '../message/term';
import { portionsIn } from '../pot/contents/portions';
import type { Amount } from '../recipe/amountOf';
import type { Recipe } from '../recipe/recipe';
import type { RecipePortion, RecipeStep } from '../recipe/recipeStep';
import { METHOD_RULES } from '../thicken/methods';
import { dieted } from './changes/dieted';
import { finishedWith, finishOf } from './changes/finishes';
import { freed } from './changes/freed';
import { gently } from './changes/gently';
import { onStock } from './changes/stocks';
import { wineDownTo } from './changes/wine';
import type { Amendment } from './order';
import { AS_WRITTEN, type Way, wayOf } from './ways';

const isSolved = (a: Amount): boolean => a.kind === 'solve' && a.goal === 'thickness';
const blends = (s: RecipeStep): boolean => s.kind === 'puree' && typeof s.fraction !== 'number';
const solvedItems = (s: RecipeStep): readonly RecipePortion[] =>
  portionsIn<RecipePortion>(s).filter((p) => isSolved(p.amount));

/** The vegetable that thickens the recipe, if it is its own: it cannot be left out. */
const ownVegetable = (recipe: Recipe): RecipePortion | undefined =>
  recipe.steps.flatMap(solvedItems).find((p) => ingredient(p.ingredient).group === 'vegetable');

/** A recipe with something left to be worked out: one that gives every amount has its own thickener left open. */
const openOf = (recipe: Recipe): Recipe => freed(recipe)?.recipe ?? recipe;

/** The part of the thickening another way is offered for first: all of it, or half where the vegetable has to stay. */
export const usualShare = (recipe: Recipe): number => (ownVegetable(openOf(recipe)) ? 0.5 : 1);

/** Why a way cannot be taken at all; null when it can. */
export function cannotBe(written: Recipe, share: number): Message | null {
  const recipe = openOf(written);
  const solved = recipe.steps.flatMap(solvedItems);
  const blended = recipe.steps.some(blends);
  if (solved.length === 0 && !blended)
    return message('This recipe fixes every amount: nothing is left “to thicken”.');
  if (share < 1 && blended)
    return message('It is thickened by how much is blended: that cannot be shared, only replaced.');
  const own = ownVegetable(recipe);
  if (own && share > 0.9) {
    return message('The {vegetable} is the soup: let it keep a share of the thickening.', {
      vegetable: { within: term(ingredient(own.ingredient).name) },
    });
  }
  return null;
}

const dose = (share: number): Amount => ({ kind: 'solve', goal: 'thickness', share });

function stepsOf(way: Way, share: number): readonly RecipeStep[] {
  if (!way.ingredient || way.method === 'as written') return [];
  if (way.method === 'liaison') {
    return [
      { kind: 'rest', minutes: 10, lid: 'off', look: 'under 85 °C before the yolks' },
      {
        kind: 'temper',
        items: [
          { ingredient: way.ingredient, amount: dose(share), prep: 'beaten with cream' },
          { ingredient: 'heavy-cream', amount: { kind: 'by rule' }, celsius: 5 },
        ],
        warmTo: 60,
        to: 80,
        flame: 0.3,
        look: 'coats, never bubbles',
      },
    ];
  }
  const rule = METHOD_RULES[way.method];
  return [
    {
      kind: 'thicken',
      method: way.method,
      thickener: { ingredient: way.ingredient, amount: dose(share) },
      carrier: {
        ingredient: rule.carrierIs,
        amount: { kind: 'by rule' },
        ...(way.method === 'slurry' && { celsius: 10 }),
      },
      ...(way.method === 'slurry' ? {} : { additions: 3 }),
      ...(way.method === 'cooked roux' && { colour: 'white' as const }),
      minutes: way.leastMinutes,
      lid: 'off',
    },
  ];
}

/** What is left of a recipe's own thickening when it does only `left` of it; steps that did nothing else go. */
function without(step: RecipeStep, left: number): readonly RecipeStep[] {
  if (
    left === 0 &&
    (blends(step) || step.kind === 'roux' || step.kind === 'dust' || step.kind === 'thicken')
  ) {
    return blends(step) || solvedItems(step).length > 0 ? [] : [step];
  }
  const less = (p: RecipePortion): RecipePortion =>
    p.amount.kind === 'solve' && p.amount.goal === 'thickness'
      ? { ...p, amount: { ...p.amount, share: p.amount.share * left } }
      : p;
  switch (step.kind) {
    case 'roux':
    case 'dust':
      return [{ ...step, flour: less(step.flour) }];
    case 'thicken':
      return [{ ...step, thickener: less(step.thickener) }];
    default: {
      if (!('items' in step)) return [step];
      const items = step.items.flatMap((p) => (left === 0 && isSolved(p.amount) ? [] : [less(p)]));
      return items.length > 0 ? [{ ...step, items }] : [];
    }
  }
}

const DAIRY = new Set(['dairy', 'cheese', 'egg']);
const bringsDairy = (s: RecipeStep): boolean =>
  (s.kind === 'add' || s.kind === 'temper') && s.items.some((i) => DAIRY.has(ingredient(i.ingredient).group));

/** Where a slurry, kneaded butter or roux goes in: after blending, before the dairy and the late proteins. */
function placeBeforeDairy(steps: readonly RecipeStep[]): number {
  const last = steps.findLastIndex((s) => s.kind === 'simmer' || s.kind === 'puree' || s.kind === 'strain');
  if (last !== -1) return last + 1;
  const dairy = steps.findIndex(bringsDairy);
  return dairy === -1 ? steps.findLastIndex((s) => s.kind !== 'season') + 1 : dairy;
}

const placeBeforeSeason = (steps: readonly RecipeStep[]): number => {
  const late = steps.findIndex((s) => s.kind === 'poach' || s.kind === 'season');
  return late === -1 ? steps.length : late;
};

/**
 * The recipe as the plan will cook it. What cannot be done to it is left as written; of one that gives every amount
 * the thickener and the main liquid are left open, unless it is wanted `asWritten`.
 */
export function amended(written: Recipe, a: Amendment): Recipe {
  const recipe = a.asWritten ? written : openOf(written);
  let steps: readonly RecipeStep[] = recipe.steps;
  if (a.rule || a.colour) {
    const { rule, colour } = a;
    steps = steps.map((s) =>
      s.kind === 'roux' ? { ...s, ...(rule && { rule }), ...(colour && { colour }) } : s,
    );
  }
  const chosen = wayOf(a.way);
  const share = a.share ?? 1;
  if (chosen && chosen !== AS_WRITTEN && share > 0 && cannotBe(recipe, share) === null) {
    steps = steps.flatMap((s) => without(s, 1 - share));
    const at = chosen.method === 'liaison' ? placeBeforeSeason(steps) : placeBeforeDairy(steps);
    steps = [...steps.slice(0, at), ...stepsOf(chosen, share), ...steps.slice(at)];
  }
  if (a.moreFat) {
    const at = steps.findIndex((s) => s.kind === 'roux' || s.kind === 'dust');
    const butter: RecipeStep = {
      kind: 'sweat',
      items: [
        {
          ingredient: 'butter',
          amount: { kind: 'fixed', quantity: { value: a.moreFat, unit: 'g' } },
          prep: 'so that the flour is wetted',
        },
      ],
      minutes: 1,
      to: 'translucent',
    };
    if (at !== -1) steps = [...steps.slice(0, at), butter, ...steps.slice(at)];
  }
  if (a.moreSimmer) {
    const dairy = steps.findIndex(bringsDairy);
    const before = dairy === -1 ? steps.length : dairy;
    const at = steps.slice(0, before).findLastIndex((s) => s.kind === 'simmer' || s.kind === 'thicken');
    const more = a.moreSimmer;
    steps = steps.map((s, n) =>
      n === at && (s.kind === 'simmer' || s.kind === 'thicken')
        ? { ...s, minutes: Math.min(600, s.minutes + more) }
        : s,
    );
  }
  if (a.wineTo !== undefined) steps = wineDownTo(steps, a.wineTo, recipe.pans);
  if (a.stock) steps = onStock({ ...recipe, steps: [...steps] }, a);
  if (a.liquidAt !== undefined) {
    const celsius = a.liquidAt;
    const hot = (p: RecipePortion): RecipePortion =>
      p.amount.kind === 'solve' && p.amount.goal === 'volume' ? { ...p, celsius } : p;
    steps = steps.map((s) => (s.kind === 'add' ? { ...s, items: s.items.map(hot) } : s));
  }
  const finish = finishOf(a.finish);
  if (finish) steps = finishedWith({ ...recipe, steps: [...steps] }, finish, a);
  if (a.dairy) steps = gently({ steps: [...steps] }, a.dairy);
  if (a.diet?.length) steps = dieted({ ...recipe, steps: [...steps] }, a.diet);
  return steps === recipe.steps ? recipe : { ...recipe, steps: [...steps] };
}
