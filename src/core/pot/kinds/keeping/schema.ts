import * as z from 'zod';
import type { Shapes } from '../shapes';

export const schema = <A extends z.ZodType, F extends z.ZodType>({ note }: Shapes<A, F>) =>
  z.object({
    kind: z.literal('keep'),
    ...note,
    days: z.number().int().min(1).max(365),
    at: z.number().min(-40).max(15),
  });
