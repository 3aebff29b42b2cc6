import * as z from 'zod';
import { EQUAL_PARTS } from '../../../thicken/equalParts';
import { ROUX_COLOURS } from '../../../thicken/granules';
import { Minutes, type Shapes } from '../shapes';

export const schema = <A extends z.ZodType, F extends z.ZodType>({ portion, note }: Shapes<A, F>) =>
  z.object({
    kind: z.literal('roux'),
    ...note,
    flour: portion,
    /** Fat to cook it in; in a recipe its amount follows from the flour and the rule. */
    fat: portion,
    rule: z.enum(EQUAL_PARTS),
    colour: z.enum(ROUX_COLOURS),
    minutes: Minutes,
  });
