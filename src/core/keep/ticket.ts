import type { Ticket } from '../batch/ticket';
import { type Message, message } from '../message/message';
import type { RuleSet } from '../safety/rules';
import { DAY_MS } from '../units/moment';
import type { LotState } from './lot';
import { type Alarm, doingOf, nextReading, underLimit } from './standing';

/** What a forecast says of something that cools: °C now, and its alarm. */
export type CoolsBy = { readonly celsius: number; readonly alarm: Alarm };

/** Read within this, ms, a temperature still speaks of now. */
const FRESH = 10 * 60_000;

const ALARMS: Readonly<Record<Alarm, Message | null>> = {
  none: null,
  watch: null,
  'will miss': message('Cools too slowly'),
  unread: message('Not read in time'),
  lost: message('Not cold in time'),
};

/** The ticket of something kept that somebody has to see to, at `now` (ms); null for what only stands on its shelf. */
export function lotTicket(
  state: LotState,
  rule: RuleSet,
  probeEvery: number,
  now: number,
  by: CoolsBy | null,
): Ticket | null {
  if (!['hot', 'cooling', 'reheating', 'thawing'].includes(state.stage)) return null;
  const last = state.readings.at(-1);
  const fresh = last !== undefined && now - last.at < FRESH;
  const reheatBy = state.since + rule.reheat.withinSeconds * 1000;
  const until =
    state.stage === 'reheating' ? reheatBy : (nextReading(state, rule, probeEvery) ?? state.since + DAY_MS);
  const under = underLimit(state, rule, now);
  const celsius = fresh
    ? last.celsius
    : (by?.celsius ?? last?.celsius ?? (state.stage === 'hot' ? rule.hot.atLeast : 20));
  return {
    id: state.id,
    name: state.put.name,
    doing: doingOf(state, rule),
    step: 1,
    steps: 1,
    until: new Date(until).toISOString(),
    startedAt: new Date(state.put.madeAt).toISOString(),
    readyAt: new Date(state.put.madeAt).toISOString(),
    finished: true,
    celsius,
    by: fresh ? 'reading' : by ? 'model' : 'plan',
    timers: [],
    tooCold: under !== null,
    kept: true,
    ...(state.paired && { probe: state.paired.device }),
    trouble: under?.does === 'throw away' ? message('Too cold too long') : by ? ALARMS[by.alarm] : null,
  };
}
