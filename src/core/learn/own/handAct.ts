import * as z from 'zod';
import { issue } from '../../message/told';

const Key = z.string().min(3).max(160);

/** What somebody does about what was learned; apart from what it comes to, so that a page need not carry it. */
export const HandActSchema = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('fix'),
    key: Key,
    factor: z
      .number({ error: issue('a factor is a number') })
      .min(0.1, issue('at least 0.1'))
      .max(10, issue('at most 10')),
  }),
  z.object({ kind: z.literal('free'), key: Key }),
  z.object({ kind: z.literal('forget'), key: Key }),
  z.object({ kind: z.literal('leave out'), batch: z.uuid() }),
  z.object({ kind: z.literal('count again'), batch: z.uuid() }),
]);
