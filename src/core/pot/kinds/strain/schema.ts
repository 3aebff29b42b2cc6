import * as z from 'zod';
import { Minutes, PiecesOf, type Shapes, Share } from '../shapes';

export const schema = <A extends z.ZodType, F extends z.ZodType>({ note }: Shapes<A, F>) =>
  z.object({
    kind: z.literal('strain'),
    ...note,
    minutes: Minutes.optional(),
    keeps: Share.optional(),
    of: z.array(PiecesOf).optional(),
  });
