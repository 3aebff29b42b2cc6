import type * as z from 'zod';
import { term } from '../message/term';
import { issue } from '../message/told';

/** Refuses two rows of `what` with the same `key`. */
export const unique = (what: string, key: string) => (rows: readonly object[], ctx: z.RefinementCtx) => {
  const seen = new Set<unknown>();
  for (const [n, row] of rows.entries()) {
    const value = Reflect.get(row, key);
    if (seen.has(value))
      ctx.addIssue({
        code: 'custom',
        path: [n, key],
        message: issue('two {what} are called “{name}”', { what: term(what), name: String(value) }),
      });
    seen.add(value);
  }
};
