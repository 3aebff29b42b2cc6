import * as z from 'zod';
import { Flame, LidSchema, type Shapes } from '../shapes';

export const schema = <A extends z.ZodType, F extends z.ZodType>({ note }: Shapes<A, F>) =>
  z.object({
    kind: z.literal('bring-to'),
    ...note,
    /** °C, or the simmer or the boil wherever this kitchen stands. */
    to: z.union([z.literal('simmer'), z.literal('boil'), z.number().min(30).max(100)]),
    flame: Flame,
    lid: LidSchema,
  });
