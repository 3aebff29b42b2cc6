import type { Ticket } from '../../../core/batch/ticket';

/**
 * How much a pot wants somebody now: a timer rings, it is kept too cold, something is wrong with its record, its
 * step is past its time, or none of these.
 */
type Urgency = 'rings' | 'cold' | 'trouble' | 'late' | null;

const RANK: readonly Urgency[] = ['rings', 'cold', 'trouble', 'late', null];

export function urgencyOf(t: Ticket, now: number): Urgency {
  if (t.timers.some((x) => x.endsAt <= now)) return 'rings';
  if (t.tooCold) return 'cold';
  if (t.trouble) return 'trouble';
  return Date.parse(t.until) <= now ? 'late' : null;
}

/** Tickets with those first that want somebody, and of these the longest over; the rest by what comes next. */
export const urgentFirst = (tickets: readonly Ticket[], now: number): readonly Ticket[] =>
  tickets.toSorted(
    (a, b) =>
      RANK.indexOf(urgencyOf(a, now)) - RANK.indexOf(urgencyOf(b, now)) ||
      Date.parse(a.until) - Date.parse(b.until),
  );
