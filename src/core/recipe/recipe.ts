import * as z from 'zod';
import { BANDS } from '../flow/bands';
import { ingredient, isIngredient } from '../food/catalogue';
import { POURED } from '../food/ingredient';
import { oneOf } from '../food/pieces';
import { type Message, message } from '../message/message';
import { term } from '../message/term';
import { issue } from '../message/told';
import { lotOf } from '../pot/contents/lots';
import { portionsIn } from '../pot/contents/portions';
import { ROWS } from '../pot/kinds/rows';
import { named } from '../units/named';
import { throughPans } from './pans';
import { type RecipePortion, RecipeStep } from './recipeStep';
import { BurnerSchema, PanSchema, type RecipePan, VesselSchema } from './things';

/** Most pans a soup has beside its pot. */
const MOST_PANS = 6;

type Issue = { readonly path: readonly (string | number)[]; readonly says: Message };

/** Most things put in over all steps, and most minutes the steps take together: what a recipe may ask of whoever works it out. */
const MOST_THINGS = 80;
const MOST_MINUTES = 1440;

const minutesOf = (s: RecipeStep): number =>
  s.kind === 'reduce' ? ('minutes' in s.to ? s.to.minutes : 0) : 'minutes' in s ? (s.minutes ?? 0) : 0;

const foodOf = (item: RecipePortion) => (isIngredient(item.ingredient) ? ingredient(item.ingredient) : null);

/** Whether there is liquid in the pot once a step is done. */
const wets = (step: RecipeStep): boolean =>
  (step.kind === 'add' || step.kind === 'temper') &&
  portionsIn<RecipePortion>(step).some((item) => {
    const food = foodOf(item);
    return food !== null && (POURED.has(food.group) || food.puree === 'tomato');
  });

/** Pieces a step names that are not in the pot by then. */
function notInYet(steps: readonly RecipeStep[], n: number): readonly Issue[] {
  const step = steps[n];
  if ((step?.kind !== 'puree' && step?.kind !== 'strain') || !step.of) return [];
  const goes = steps.slice(0, n).flatMap((s) => portionsIn<RecipePortion>(s));
  return step.of.flatMap((name): Issue[] => {
    const { ingredient: id, lot } = lotOf(name);
    const found = goes.filter((p) => p.ingredient === id && !p.as).length;
    if (lot === null || lot <= found) return [];
    const says = message(
      '“{name}” is not in the pot by then: {id} has gone in {found, plural, one {once} other {# times}}',
      { name, id, found },
    );
    return [{ path: ['steps', n, 'of'], says }];
  });
}

/** What an amount leaves open, and cannot be worked out of that ingredient. */
function notSolved(item: RecipePortion, blendedLater: boolean): Message | null {
  const food = foodOf(item);
  if (!food || item.amount.kind !== 'solve') return null;
  const { goal } = item.amount;
  const id = item.ingredient;
  if (goal === 'thickness' && !food.thickener && !(food.puree && blendedLater))
    return food.puree
      ? message('{id} cannot be “to thicken”: it is not a thickener unless it is blended later', { id })
      : message('{id} cannot be “to thicken”: it is not a thickener', { id });
  return goal === 'taste' && food.sodium < 30_000
    ? message('{id} cannot be “to taste”: only salt is solved for taste', { id })
    : null;
}

/** What cannot be of one thing that goes in with `step`. */
function wrongOf(item: RecipePortion, step: RecipeStep, blendedLater: boolean): readonly Message[] {
  const food = foodOf(item);
  const { amount, ingredient: id } = item;
  const stirred = step.kind === 'add' && food?.byTheLitre !== undefined;
  const wrong: (Message | null | false)[] = [
    amount.kind === 'by rule' &&
      !stirred &&
      !['roux', 'thicken', 'temper'].includes(step.kind) &&
      message(
        '{id} is “to match”: only a roux’s fat, a thickener’s carrier, a liaison’s cream and a stock’s concentrate can be',
        { id },
      ),
    food !== null &&
      amount.kind === 'counted' &&
      !oneOf(food, amount.of, amount.size) &&
      message('{id} cannot be counted by the {one}: nobody can say what one weighs; write its weight', {
        id,
        one: term(amount.of),
      }),
    item.as !== undefined &&
      food !== null &&
      !food.puree &&
      message('{id} cannot go in as {pulp}: it is nothing that is blended', { id, pulp: term(item.as) }),
    amount.kind === 'height' &&
      (step.kind !== 'add' || (food !== null && !POURED.has(food.group))) &&
      message(
        '{id} cannot be poured to a height: only what is poured, and in “add”, over what lies in the pot',
        { id },
      ),
    notSolved(item, blendedLater),
  ];
  return wrong.filter((w): w is Message => w !== null && w !== false);
}

