import * as z from 'zod';
import { Minutes, type Shapes } from '../shapes';

export const schema = <A extends z.ZodType, F extends z.ZodType>({ portion, note }: Shapes<A, F>) =>
  z.object({
    kind: z.literal('dust'),
    ...note,
    flour: portion,
    minutes: Minutes,
    offHeat: z.boolean().optional(),
  });
