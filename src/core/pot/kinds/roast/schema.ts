import * as z from 'zod';
import { Minutes, type Shapes } from '../shapes';

export const schema = <A extends z.ZodType, F extends z.ZodType>({ items, note }: Shapes<A, F>) =>
  z.object({
    kind: z.literal('roast'),
    ...note,
    items,
    /** °C of the oven. */
    at: z.number().min(80).max(300),
    minutes: Minutes,
    /** In so many loads, one after another, where not all its trays go in at once: the plan’s. */
    loads: z.int().min(1).max(60).optional(),
  });
