import { dayAfter } from '../service/service';
import { dayOf } from '../units/clock';
import type { LotState } from './lot';

/** The date mark of something kept. */
export type DateMark = {
  /** Last day it may be used; null while frozen: then it stands still. */
  readonly useBy: string | null;
  /** Days of it used up, today counted; the day of making is the first. */
  readonly used: number;
  /** Days left after today: 0 on its last, below it is past. Of what is frozen: what is left when it thaws. */
  readonly left: number;
};

/** Whole days from one day to another. */
export const daysBetween = (from: string, to: string): number =>
  Math.round((Date.parse(`${to}T00:00:00Z`) - Date.parse(`${from}T00:00:00Z`)) / 86_400_000);

/**
 * The date mark at `now` (ms) where `days` are allowed: the day of making counts, days wholly frozen do not, and a day
 * somebody named (as of what a batch was parted from) is never overstepped.
 */
export function dateMark(state: LotState, days: number, now: number): DateMark {
  const made = dayOf(new Date(state.put.madeAt));
  const today = dayOf(new Date(now));
  const before = state.put.daysUsed ?? 0;
  let stood = 0;
  for (const { from, to } of state.frozen) {
    const [a, b] = [dayOf(new Date(from)), dayOf(new Date(to ?? now))];
    stood += Math.max(0, daysBetween(a, b) - (to === null ? 0 : 1));
  }
  const used = before + Math.max(0, daysBetween(made, today)) + 1 - stood;
  const byRule = dayAfter(made, days - 1 - before + stood);
  const named = state.put.useBy ? dayAfter(state.put.useBy, stood) : byRule;
  const last = named < byRule ? named : byRule;
  const left = daysBetween(today, last);
  return { useBy: state.stage === 'frozen' ? null : last, used, left };
}
