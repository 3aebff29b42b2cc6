import * as z from 'zod';
import { COOLING_METHODS } from '../../../heat/cool/body';
import type { Shapes } from '../shapes';

export const schema = <A extends z.ZodType, F extends z.ZodType>({ note }: Shapes<A, F>) =>
  z.object({
    kind: z.literal('chill'),
    ...note,
    method: z.enum(COOLING_METHODS),
    depthMm: z.number().min(10).max(400),
    to: z.number().min(1).max(20),
  });
