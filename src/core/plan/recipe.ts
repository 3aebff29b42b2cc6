import * as z from 'zod';
import { BANDS } from '../flow/bands';
import { EFFICIENCY } from '../heat/burner';
import { MATERIALS } from '../heat/vessel';
import { stepSchema } from '../pot/step';
import { AmountText, FractionText } from './amount';

export const RecipeStep = stepSchema(AmountText, FractionText);
export type RecipeStep = z.infer<typeof RecipeStep>;

/** One ingredient with its amount still as the recipe gives it. */
export type RecipePortion = Extract<RecipeStep, { kind: 'dust' }>['flour'];

const keysOf = <T extends object>(o: T) => Object.keys(o) as [keyof T & string, ...(keyof T & string)[]];

export const VesselSchema = z.object({
  id: z.string().min(1).max(60),
  name: z.string().min(1).max(60),
  diameterMm: z.number().min(80).max(1200),
  heightMm: z.number().min(40).max(1200),
  material: z.enum(keysOf(MATERIALS)),
  massG: z.number().min(100).max(100_000),
});

export const BurnerSchema = z.object({
  id: z.string().min(1).max(60),
  name: z.string().min(1).max(60),
  kind: z.enum(keysOf(EFFICIENCY)),
  powerW: z.number().min(300).max(60_000),
});

const goalsIn = (steps: readonly RecipeStep[]): string[] =>
  JSON.stringify(steps).match(/"goal":"(thickness|volume)"/g) ?? [];

/** One soup as the house makes it. Amounts are for `yieldLitres`; the plan scales them. */
export const Recipe = z
  .object({
    format: z.literal('panache.recipe/1'),
    id: z.string().regex(/^[a-z0-9-]{1,60}$/),
    name: z.string().min(1).max(80),
    school: z.string().min(1).max(80),
    yieldLitres: z.number().positive().max(500),
    band: z.enum(BANDS),
    /** Pot and burner the amounts were written for: what "just multiply it" starts from. */
    home: z.object({ vessel: VesselSchema, burner: BurnerSchema }),
    steps: z.array(RecipeStep).min(1).max(40),
  })
  .superRefine((recipe, ctx) => {
    for (const goal of ['thickness', 'volume']) {
      const count = goalsIn(recipe.steps).filter((g) => g.includes(goal)).length;
      if (count > 1) {
        ctx.addIssue({
          code: 'custom',
          path: ['steps'],
          message: `only one amount can be “to ${goal}”, found ${count}`,
        });
      }
    }
  });
export type Recipe = z.infer<typeof Recipe>;
