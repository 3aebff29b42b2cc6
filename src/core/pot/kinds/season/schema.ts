import * as z from 'zod';
import type { Shapes } from '../shapes';

export const schema = <A extends z.ZodType, F extends z.ZodType>({ items, note, standing }: Shapes<A, F>) =>
  z.object({
    kind: z.literal('season'),
    ...note,
    ...standing,
    items,
  });
