import * as z from 'zod';
import { Flame, LidSchema, Minutes, type Shapes } from '../shapes';

export const schema = <A extends z.ZodType, F extends z.ZodType>({ note }: Shapes<A, F>) =>
  z.object({
    kind: z.literal('simmer'),
    ...note,
    minutes: Minutes,
    untilTender: z.boolean().optional(),
    lid: LidSchema,
    flame: Flame.optional(),
  });
