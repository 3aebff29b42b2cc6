import * as z from 'zod';
import { LidSchema, type Shapes } from '../shapes';

export const schema = <A extends z.ZodType, F extends z.ZodType>({ items, note, standing }: Shapes<A, F>) =>
  z.object({
    kind: z.literal('add'),
    ...note,
    ...standing,
    items,
    gradually: z.boolean().optional(),
    lid: LidSchema.optional(),
  });
