import * as z from 'zod';
import { Flame, type Shapes } from '../shapes';

export const schema = <A extends z.ZodType, F extends z.ZodType>({ items, note }: Shapes<A, F>) =>
  z.object({
    kind: z.literal('temper'),
    ...note,
    items,
    warmTo: z.number().min(40).max(75),
    to: z.number().min(50).max(90),
    flame: Flame,
  });
