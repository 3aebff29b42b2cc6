import * as z from 'zod';
import { isIngredient } from '../food/catalogue';
import { EQUAL_PARTS } from '../thicken/equalParts';
import { ROUX_COLOURS } from '../thicken/granules';

export const CutSchema = z.object({
  shape: z.enum(['slab', 'rod', 'cube']),
  edgeMm: z.number().min(1).max(80),
});

const IngredientId = z
  .string()
  .refine(isIngredient, { error: (issue) => `ingredient “${String(issue.input)}” is not in the catalogue` });

const LidSchema = z.enum(['on', 'ajar', 'off']);
const Minutes = z.number().min(0).max(600);
const Flame = z.number().min(0.05).max(1);
const Celsius = z.number().min(-25).max(200);

/**
 * The shape of every step, over whatever stands for an amount: grams in a {@link Step}, amounts
 * still to be resolved in a recipe. One definition, so that the two cannot drift apart.
 */
export function stepSchema<A extends z.ZodType, F extends z.ZodType>(amount: A, fraction: F) {
  const portion = z.object({
    ingredient: IngredientId,
    amount,
    celsius: Celsius.optional(),
    cut: CutSchema.optional(),
    prep: z.string().max(80).optional(),
  });
  const items = z.array(portion).min(1).max(30);
  const note = { look: z.string().max(200).optional() };
  return z.discriminatedUnion('kind', [
    z.object({
      kind: z.literal('sweat'),
      ...note,
      items,
      minutes: Minutes,
      to: z.enum(['translucent', 'gold']),
      lid: LidSchema.optional(),
    }),
    z.object({
      kind: z.literal('roux'),
      ...note,
      flour: portion,
      /** Fat to cook it in; in a recipe its amount follows from the flour and the rule. */
      fat: portion,
      rule: z.enum(EQUAL_PARTS),
      colour: z.enum(ROUX_COLOURS),
      minutes: Minutes,
    }),
    z.object({ kind: z.literal('dust'), ...note, flour: portion, minutes: Minutes }),
    z.object({
      kind: z.literal('add'),
      ...note,
      items,
      gradually: z.boolean().optional(),
      lid: LidSchema.optional(),
    }),
    z.object({
      kind: z.literal('bring-to'),
      ...note,
      /** °C, or the simmer or the boil wherever this kitchen stands. */
      to: z.union([z.literal('simmer'), z.literal('boil'), z.number().min(30).max(100)]),
      flame: Flame,
      lid: LidSchema,
    }),
    z.object({
      kind: z.literal('simmer'),
      ...note,
      minutes: Minutes,
      untilTender: z.boolean().optional(),
      lid: LidSchema,
      flame: Flame.optional(),
    }),
    z.object({
      kind: z.literal('puree'),
      ...note,
      fraction,
      of: z.array(IngredientId).optional(),
      tool: z.enum(['stick blender', 'jug blender']),
    }),
    z.object({ kind: z.literal('season'), ...note, items }),
  ]);
}

const Grams = z.number().min(0).max(2e6);

/** What the cook does, with every amount in grams. */
export const Step = stepSchema(Grams, z.number().min(0).max(1));
export type Step = z.infer<typeof Step>;
export type StepKind = Step['kind'];

/** A weighed amount of one ingredient, in grams, as it goes in. */
export type Portion = Extract<Step, { kind: 'dust' }>['flour'];
