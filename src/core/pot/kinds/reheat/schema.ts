import * as z from 'zod';
import { Flame, LidSchema, type Shapes } from '../shapes';

export const schema = <A extends z.ZodType, F extends z.ZodType>({ note }: Shapes<A, F>) =>
  z.object({
    kind: z.literal('reheat'),
    ...note,
    to: z.number().min(60).max(95),
    flame: Flame,
    lid: LidSchema,
  });
