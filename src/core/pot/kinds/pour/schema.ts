import * as z from 'zod';
import { Minutes, PanName, PiecesOf, type Shapes } from '../shapes';
import { TAKES } from './takes';

/** One pan into another: into `in`, or the pot; out of `from`, or the pot. */
export const schema = <A extends z.ZodType, F extends z.ZodType>({ note }: Shapes<A, F>) =>
  z.object({
    kind: z.literal('pour'),
    ...note,
    from: PanName.optional(),
    takes: z.enum(TAKES),
    /** Share of that; all of it unless said. */
    share: z.number().min(0.01).max(1).optional(),
    of: z.array(PiecesOf).optional(),
    gradually: z.boolean().optional(),
    minutes: Minutes.optional(),
  });
