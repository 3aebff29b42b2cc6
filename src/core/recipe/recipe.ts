import * as z from 'zod';
import { BANDS } from '../flow/bands';
import { ingredient, isIngredient } from '../food/catalogue';
import { POURED } from '../food/ingredient';
import { oneOf } from '../food/pieces';
import { EFFICIENCY } from '../heat/burner';
import { MATERIALS } from '../heat/vessel';
import { type Message, message } from '../message/message';
import { term } from '../message/term';
import { issue } from '../message/told';
import { lotOf } from '../pot/contents/lots';
import { portionsIn } from '../pot/contents/portions';
import { ROWS } from '../pot/kinds/rows';
import { stepSchema } from '../pot/step';
import { named } from '../units/named';
import { AmountText, FractionText } from './amount';

export const RecipeStep = stepSchema(AmountText, FractionText);
export type RecipeStep = z.infer<typeof RecipeStep>;

/** One ingredient with its amount still as the recipe gives it. */
export type RecipePortion = Extract<RecipeStep, { kind: 'dust' }>['flour'];

const keysOf = <T extends object>(o: T) => Object.keys(o) as [keyof T & string, ...(keyof T & string)[]];

export const VesselSchema = z.object({
  id: named(60),
  name: named(60),
  diameterMm: z.number().min(80).max(1200),
  heightMm: z.number().min(40).max(1200),
  material: z.enum(keysOf(MATERIALS)),
  massG: z.number().min(100).max(100_000),
  lossFactor: z.number().min(0.1).max(5).optional(),
});

export const BurnerSchema = z.object({
  id: named(60),
  name: named(60),
  kind: z.enum(keysOf(EFFICIENCY)),
  powerW: z.number().min(300).max(60_000),
  intoPotW: z.number().min(50).max(60_000).optional(),
});

type Issue = { readonly path: readonly (string | number)[]; readonly says: Message };

/** Most things put in over all steps, and most minutes the steps take together: what a recipe may ask of whoever works it out. */
const MOST_THINGS = 80;
const MOST_MINUTES = 1440;

const minutesOf = (s: RecipeStep): number =>
  s.kind === 'reduce' ? ('minutes' in s.to ? s.to.minutes : 0) : 'minutes' in s ? (s.minutes ?? 0) : 0;

