import type { House } from '../house/house';
import { type Message, message } from '../message/message';
import { type RuleSet, rulesOf } from '../safety/rules';
import type { Soup } from './cool/body';
import { FILM_UNKNOWN, type FilmKnown, type Forecast, forecast, type Phase } from './cool/forecast';
import { coolingOf, type Means } from './cool/ways';
import type { KeepEvent } from './events';
import type { KeptReading, LotState } from './lot';

/** The rules as a house has them. */
export const rulesIn = ({ keeping }: Pick<House, 'keeping'>): RuleSet =>
  rulesOf(keeping.rules, keeping.tightened);

/** Under the limit on the pass: since when (the last reading that was not), how long, and what the rule says. */
export type UnderLimit = {
  readonly celsius: number;
  readonly since: number;
  readonly minutes: number;
  readonly does: 'serve or cool' | 'reheat' | 'throw away';
  /** ms until when that may be done. */
  readonly by: number;
};

/** What is to be done about something hot that was last read too cold, at `now` (ms); null where it was not. */
export function underLimit(state: LotState, { hot, reheat }: RuleSet, now: number): UnderLimit | null {
  if (state.stage !== 'hot') return null;
  const read = state.readings.filter((r) => r.at >= state.since - 60_000);
  const last = read.at(-1);
  if (!last || last.celsius >= hot.atLeast) return null;
  const good = read.findLast((r) => r.celsius >= hot.atLeast);
  const since = good?.at ?? state.since;
  const seconds = (now - since) / 1000;
  const once = hot.graceSeconds > 0;
  const allowed = once ? hot.graceSeconds : reheat.withinSeconds;
  return {
    celsius: last.celsius,
    since,
    minutes: Math.max(0, Math.round(seconds / 60)),
    does: seconds > allowed ? 'throw away' : once ? 'serve or cool' : 'reheat',
    by: since + allowed * 1000,
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

/** A reading this long before a way was chosen, ms, still says how warm it was then. */
const JUST = 10 * 60_000;

/** °C something is supposed to be when it is set to cool and nobody has read it. */
const SUPPOSED = 85;

/** ms when it passed the rule’s start on its way down: between the reading before and the reading after; null while none is under it. */
export function clockBegan(readings: readonly KeptReading[], from: number, start: number): number | null {
  const hot = readings.findLastIndex((r) => r.celsius >= from);
  const under = readings[hot + 1];
  if (!under) return null;
  const before = readings[hot];
  // Never read hot: the clock runs from when it was set down.
  if (!before) return Math.min(start, under.at);
  return before.at + ((before.celsius - from) / (before.celsius - under.celsius)) * (under.at - before.at);
}

/** Something that cools, as what is to be worked out. */
export type CoolingNow = {
  readonly phase: Phase;
  /** ms the phase began. */
  readonly at: number;
  /** s from there at which the rule’s clock began; null while it is hotter. */
  readonly began: number | null;
};

/** The phase a cooling thing is in, with its readings; null where it is not cooling. Throws {@link Told} where its way cannot be. */
export function coolingNow(
  state: LotState,
  soup: Soup,
  means: Means,
  rule: RuleSet['cooling'],
): CoolingNow | null {
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
  const clock = clockBegan(of, rule.from, state.coolingFrom);
  return { phase, at: wayAt, began: clock === null ? null : (clock - wayAt) / 1000 };
}

/** How a cooling stands at a moment. */
export type Alarm = 'none' | 'watch' | 'will miss' | 'lost';

/** Below this chance it will miss; below the other it is watched. */
const MISSING = 0.35;
const WATCHED = 0.85;

/** Before it was read twice only this little chance is worth an alarm: the room is hardly known yet. */
const HOPELESS = 0.08;

/** What is to be said of a forecast at `seconds` of its phase, read so far as `readings` say: lost when a limit has gone by too warm, before that when it will. */
export function alarmOf(
  f: Forecast,
  seconds: number,
  readings: readonly { readonly celsius: number }[],
): Alarm {
  const last = readings.at(-1)?.celsius ?? null;
  const over = f.verdict.stages.some(
    (s) => s.by < seconds && (s.met > s.by || (last !== null && s.met > seconds && last > s.to)),
  );
  if (over) return 'lost';
  if (f.chance < (readings.length >= 2 ? MISSING : HOPELESS)) return 'will miss';
  return f.chance < WATCHED ? 'watch' : 'none';
}

/** {@link forecast} of something that cools, with its alarm at `now` (ms). */
export function coolingForecast(
  state: LotState,
  soup: Soup,
  means: Means,
  rule: RuleSet['cooling'],
  now: number,
) {
  const cooling = coolingNow(state, soup, means, rule);
  if (!cooling) return null;
  const found = forecast(cooling.phase, rule, cooling.began);
  return {
    ...cooling,
    forecast: found,
    alarm: alarmOf(found, (now - cooling.at) / 1000, cooling.phase.readings),
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
