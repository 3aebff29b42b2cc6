import { type Message, message } from '../../message/message';
import { type Answer, type Limit, type LimitAnswer, limitsOf, worst } from '../../safety/course';
import type { RuleSet } from '../../safety/rules';
import { timeOfDay } from '../../units/clock';
import type { LotState } from '../lot';
import type { Deviation } from './deviation';

/** What can be said of something kept. */
type Judged = {
  /** Limits of the cooling it is in, or was in last; none where it was never hot here, or is still hot. */
  readonly limits: readonly Limit[];
  /** Everything that went against a rule, or cannot be shown not to have, by time. */
  readonly deviations: readonly Deviation[];
  /** Of the whole of it: `open` while it is hot or still has time to cool. Only `holds` is green. */
  readonly answer: LimitAnswer;
};

const minutes = (ms: number): number => Math.round(ms / 60_000);

/** What was judged of it before now counts as it was: it is over, nothing more goes by. */
const momentOf = ({ over }: LotState, now: number): number => (over ? Math.min(now, over.at) : now);

/** What a limit that was not kept, or cannot be told, says in the record. */
function limitSays(state: LotState, { to, by, met, answer }: Limit): Message {
  const due = { to: { celsius: to }, by: timeOfDay(new Date(by)) };
  const read = state.readings.find((r) => r.at === met);
  if (!read) return message('{to} was due by {by} and was not read', due);
  const late = {
    ...due,
    celsius: { celsius: read.celsius, exact: true as const },
    late: minutes(read.at - by),
  };
  return answer === 'will not'
    ? message('{to} was due by {by}: read {celsius} only {late} min later', late)
    : message('{to} was due by {by} and was not read by then: {celsius} {late} min later', late);
}

/** Limits of one course that were not kept, as deviations. */
export const limitDeviations = (state: LotState, limits: readonly Limit[]): readonly Deviation[] =>
  limits.flatMap((limit): Deviation[] =>
    limit.answer === 'will not' || limit.answer === 'cannot be told'
      ? [
          {
            id: `cooling ${state.courses} ${limit.to}`,
            kind: 'cooling',
            at: limit.met ?? limit.by,
            event: null,
            says: limitSays(state, limit),
            known: limit.answer === 'will not',
            spoils: true,
            celsius: state.readings.findLast((r) => r.at <= limit.by)?.celsius ?? null,
            done: null,
          },
        ]
      : [],
  );

/** Whether it may wait out the grace a rule gives once to what is under the limit on the pass. */
export const mayWait = ({ graced }: Pick<LotState, 'graced'>, { hot }: RuleSet): boolean =>
  hot.graceSeconds > 0 && !graced;

/** s something may be under the limit on the pass, by what it may do then: wait out its grace, or be reheated. */
export const allowedUnder = (state: LotState, rule: RuleSet): number =>
  mayWait(state, rule) ? rule.hot.graceSeconds : rule.reheat.withinSeconds;

/** On the pass under the limit for longer than it may be. */
export function tooColdTooLong(state: LotState, rule: RuleSet, now: number): readonly Deviation[] {
  const { under } = state;
  const allowed = allowedUnder(state, rule) * 1000;
  if (!under || now - under.since <= allowed) return [];
  return [
    {
      id: `hot ${state.courses}`,
      kind: 'hot',
      at: under.since + allowed,
      event: null,
      says: message('under {limit} for {minutes} min on the pass', {
        limit: { celsius: rule.hot.atLeast },
        minutes: minutes(now - under.since),
      }),
      known: under.last - under.first > allowed,
      spoils: true,
      celsius: under.celsius,
      done: null,
    },
  ];
}

/** The limits that count for it: of the pass only once its clock has begun. */
export function limitsNow(state: LotState, now: number): readonly Limit[] {
  if (!state.wasHot) return [];
  const cooling = state.was !== 'hot' || state.course.clock !== null;
  return cooling ? limitsOf(state.course, momentOf(state, now)) : [];
}

/** What a time that went by did of itself. */
const byTime = (
  state: LotState,
  rule: RuleSet,
  now: number,
  limits: readonly Limit[],
): readonly Deviation[] =>
  state.was === 'hot' ? tooColdTooLong(state, rule, momentOf(state, now)) : limitDeviations(state, limits);

/** What can be said of all of something kept at `now` (ms), and of its limits; however many lines it has, in no time. */
export function answered(state: LotState, rule: RuleSet, now: number): Pick<Judged, 'answer' | 'limits'> {
  const limits = limitsNow(state, now);
  const spoilt = byTime(state, rule, now, limits).filter((d) => d.spoils);
  const answers: LimitAnswer[] = spoilt.map((d): Answer => (d.known ? 'will not' : 'cannot be told'));
  if (state.spoilt.known > 0) answers.push('will not');
  if (state.spoilt.untold > 0) answers.push('cannot be told');
  const own: LimitAnswer = !state.wasHot
    ? 'cannot be told'
    : limits.length === 0
      ? 'open'
      : worst(limits.map((l) => l.answer));
  return { limits, answer: worst([own, ...answers]) };
}

/** Judges something kept at `now` (ms), by what was read of it and nothing else. */
export function judge(state: LotState, rule: RuleSet, now: number): Judged {
  const said = answered(state, rule, now);
  const deviations = [...state.deviations, ...byTime(state, rule, now, said.limits)]
    .map((d): Deviation => ({ ...d, done: state.done.get(d.id) ?? null }))
    .toSorted((a, b) => a.at - b.at);
  return { ...said, deviations };
}

/** Deviations nobody has said anything about. */
export const openDeviations = (judged: Judged): readonly Deviation[] =>
  judged.deviations.filter((d) => d.done === null);
