import { type Message, message } from '../../message/message';
import type { RuleSet } from '../../safety/rules';
import { dayAfter } from '../../service/service';
import { shortDay } from '../../service/words/dayWords';
import { dayAndTime, dayOf } from '../../units/clock';
import { DAY_MS } from '../../units/moment';
import type { LotState } from '../lot';
import { answered } from '../safe/judged';

/** Why something kept has no last day: its date stands still, or it was not kept within the rule, or nobody can tell. */
export const UNDATED = ['frozen', 'not within the rule', 'cannot be told'] as const;
export type Undated = (typeof UNDATED)[number];

/** The date mark of something kept. */
export type DateMark = {
  /** Last day it may be used; null where it may not be dated. */
  readonly useBy: string | null;
  readonly why: Undated | null;
  /** °C it is dated for only if it is read at, and ms by when; `by` null while its clock has not begun. Null once it was. */
  readonly ifCold: { readonly to: number; readonly by: number | null } | null;
  /** Last day by its days alone, whatever else holds. */
  readonly last: string;
  /** Days of it used up, today counted; the day of making is the first. */
  readonly used: number;
  /** Days left after today: 0 on its last, below it is past. Of what is frozen: what is left when it thaws. */
  readonly left: number;
};

/** Whole days from one day to another. */
export const daysBetween = (from: string, to: string): number =>
  Math.round((Date.parse(`${to}T00:00:00Z`) - Date.parse(`${from}T00:00:00Z`)) / DAY_MS);

/**
 * The date mark at `now` (ms) by `rule`: the day of making counts, days wholly frozen do not, and a day somebody named (as
 * of what a batch was parted from) is never overstepped. What was not kept within the rule, or cannot be shown to have been,
 * has none.
 */
export function dateMark(state: LotState, rule: RuleSet, now: number): DateMark {
  const { days } = rule.keep;
  const dayAt = (ms: number | string): string => dayOf(new Date(ms), rule.dayEnds);
  const made = dayAt(state.put.madeAt);
  const today = dayAt(now);
  const before = state.put.daysUsed ?? 0;
  let stood = 0;
  for (const { from, to } of state.frozen) {
    const [a, b] = [dayAt(from), dayAt(to ?? now)];
    stood += Math.max(0, daysBetween(a, b) - (to === null ? 0 : 1));
  }
  const used = before + Math.max(0, daysBetween(made, today)) + 1 - stood;
  const byRule = dayAfter(made, days - 1 - before + stood);
  const named = state.put.useBy ? dayAfter(state.put.useBy, stood) : byRule;
  const last = named < byRule ? named : byRule;
  const left = daysBetween(today, last);
  const { answer, limits } = answered(state, rule, now);
  const why: Undated | null =
    answer === 'will not'
      ? 'not within the rule'
      : answer === 'cannot be told' && state.wasHot
        ? 'cannot be told'
        : state.was === 'frozen'
          ? 'frozen'
          : null;
  const ends = rule.cooling.stages.at(-1);
  const ifCold = answer === 'open' && ends ? { to: ends.to, by: limits.at(-1)?.by ?? null } : null;
  return { useBy: why === null ? last : null, why, ifCold, last, used, left };
}

const WITHOUT: Readonly<Record<Undated, Message>> = {
  frozen: message('frozen'),
  'not within the rule': message('not within the rule'),
  'cannot be told': message('cannot be told to be safe'),
};

/** The day, or why there is none. */
export const dateWords = ({ useBy, why }: DateMark): Message =>
  useBy === null ? WITHOUT[why ?? 'frozen'] : shortDay(useBy);

/** On what condition it is dated; null where on none. */
export const ifColdWords = ({ ifCold }: Pick<DateMark, 'ifCold'>): Message | null =>
  ifCold &&
  (ifCold.by === null
    ? message('only once it is read at {to}', { to: { celsius: ifCold.to } })
    : message('only if it is read at {to} by {at}', {
        to: { celsius: ifCold.to },
        at: dayAndTime(new Date(ifCold.by)),
      }));
