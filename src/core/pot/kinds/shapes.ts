import * as z from 'zod';
import { isIngredient, notCatalogued } from '../../food/catalogue';
import { issue } from '../../message/told';
import { lotOf } from '../contents/lots';

const CutSchema = z.object({
  shape: z.enum(['slab', 'rod', 'cube']),
  edgeMm: z.number().min(1).max(80),
});

const IngredientId = z.string().refine(isIngredient, { error: ({ input }) => notCatalogued(input) });

export const LidSchema = z.enum(['on', 'ajar', 'off']);
export const Minutes = z.number().min(0).max(600);
export const Flame = z.number().min(0.05).max(1);
export const Share = z.number().min(0).max(1);
const Celsius = z.number().min(-25).max(200);

/** The name of a pan, as the recipe has it. */
export const PanName = z
  .string()
  .trim()
  .min(1, { error: issue('give the pan a name') })
  .max(24, { error: issue('a pan’s name has at most 24 letters') });

/** Which of several goes of one ingredient is meant: "floury-potato#2" is the second that went in, without a number all. */
export const PiecesOf = z
  .string()
  .refine((name) => isIngredient(lotOf(name).ingredient) && lotOf(name).lot !== 0, {
    error: ({ input }) =>
      issue('“{given}” is not in the catalogue: an ingredient, or its second go as leek#2', {
        given: String(input),
      }),
  });

/**
 * What steps are made of, over whatever stands for an amount: grams in a `Step`, amounts still to be
 * resolved in a recipe. One definition, so that the two cannot drift apart.
 */
export function shapes<A extends z.ZodType, F extends z.ZodType>(amount: A, fraction: F) {
  const portion = z.object({
    ingredient: IngredientId,
    amount,
    celsius: Celsius.optional(),
    cut: CutSchema.optional(),
    prep: z.string().max(80).optional(),
    /** Cooked and broken open in another pan before it goes in. */
    as: z.enum(['puree', 'mash']).optional(),
  });
  return {
    portion,
    items: z.array(portion).min(1).max(30),
    fraction,
    note: {
      look: z.string().max(200).optional(),
      /** The pan it is done in, by its name; the pot that goes to the pass where none is said. */
      in: PanName.optional(),
    },
    /** What takes its time on the flame it finds, unless the pot is taken off; for so long, or as long as it takes. */
    standing: { offHeat: z.boolean().optional(), minutes: Minutes.optional() },
  };
}
export type Shapes<A extends z.ZodType, F extends z.ZodType> = ReturnType<typeof shapes<A, F>>;
