import type { BatchEvent } from '../events';

/** An event that reached the server this long after it happened, ms, waited on its station. */
const LATE = 120_000;

/** How late the record has an event, ms; 0 when it came at once, or nobody knows. */
export function lateBy({ at, receivedAt }: Pick<BatchEvent, 'at' | 'receivedAt'>): number {
  const late = receivedAt ? Date.parse(receivedAt) - Date.parse(at) : 0;
  return late > LATE ? late : 0;
}
