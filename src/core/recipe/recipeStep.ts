import type * as z from 'zod';
import { stepSchema } from '../pot/step';
import { AmountText, FractionText } from './amount';

/** What is done, each amount as the recipe gives it. */
export const RecipeStep = stepSchema(AmountText, FractionText);
export type RecipeStep = z.infer<typeof RecipeStep>;

/** One ingredient with its amount still as the recipe gives it. */
export type RecipePortion = Extract<RecipeStep, { kind: 'dust' }>['flour'];
