import * as z from 'zod';
import { Minutes, type Shapes, Share } from '../shapes';

export const schema = <A extends z.ZodType, F extends z.ZodType>({ items, note }: Shapes<A, F>) =>
  z.object({
    kind: z.literal('render'),
    ...note,
    items,
    minutes: Minutes,
    keep: Share,
  });
