import type { CoolingSoup } from '../heat/cool/body';
import type { House } from '../kitchen/house';
import { rulesKept } from '../kitchen/keeping';
import { type Message, message } from '../message/message';
import type { Limit } from '../safety/course';
import type { RuleSet } from '../safety/rules';
import { FILM_UNKNOWN, type FilmKnown, type Forecast, forecast, type Phase } from './cool/forecast';
import { type CoolingMeans, coolingOf } from './cool/ways';
import type { KeepEvent } from './events';
import { JUST, type LotState } from './lot';
import { allowedUnder, limitsNow, mayWait } from './safe/judged';

/** The rules as a house has them. */
export const rulesIn = ({ keeping }: Pick<House, 'keeping'>): RuleSet => rulesKept(keeping);

/** Under the limit on the pass: since when (the last reading that was not), how long, and what the rule says. */
type UnderLimit = {
  readonly celsius: number;
  readonly since: number;
  readonly minutes: number;
  readonly does: 'serve or cool' | 'reheat' | 'throw away';
  /** ms until when that may be done. */
  readonly by: number;
};

/** What is to be done about something hot that was read too cold, at `now` (ms), until it is reheated; null where it was not. */
export function underLimit(state: LotState, rule: RuleSet, now: number): UnderLimit | null {
  const { under } = state;
  if (state.stage !== 'hot' || !under) return null;
  const allowed = allowedUnder(state, rule);
  const seconds = (now - under.since) / 1000;
  return {
    celsius: under.celsius,
    since: under.since,
    minutes: Math.max(0, Math.round(seconds / 60)),
    does: seconds > allowed ? 'throw away' : mayWait(state, rule) ? 'serve or cool' : 'reheat',
    by: under.since + allowed * 1000,
  };
}

/** What rooms were found to be, by the lines of things that cooled in them: the last of each, as sure as three such leave it. */
export function filmsKnown(lines: readonly KeepEvent[]): Readonly<Record<string, FilmKnown>> {
  const found = new Map<string, { factor: number; spread: number }[]>();
  for (const { body } of lines)
    if (body.kind === 'cooled' && body.film) {
      const { place, ...film } = body.film;
      found.set(place, [...(found.get(place) ?? []), film]);
    }
  return Object.fromEntries(
    [...found].map(([place, films]) => {
      // Precisions add, with the spread of a day on each: a door left open, a full room.
      const DAY = 0.15;
      const weights = films.slice(-8).map((f) => 1 / (f.spread ** 2 + DAY ** 2));
      const prior = 1 / FILM_UNKNOWN.spread ** 2;
      const sum = weights.reduce((a, b) => a + b, prior);
      const log = films.slice(-8).reduce((s, f, i) => s + (weights[i] ?? 0) * Math.log(f.factor), 0) / sum;
      return [place, { factor: Math.exp(log), spread: Math.hypot(1 / Math.sqrt(sum), DAY / 2) }];
    }),
  );
}

/** °C something is supposed to be when it is set to cool and nobody has read it. */
const SUPPOSED = 85;

/** Something that cools, as what is to be worked out. */
type CoolingNow = {
  readonly phase: Phase;
  /** ms the phase began. */
  readonly at: number;
  /** s from there at which the rule’s clock began; null while it is hotter. */
  readonly began: number | null;
};