/** What is wrong with step `n`, each with its place. */
function wrongIn(steps: readonly RecipeStep[], n: number, wet: boolean): readonly Issue[] {
  const step = steps[n];
  if (!step) return [];
  const at = { step: term(step.kind), n: n + 1 };
  const blendedLater = steps.slice(n).some((s) => s.kind === 'puree');
  return [
    ...(ROWS[step.kind].needsLiquid && !wet
      ? [
          {
            path: ['steps', n, 'kind'],
            says: step.in
              ? message('“{step}” cannot be step {n}: there is no liquid in “{pan}” yet', {
                  ...at,
                  pan: step.in,
                })
              : message('“{step}” cannot be step {n}: there is no liquid in the pot yet', at),
          },
        ]
      : []),
    ...(step.kind === 'keep' && n < steps.length - 1
      ? [
          {
            path: ['steps', n, 'kind'],
            says: message('“keep” is the last step: what is kept is done with'),
          },
        ]
      : []),
    ...notInYet(steps, n),
    ...portionsIn<RecipePortion>(step)
      .flatMap((item) => wrongOf(item, step, blendedLater))
      .map((says): Issue => ({ path: ['steps', n], says })),
  ];
}

/** What is left open in all: how often litres, and how much of the thickening, 1 for all of it. */
function leftOpen(steps: readonly RecipeStep[]): { readonly volume: number; readonly thickening: number } {
  const solved = steps
    .flatMap((s) => portionsIn<RecipePortion>(s))
    .flatMap(({ amount }) => (amount.kind === 'solve' ? [amount] : []));
  const blended = steps.filter((s) => s.kind === 'puree' && typeof s.fraction !== 'number').length;
  return {
    volume: solved.filter((a) => a.goal === 'volume').length,
    thickening: solved.reduce((sum, a) => sum + (a.goal === 'thickness' ? a.share : 0), blended),
  };
}

/** What is wrong with a recipe as a whole. */
function wrongInAll(steps: readonly RecipeStep[]): readonly Message[] {
  const things = steps.reduce((sum, s) => sum + portionsIn<RecipePortion>(s).length, 0);
  const minutes = steps.reduce((sum, s) => sum + minutesOf(s), 0);
  const { volume, thickening } = leftOpen(steps);
  const wrong: (Message | false)[] = [
    things > MOST_THINGS &&
      message('a soup has at most {most} things in it: it is {things}', { most: MOST_THINGS, things }),
    minutes > MOST_MINUTES &&
      message('its steps take {minutes} min together: a soup is done in a day, {most} min', {
        minutes: Math.round(minutes),
        most: MOST_MINUTES,
      }),
    volume > 1 && message('only one amount can be “to volume”, found {volume}', { volume }),
    thickening > 0 &&
      Math.abs(thickening - 1) > 0.005 &&
      message('what is “to thicken” must add to 100 %: it is {percent} %', {
        percent: Math.round(thickening * 100),
      }),
  ];
  return wrong.filter((w): w is Message => w !== false);
}

/** What is wrong with a recipe, each with its place. */
function whatDoesNotFollow({ steps, pans = [] }: Pick<Recipe, 'steps' | 'pans'>): readonly Issue[] {
  const { wetBefore, issues } = throughPans(steps, pans, wets);
  return [
    ...wrongInAll(steps).map((says): Issue => ({ path: ['steps'], says })),
    ...issues,
    // What a step pours itself is there for the next.
    ...steps.flatMap((_, n) => wrongIn(steps, n, wetBefore[n] ?? false)),
  ];
}

/**
 * One soup as the house makes it. Amounts are for `yieldLitres`; the plan scales them. Of the second form are recipes with
 * pans beside the pot.
 */
export const Recipe = z
  .object({
    format: z.enum(['panache.recipe/1', 'panache.recipe/2']),
    id: z.string().regex(/^[a-z0-9-]{1,60}$/),
    name: named(80),
    school: named(80),
    yieldLitres: z.number().positive().max(500),
    band: z.enum(BANDS),
    /** Pot and burner the amounts were written for: what "just multiply it" starts from. */
    home: z.object({ vessel: VesselSchema, burner: BurnerSchema }),
    /** What is cooked beside the pot that goes to the pass. */
    pans: z
      .array(PanSchema)
      .max(MOST_PANS, { error: issue('a soup has at most {most} pans beside its pot', { most: MOST_PANS }) })
      .optional(),
    steps: z.array(RecipeStep).min(1).max(40),
  })
  .superRefine((recipe, ctx) => {
    for (const { path, says } of whatDoesNotFollow(recipe))
      ctx.addIssue({ code: 'custom', path: [...path], message: issue(says.text, says.values) });
  })
  .transform((recipe) => {
    const { pans, ...rest } = recipe;
    return pans?.length
      ? { ...recipe, format: 'panache.recipe/2' as const }
      : { ...rest, format: 'panache.recipe/1' as const };
  });
export type Recipe = Omit<z.output<typeof Recipe>, 'pans' | 'format'> & {
  readonly format: 'panache.recipe/1' | 'panache.recipe/2';
  readonly pans?: readonly RecipePan[] | undefined;
  /** s from the start before which a pan is not begun: the plan’s, where it has put the steps in order. */
  readonly begins?: Readonly<Record<string, number>> | undefined;
};

/** A recipe as its file says it, amounts as typed. */
export type RecipeText = z.input<typeof Recipe>;
