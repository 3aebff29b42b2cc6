import * as z from 'zod';
import { ROUX_COLOURS } from '../../../thicken/granules';
import { THICKEN_METHODS } from '../../../thickeners/row';
import { Flame, LidSchema, Minutes, type Shapes } from '../shapes';

export const schema = <A extends z.ZodType, F extends z.ZodType>({ portion, note }: Shapes<A, F>) =>
  z.object({
    kind: z.literal('thicken'),
    ...note,
    method: z.enum(THICKEN_METHODS),
    thickener: portion,
    /** Cold water of a slurry, butter of a kneaded butter or roux, cream the starch is boiled in. */
    carrier: portion.optional(),
    colour: z.enum(ROUX_COLOURS).optional(),
    additions: z.number().int().min(1).max(6).optional(),
    minutes: Minutes,
    /** It is brought to the simmer on; six tenths where it is not said. */
    flame: Flame.optional(),
    lid: LidSchema.optional(),
  });
