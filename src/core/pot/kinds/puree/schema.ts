import * as z from 'zod';
import { PUREE_TOOLS } from '../../../thicken/puree';
import { PiecesOf, type Shapes } from '../shapes';

export const schema = <A extends z.ZodType, F extends z.ZodType>({
  fraction,
  note,
  standing,
}: Shapes<A, F>) =>
  z.object({
    kind: z.literal('puree'),
    ...note,
    ...standing,
    fraction,
    of: z.array(PiecesOf).optional(),
    /** Share of the pieces set aside before blending and put back after. */
    reserve: z.number().min(0).max(0.95).optional(),
    tool: z.enum(PUREE_TOOLS),
  });