/** What is wrong with a recipe as a whole, each with its place. */
function whatDoesNotFollow(steps: readonly RecipeStep[]): readonly Issue[] {
  const issues: Issue[] = [];
  let wet = false;
  let volume = 0;
  let thickness = 0;
  let blend = 0;
  const things = steps.reduce((sum, s) => sum + portionsIn<RecipePortion>(s).length, 0);
  if (things > MOST_THINGS)
    issues.push({
      path: ['steps'],
      says: message('a soup has at most {most} things in it: it is {things}', { most: MOST_THINGS, things }),
    });
  const minutes = steps.reduce((sum, s) => sum + minutesOf(s), 0);
  if (minutes > MOST_MINUTES)
    issues.push({
      path: ['steps'],
      says: message('its steps take {minutes} min together: a soup is done in a day, {most} min', {
        minutes: Math.round(minutes),
        most: MOST_MINUTES,
      }),
    });
  for (const [n, step] of steps.entries()) {
    if (ROWS[step.kind].needsLiquid && !wet) {
      issues.push({
        path: ['steps', n, 'kind'],
        says: message('“{step}” cannot be step {n}: there is no liquid in the pot yet', {
          step: term(step.kind),
          n: n + 1,
        }),
      });
    }
    if (step.kind === 'keep' && n < steps.length - 1)
      issues.push({
        path: ['steps', n, 'kind'],
        says: message('“keep” is the last step: what is kept is done with'),
      });
    if (step.kind === 'puree' && typeof step.fraction !== 'number') blend++;
    if ((step.kind === 'puree' || step.kind === 'strain') && step.of)
      for (const name of step.of) {
        const { ingredient: id, lot } = lotOf(name);
        const goes = steps.slice(0, n).flatMap((s) => portionsIn<RecipePortion>(s));
        const found = goes.filter((p) => p.ingredient === id && !p.as).length;
        if (lot !== null && lot > found)
          issues.push({
            path: ['steps', n, 'of'],
            says: message(
              '“{name}” is not in the pot by then: {id} has gone in {found, plural, one {once} other {# times}}',
              { name, id, found },
            ),
          });
      }
    for (const item of portionsIn<RecipePortion>(step)) {
      const food = isIngredient(item.ingredient) ? ingredient(item.ingredient) : null;
      if (
        food &&
        (POURED.has(food.group) || food.puree === 'tomato') &&
        (step.kind === 'add' || step.kind === 'temper')
      )
        wet = true;
      const stirred = step.kind === 'add' && food?.byTheLitre !== undefined;
      if (item.amount.kind === 'by rule' && !stirred && !['roux', 'thicken', 'temper'].includes(step.kind)) {
        issues.push({
          path: ['steps', n],
          says: message(
            '{id} is “to match”: only a roux’s fat, a thickener’s carrier, a liaison’s cream and a stock’s concentrate can be',
            { id: item.ingredient },
          ),
        });
      }
      if (food && item.amount.kind === 'counted' && !oneOf(food, item.amount.of, item.amount.size)) {
        issues.push({
          path: ['steps', n],
          says: message(
            '{id} cannot be counted by the {one}: nobody can say what one weighs; write its weight',
            { id: item.ingredient, one: term(item.amount.of) },
          ),
        });
      }
      if (item.as && food && !food.puree) {
        issues.push({
          path: ['steps', n],
          says: message('{id} cannot go in as {pulp}: it is nothing that is blended', {
            id: item.ingredient,
            pulp: term(item.as),
          }),
        });
      }
      if (item.amount.kind === 'height' && (step.kind !== 'add' || (food && !POURED.has(food.group)))) {
        issues.push({
          path: ['steps', n],
          says: message(
            '{id} cannot be poured to a height: only what is poured, and in “add”, over what lies in the pot',
            { id: item.ingredient },
          ),
        });
      }
      if (item.amount.kind !== 'solve') continue;
      if (item.amount.goal === 'volume') volume++;
      if (item.amount.goal === 'thickness') {
        thickness += item.amount.share;
        const blended = steps.slice(n).some((s) => s.kind === 'puree');
        if (food && !food.thickener && !(food.puree && blended)) {
          issues.push({
            path: ['steps', n],
            says: food.puree
              ? message('{id} cannot be “to thicken”: it is not a thickener unless it is blended later', {
                  id: item.ingredient,
                })
              : message('{id} cannot be “to thicken”: it is not a thickener', { id: item.ingredient }),
          });
        }
      }
      if (item.amount.goal === 'taste' && food && food.sodium < 30_000) {
        issues.push({
          path: ['steps', n],
          says: message('{id} cannot be “to taste”: only salt is solved for taste', { id: item.ingredient }),
        });
      }
    }
  }
  if (volume > 1)
    issues.push({
      path: ['steps'],
      says: message('only one amount can be “to volume”, found {volume}', { volume }),
    });
  const solved = thickness + blend;
  if (solved > 0 && Math.abs(solved - 1) > 0.005) {
    issues.push({
      path: ['steps'],
      says: message('what is “to thicken” must add to 100 %: it is {percent} %', {
        percent: Math.round(solved * 100),
      }),
    });
  }
  return issues;
}

/** One soup as the house makes it. Amounts are for `yieldLitres`; the plan scales them. */
export const Recipe = z
  .object({
    format: z.literal('panache.recipe/1'),
    id: z.string().regex(/^[a-z0-9-]{1,60}$/),
    name: named(80),
    school: named(80),
    yieldLitres: z.number().positive().max(500),
    band: z.enum(BANDS),
    /** Pot and burner the amounts were written for: what "just multiply it" starts from. */
    home: z.object({ vessel: VesselSchema, burner: BurnerSchema }),
    steps: z.array(RecipeStep).min(1).max(40),
  })
  .superRefine((recipe, ctx) => {
    for (const { path, says } of whatDoesNotFollow(recipe.steps))
      ctx.addIssue({ code: 'custom', path: [...path], message: issue(says.text, says.values) });
  });
export type Recipe = z.infer<typeof Recipe>;

/** A recipe as its file says it, amounts as typed. */
export type RecipeText = z.input<typeof Recipe>;
