import * as z from 'zod';
import { issue } from '../message/told';
import { STEP_KINDS, type StepKind } from './kinds/names';
import { schemasOf } from './kinds/schemas';
import { shapes } from './kinds/shapes';

/**
 * The shape of every step, over whatever stands for an amount: grams in a {@link Step}, amounts
 * still to be resolved in a recipe.
 */
export const stepSchema = <A extends z.ZodType, F extends z.ZodType>(amount: A, fraction: F) =>
  z.discriminatedUnion('kind', schemasOf(shapes(amount, fraction)), {
    error: ({ code, note }) =>
      code === 'invalid_union' && note === 'No matching discriminator'
        ? issue('kind is one of {kinds}', { kinds: { listed: [...STEP_KINDS] } })
        : undefined,
  });

const Grams = z.number().min(0).max(2e6);

/** What the cook does, with every amount in grams. */
export const Step = stepSchema(Grams, z.number().min(0).max(1));
export type Step = z.infer<typeof Step>;

/** A step of one kind. */
export type StepOf<K extends StepKind> = Extract<Step, { kind: K }>;

/** A step as it is typed, each amount as text. */
export type TypedStep = z.input<ReturnType<typeof stepSchema<z.ZodString, z.ZodString>>>;

/** A weighed amount of one ingredient, in grams, as it goes in. */
export type Portion = Extract<Step, { kind: 'dust' }>['flour'];
