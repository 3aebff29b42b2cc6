import * as z from 'zod';
import { LidSchema, Minutes, type Shapes } from '../shapes';

export const schema = <A extends z.ZodType, F extends z.ZodType>({ note }: Shapes<A, F>) =>
  z.object({
    kind: z.literal('rest'),
    ...note,
    minutes: Minutes,
    lid: LidSchema,
  });
