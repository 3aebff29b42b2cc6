import * as z from 'zod';
import { Flame, LidSchema, Minutes, type Shapes } from '../shapes';

export const schema = <A extends z.ZodType, F extends z.ZodType>({ items, note }: Shapes<A, F>) =>
  z.object({
    kind: z.literal('sweat'),
    ...note,
    items,
    minutes: Minutes,
    to: z.enum(['translucent', 'gold']),
    lid: LidSchema.optional(),
    /** Gentle for translucent and stronger for gold unless said. */
    flame: Flame.optional(),
    /** In one layer, so that it browns: in lots, where not all of it lies in the pan at once. */
    layer: z.boolean().optional(),
    /** In how many: the plan’s. */
    lots: z.int().min(1).max(60).optional(),
  });
