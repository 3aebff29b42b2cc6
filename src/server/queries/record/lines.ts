import type * as z from 'zod';
import type { Unreadable } from '../../../core/batch/record';

/** A line of a record as it is stored, of a batch or of something kept alike. */
export type LineRow = {
  readonly id: string;
  readonly at: Date;
  readonly received_at: Date;
  readonly station: string;
  readonly body: unknown;
  readonly clock_ms: string | null;
  readonly via: unknown;
  /** An archive brought it; absent where that is said of all the record it is of. */
  readonly brought?: boolean;
};

/** The columns of one. */
export const LINE = 'id, at, received_at, station, clock_ms, body, via';

/** A stored moment as text; “infinity” and years no calendar has come as they are. */
export const momentOf = (at: unknown): string =>
  at instanceof Date && !Number.isNaN(at.getTime()) ? at.toISOString() : String(at);

/** A stored line, or why it cannot be read: what was let in once must not stop a page for ever. */
export function lineIn<E>(schema: z.ZodType<E>, row: LineRow): E | Unreadable {
  const read = schema.safeParse({
    id: row.id,
    at: momentOf(row.at),
    station: row.station,
    body: row.body,
    receivedAt: momentOf(row.received_at),
    ...(row.clock_ms !== null && { clockMs: Number(row.clock_ms) }),
    ...(row.via !== null && { via: row.via }),
    ...(row.brought && { brought: true }),
  });
  if (read.success) return read.data;
  const [issue] = read.error.issues;
  return { id: row.id, why: `${issue?.path.join('.') ?? ''}: ${issue?.message ?? ''}`.slice(0, 200) };
}

export const isReadable = <E>(line: E | Unreadable): line is E =>
  typeof line === 'object' && line !== null && !('why' in line);

/** Lines that can be read; one that cannot counts for nothing here and stands in the record. */
export const readable = <E>(schema: z.ZodType<E>, rows: readonly LineRow[]): readonly E[] =>
  rows.map((row) => lineIn(schema, row)).filter(isReadable);
