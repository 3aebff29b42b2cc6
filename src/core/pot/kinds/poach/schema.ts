import * as z from 'zod';
import { LidSchema, Minutes, type Shapes } from '../shapes';

export const schema = <A extends z.ZodType, F extends z.ZodType>({ items, note }: Shapes<A, F>) =>
  z.object({
    kind: z.literal('poach'),
    ...note,
    items,
    at: z.number().min(60).max(98),
    lid: LidSchema,
    minutes: Minutes.optional(),
  });