/** The phase a cooling thing is in, with its readings; null where it is not cooling. Throws {@link Told} where its way cannot be. */
export function coolingNow(state: LotState, soup: CoolingSoup, means: CoolingMeans): CoolingNow | null {
  if (state.coolingFrom === null || !state.way) return null;
  const { way, wayAt } = state;
  const end = state.cooledAt ?? Number.POSITIVE_INFINITY;
  const of = state.readings.filter((r) => r.at >= (state.coolingFrom ?? 0) - JUST && r.at <= end);
  const first =
    of.findLast((r) => r.at <= wayAt && wayAt - r.at <= JUST) ??
    of.find((r) => r.at >= wayAt && r.at - wayAt < 90_000);
  const before = of.findLast((r) => r.at <= wayAt) ?? state.readings.findLast((r) => r.at <= wayAt);
  const phase: Phase = {
    cooling: coolingOf(way, soup, means),
    from: first?.celsius ?? before?.celsius ?? SUPPOSED,
    fromRead: first !== undefined,
    readings: of
      .filter((r) => r.at > wayAt && r !== first)
      .map((r) => ({ seconds: (r.at - wayAt) / 1000, celsius: r.celsius })),
    film: means.films[way.place] ?? FILM_UNKNOWN,
  };
  const { clock } = state.course;
  return { phase, at: wayAt, began: clock && (clock.earliest - wayAt) / 1000 };
}

/** How a cooling stands at a moment: `unread` where a limit went by and nobody knows whether it was kept. */
export type Alarm = 'none' | 'watch' | 'will miss' | 'unread' | 'lost';

/** Below this chance it will miss; below the other it is watched. */
const MISSING = 0.35;
const WATCHED = 0.85;

/** Before it was read twice only this little chance is worth an alarm: the room is hardly known yet. */
const HOPELESS = 0.08;

/** What is to be said of limits as they were read, whatever a forecast says; null where it is for the forecast to say. */
export function alarmRead(limits: readonly Limit[]): Alarm | null {
  if (limits.some((l) => l.answer === 'will not')) return 'lost';
  return limits.some((l) => l.answer === 'cannot be told') ? 'unread' : null;
}

/**
 * What is to be said of a forecast and of the limits as they were read: what was missed is lost, what nobody read
 * in time cannot be told, before that when it will.
 */
export function alarmOf(
  f: Forecast,
  limits: readonly Limit[],
  readings: readonly { readonly celsius: number }[],
): Alarm {
  const read = alarmRead(limits);
  if (read) return read;
  if (f.chance < (readings.length >= 2 ? MISSING : HOPELESS)) return 'will miss';
  return f.chance < WATCHED ? 'watch' : 'none';
}

/** {@link forecast} of something that cools, with its alarm at `now` (ms). */
export function coolingForecast(
  state: LotState,
  soup: CoolingSoup,
  means: CoolingMeans,
  rule: RuleSet['cooling'],
  now: number,
) {
  const cooling = coolingNow(state, soup, means);
  if (!cooling) return null;
  const found = forecast(cooling.phase, rule, cooling.began);
  return {
    ...cooling,
    forecast: found,
    alarm: alarmOf(found, limitsNow(state, now), cooling.phase.readings),
  };
}

/** Minutes between two readings of what cools: until the first limit, and after. Common practice, no source. */
const READ_EVERY = [20, 60] as const;

/** When it wants a probe next, ms; null where it wants none. */
export function nextReading(state: LotState, { cooling }: RuleSet, probeEvery: number): number | null {
  const last = state.readings.findLast((r) => r.at >= state.since - 60_000);
  if (state.stage === 'hot') return (last?.at ?? state.since) + probeEvery * 60_000;
  if (state.stage === 'cooling') {
    const first = cooling.stages[0]?.to ?? 21;
    const [often, seldom] = READ_EVERY;
    return (last?.at ?? state.since) + (last && last.celsius <= first ? seldom : often) * 60_000;
  }
  return null;
}

/** What something kept is doing, as its ticket says it. */
export function doingOf(state: LotState, rule: RuleSet): Message {
  switch (state.stage) {
    case 'hot':
      return message('Kept hot: probe by');
    case 'cooling': {
      const last = state.readings.at(-1)?.celsius ?? 90;
      const to = rule.cooling.stages.find((s) => s.to < last)?.to ?? rule.cold.atMost;
      return message('Cooling to {to}: probe by', { to: { celsius: to } });
    }
    case 'reheating':
      return message('Reheating to {to} by', { to: { celsius: rule.reheat.to } });
    case 'thawing':
      return message('Thawing');
    default:
      return message('Kept');
  }
}
