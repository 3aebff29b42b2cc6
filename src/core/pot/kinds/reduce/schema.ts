import * as z from 'zod';
import { Flame, Minutes, type Shapes } from '../shapes';

export const schema = <A extends z.ZodType, F extends z.ZodType>({ note }: Shapes<A, F>) =>
  z.object({
    kind: z.literal('reduce'),
    ...note,
    flame: Flame,
    to: z.union([
      z.object({ share: z.number().min(0.1).max(1) }),
      /** Of what was poured in last. */
      z.object({ ofLast: z.number().min(0.1).max(1) }),
      z.object({ dropMm: z.number().positive().max(400) }),
      z.object({ minutes: Minutes }),
    ]),
  });
