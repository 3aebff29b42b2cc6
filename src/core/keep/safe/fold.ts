import { ingredient, isIngredient } from '../../food/catalogue';
import { rulesKept } from '../../kitchen/keeping';
import { message } from '../../message/message';
import { beginCourse, limitsOf, readOn } from '../../safety/course';
import type { RuleSet } from '../../safety/rules';
import type { KeepBodyOf, KeepEvent } from '../events';
import {
  happened,
  JUST,
  type KeptBy,
  type KeptReading,
  type Lot,
  type LotStage,
  type LotState,
  stageAt,
  standingLines,
} from '../lot';
import { dateMark } from '../written/dates';
import type { Deviation, Done } from './deviation';
import { answered, judge, limitDeviations, mayWait, tooColdTooLong } from './judged';

/** A state under way: what it has many of is added to, never copied, so that a thing with thousands of lines is read in their time. */
type Draft = { -readonly [K in keyof LotState]: LotState[K] } & {
  /** Put where it stays before it was read cold: read cold there, it is. */
  awaits: boolean;
  done: Map<string, Done>;
  readings: KeptReading[];
  deviations: Deviation[];
  spoilt: { known: number; untold: number };
};
type By = { readonly keeping: KeptBy; readonly rule: RuleSet };

/** °C over which what was frozen has thawed. */
const THAWED = 0;

/** °C by which two probes, and two places in one pot, may differ before a hotter reading is a question. Common practice, no source. */
const WARMS = 2;

/**
 * Out of temperature for up to this long, ms, between two readings that were not, food is kept: four hours, FDA Food Code 2022,
 * 3-501.19, from memory. Of what is stored cold, and of the pass where nobody read it for longer.
 */
const OUT = 4 * 3_600_000;

const STORED: ReadonlySet<LotStage> = new Set(['cold', 'frozen', 'thawing']);

const turn = (d: Draft, stage: LotStage, at: number): void => {
  const open = d.frozen.at(-1);
  if (d.stage === 'frozen' && stage !== 'frozen' && open && open.to === null)
    d.frozen = [...d.frozen.slice(0, -1), { ...open, to: at }];
  if (stage === 'frozen' && d.stage !== 'frozen') d.frozen = [...d.frozen, { from: at, to: null }];
  if (stage !== d.stage) d.since = at;
  d.stage = stage;
  if (stage !== 'over') d.was = stage;
};

type Said = Pick<Deviation, 'kind' | 'says'> & Partial<Pick<Deviation, 'known' | 'spoils'>>;

/** Counts what keeps it from being called safe, or no longer. */
const count = ({ spoilt }: Draft, { spoils, known }: Deviation, by = 1): void => {
  if (spoils) spoilt[known ? 'known' : 'untold'] += by;
};

const goesAgainst = (d: Draft, found: readonly Deviation[]): void => {
  for (const deviation of found) {
    d.deviations.push(deviation);
    count(d, deviation);
  }
};

const against = (d: Draft, event: KeepEvent, said: Said): Deviation => {
  const found: Deviation = {
    known: true,
    spoils: false,
    ...said,
    id: `${said.kind} ${event.id}`,
    at: happened(event),
    event: event.id,
    celsius: d.course.last?.celsius ?? null,
    done: null,
  };
  goesAgainst(d, [found]);
  return found;
};

/** Whether it is known to be cold: last read so; what was never hot here is taken for it. */
const isCold = ({ course, wasHot }: Draft, { rule }: By): boolean =>
  course.last ? course.last.celsius <= rule.cold.atMost : !wasHot;

/** Set to cool where it stands now. */
function coolHere(d: Draft, at: number): void {
  d.way = { into: d.container, place: d.place, lid: d.lid };
  d.wayAt = at;
  d.coolingFrom ??= at;
  turn(d, 'cooling', at);
}

/**
 * Where there is heat again nobody can tell that it was not under the limit before: its clock may have begun when
 * it was last known to be hot.
 */
function mayHaveBegun(d: Draft, at: number, { rule }: By): void {
  const { clock, last, hotAt } = d.course;
  if (clock || (last && last.celsius >= rule.cooling.from && at - last.at <= JUST)) return;
  if (d.wasHot) d.course = { ...d.course, clock: { earliest: hotAt, latest: Number.POSITIVE_INFINITY } };
}

/** What was cold may have warmed: nothing read before speaks of it any more. */
function unsettle(d: Draft): void {
  d.course = {
    ...d.course,
    last: null,
    stages: d.course.stages.map((s) => ({ ...s, overAt: null, metAt: null })),
  };
  d.wasHot = true;
  d.cooledAt = null;
}

/** Off the pass. Under its limit there within the grace a rule gives once, its clock begins as it leaves. */
function leavesPass(d: Draft, at: number, { rule }: By): void {
  if (d.stage !== 'hot' || !d.under) return;
  const within = at - d.under.since <= rule.hot.graceSeconds * 1000;
  if (within && mayWait(d, rule) && d.course.clock) {
    d.course = { ...d.course, hotAt: at, clock: { earliest: at, latest: at } };
    d.graced = true;
  }
  d.under = null;
}

/** Cold where it stands now, and there it stays. */
function rests(d: Draft, at: number, { keeping }: By): void {
  d.awaits = false;
  turn(d, stageAt(keeping, d.place) === 'frozen' ? 'frozen' : 'cold', at);
}

/** Where it stays: cold if it was read cold, else it goes on cooling there, and its record says so. */
function store(d: Draft, event: KeepEvent, by: By): void {
  const at = happened(event);
  leavesPass(d, at, by);
  d.lid = true;
  if (isCold(d, by)) {
    d.cooledAt ??= at;
    rests(d, at, by);
    return;
  }
  const { last } = d.course;
  against(d, event, {
    kind: 'stored warm',
    says: last
      ? message('stored at {celsius}, over {limit}', {
          celsius: { celsius: last.celsius, exact: true },
          limit: { celsius: by.rule.cold.atMost },
        })
      : message('stored without being read at {limit}', { limit: { celsius: by.rule.cold.atMost } }),
  });
  d.awaits = true;
  coolHere(d, at);
}

/** Onto the pass. What was under the limit, or may have been, comes back to it by reheating only. */
function keepHot(d: Draft, event: KeepEvent, by: By): void {
  const { rule } = by;
  const at = happened(event);
  if (d.stage !== 'hot') mayHaveBegun(d, at, by);
  const { clock, last } = d.course;
  if (d.stage !== 'hot' && (clock || !d.wasHot)) {
    against(d, event, {
      kind: 'kept hot again',
      says: message('kept hot again without being reheated to {to}', { to: { celsius: rule.reheat.to } }),
    });
    const since = clock?.earliest ?? d.putAt;
    d.under = { since, first: last?.at ?? at, last: last?.at ?? at, celsius: last?.celsius ?? 0 };
  }
  d.coolingFrom = null;
  d.on = null;
  d.awaits = false;
  turn(d, 'hot', at);
}

/** On the pass where nobody had looked for hours, nobody can tell that it was not under its limit. */
function unreadOnPass(d: Draft, at: number, event: KeepEvent): void {
  const before = d.readings.findLast((r) => r.at >= d.since)?.at ?? d.since;
  if (at - before > OUT)
    against(d, event, {
      kind: 'hot',
      known: false,
      spoils: true,
      says: message('nobody had read it on the pass for {minutes} min', {
        minutes: Math.round((at - before) / 60_000),
      }),
    });
}

/** On the pass: under its limit it stays until it is reheated. */
function readHot(d: Draft, { at, celsius, event }: KeptReading, { rule }: By): void {
  unreadOnPass(d, at, event);
  if (d.under) {
    d.under = celsius < rule.hot.atLeast ? { ...d.under, last: at, celsius } : { ...d.under, celsius };
    return;
  }
  if (celsius >= rule.hot.atLeast) return;
  const good = d.readings.findLast((r) => r.at >= d.since - 60_000 && r.celsius >= rule.hot.atLeast);
  d.under = { since: good?.at ?? d.since, first: at, last: at, celsius };
}

/** On the shelf: over its limit it is spoilt, unless it was read under it within four hours on either side. */
function readCold(d: Draft, { at, celsius, event }: KeptReading, { rule }: By): void {
  if (celsius > rule.cold.atMost) {
    if (d.warm) return;
    const good = d.readings.findLast((r) => r.celsius <= rule.cold.atMost);
    const found = against(d, event, {
      kind: 'cold',
      spoils: true,
      says: message('read {celsius} where it is stored, over {limit}', {
        celsius: { celsius, exact: true },
        limit: { celsius: rule.cold.atMost },
      }),
    });
    d.warm = { since: good?.at ?? d.since, deviation: found.id };
    return;
  }
  const { warm } = d;
  const kept =
    warm && at - warm.since <= OUT ? d.deviations.findLastIndex((x) => x.id === warm.deviation) : -1;
  const spoiling = d.deviations[kept];
  if (spoiling) {
    count(d, spoiling, -1);
    d.deviations[kept] = { ...spoiling, spoils: false };
  }
  d.warm = null;
}

function read(d: Draft, event: KeepEvent, celsius: number, from: string | null, by: By): void {
  const { rule } = by;
  const reading: KeptReading = { at: happened(event), celsius, from, event };
  const { last, clock } = d.course;
  if (d.stage === 'cooling' && clock && last && celsius > last.celsius + WARMS)
    against(d, event, {
      kind: 'warmer',
      known: false,
      says: message('read {celsius} after {before}: it does not warm by itself', {
        celsius: { celsius, exact: true },
        before: { celsius: last.celsius, exact: true },
      }),
    });
  if (d.stage === 'thawing' && celsius > THAWED) turn(d, 'cold', reading.at);
  if (d.stage === 'hot') readHot(d, reading, by);
  if (d.stage === 'cold') readCold(d, reading, by);
  // On the shelf its own limit counts; on its way to being hot it warms.
  d.course = readOn(d.course, reading, rule.cooling, d.stage !== 'cooling' && d.stage !== 'hot');
  d.readings.push(reading);
  if (d.stage === 'cooling' && d.awaits && isCold(d, by)) {
    d.cooledAt = reading.at;
    rests(d, reading.at, by);
  }
}

/** Brought back hot. To the rule's own figure another course begins; short of it, nothing was ended. */
function reheated(d: Draft, event: KeepEvent, body: KeepBodyOf<'reheated'>, by: By): void {
  const { to, forSeconds, withinSeconds } = by.rule.reheat;
  const at = happened(event);
  const seconds = (at - d.since) / 1000;
  const slow = d.stage === 'reheating' && seconds > withinSeconds;
  const enough = body.celsius >= to && body.seconds >= forSeconds;
  if (!enough || slow)
    against(d, event, {
      kind: 'reheating',
      says: enough
        ? message('reheated in {minutes} min, {most} at the most', {
            minutes: Math.round(seconds / 60),
            most: Math.round(withinSeconds / 60),
          })
        : message('reheated to {celsius} for {seconds} s, not to {to} for {least} s', {
            celsius: { celsius: body.celsius, exact: true },
            seconds: body.seconds,
            to: { celsius: to },
            least: forSeconds,
          }),
    });
  d.reheats += 1;
  d.place = body.place ?? d.place;
  if (!enough) {
    d.stage = 'reheating';
    read(d, event, body.celsius, null, by);
    d.coolingFrom = null;
    d.on = null;
    d.under = { since: d.course.clock?.earliest ?? at, first: at, last: at, celsius: body.celsius };
    turn(d, 'hot', at);
    return;
  }
  if (d.wasHot && (d.course.clock || d.stage !== 'hot'))
    goesAgainst(d, limitDeviations(d, limitsOf(d.course, at)));
  if (d.stage === 'hot') {
    unreadOnPass(d, at, event);
    goesAgainst(d, tooColdTooLong(d, by.rule, at));
  }
  const reading: KeptReading = { at, celsius: body.celsius, from: null, event };
  d.readings.push(reading);
  d.course = { ...beginCourse(at, by.rule.cooling), last: reading };
  d.courses += 1;
  d.wasHot = true;
  d.under = null;
  d.warm = null;
  d.awaits = false;
  d.on = null;
  d.coolingFrom = null;
  d.cooledAt = null;
  turn(d, 'hot', at);
}

/** Into another place. What is stored is frozen, thawed or left to warm there; what is warm goes on cooling. */
function moved(d: Draft, event: KeepEvent, body: KeepBodyOf<'moved'>, by: By): void {
  const at = happened(event);
  const to = stageAt(by.keeping, body.place);
  d.place = body.place;
  d.container = body.container ?? d.container;
  if (to === 'hot') keepHot(d, event, by);
  else if (to === 'cooling') {
    leavesPass(d, at, by);
    if (STORED.has(d.stage)) unsettle(d);
    d.lid = false;
    d.awaits = false;
    coolHere(d, at);
  } else if (!STORED.has(d.stage)) store(d, event, by);
  else if (to === 'frozen') turn(d, 'frozen', at);
  else if (d.stage === 'frozen') turn(d, 'thawing', at);
}

/** What ends a reheating that never came to its figure. */
const GIVES_UP: ReadonlySet<string> = new Set(['set to cool', 'cooled', 'moved', 'kept hot']);

/** Uses of it: what is eaten, or goes on to be. */
const USES: ReadonlySet<string> = new Set(['taken', 'parted', 'used up', 'reheating', 'kept hot']);

/** Used past its date, or though it was to be thrown away. */
function usedAgainst(d: Draft, event: KeepEvent, { rule }: By): void {
  if (!USES.has(event.body.kind)) return;
  const at = happened(event);
  const { answer } = answered(d, rule, at);
  if (answer === 'will not' || (answer === 'cannot be told' && d.wasHot))
    against(d, event, {
      kind: 'used all the same',
      says:
        answer === 'will not'
          ? message('used though it was to be thrown away')
          : message('used though nobody can tell whether it was kept within the rule'),
    });
  const { left, last } = dateMark(d, rule, at);
  if (left < 0 && d.stage !== 'frozen')
    against(d, event, { kind: 'date', says: message('used after its last day, {day}', { day: last }) });
}

function take(d: Draft, event: KeepEvent, by: By): void {
  const { body } = event;
  const at = happened(event);
  usedAgainst(d, event, by);
  if (d.stage === 'reheating' && GIVES_UP.has(body.kind)) unsettle(d);
  switch (body.kind) {
    case 'temperature':
      read(d, event, body.celsius, body.from ?? null, by);
      break;
    case 'set to cool':
      leavesPass(d, at, by);
      if (STORED.has(d.stage)) unsettle(d);
      d.way = body.way;
      d.wayAt = at;
      d.coolingFrom ??= at;
      d.container = body.way.into;
      d.place = body.way.place;
      d.lid = body.way.lid ?? false;
      d.cooledAt = null;
      d.awaits = false;
      turn(d, 'cooling', at);
      break;
    case 'kept hot':
      d.place = body.place;
      d.lid = body.lid;
      d.container = body.container ?? d.container;
      keepHot(d, event, by);
      break;
    case 'cooled':
      d.place = body.place;
      store(d, event, by);
      break;
    case 'moved':
      moved(d, event, body, by);
      break;
    case 'parted':
    case 'taken':
      d.ml = Math.max(0, d.ml - body.ml);
      break;
    case 'thrown away':
      d.ml = Math.max(0, d.ml - body.ml);
      if (d.ml < 1) {
        const done: Done = { what: 'thrown away', by: event.station, at };
        for (const { id } of judge(d, by.rule, at).deviations) if (!d.done.has(id)) d.done.set(id, done);
        d.over = { at, body };
      }
      break;
    case 'used up':
      d.ml = 0;
      d.over = { at, body };
      break;
    case 'let down':
      d.ml += body.ml;
      // What is stirred in may be what somebody must not eat.
      if (isIngredient(body.ingredient))
        d.put = {
          ...d.put,
          allergens: [...new Set([...d.put.allergens, ...ingredient(body.ingredient).allergens])],
        };
      break;
    case 'reheating':
      leavesPass(d, at, by);
      mayHaveBegun(d, at, by);
      d.on = body;
      d.container = { kind: 'pot', vessel: body.vessel };
      turn(d, 'reheating', at);
      break;
    case 'reheated':
      reheated(d, event, body, by);
      break;
    case 'put right':
      if (body.about) d.done.set(body.about, { what: body.what, by: event.station, at });
      break;
    case 'labelled':
      d.labels += body.count;
      break;
    case 'paired':
      d.paired = body.device === null ? null : { device: body.device, name: body.name ?? body.device };
      break;
    case 'put by':
    case 'topped up':
    case 'note':
    case 'withdrawn':
    case 'probe checked':
    case 'probe put right':
    case 'signed':
      // Nothing becomes of it by these.
      break;
    default:
      body satisfies never;
  }
  if (d.ml < 1 && !d.over) d.over = { at, body: null };
  if (d.over) turn(d, 'over', d.over.at);
}

/** Something put by, before anything happened to it: as what it was parted from stood then, or as it came. */
function begun(lot: Lot, first: KeepEvent, put: KeepBodyOf<'put by'>, by: By): Draft {
  const { keeping, rule } = by;
  const putAt = happened(first);
  const parent = lot.from ? lotState(upTo(lot.from, putAt), keeping) : null;
  const place = stageAt(keeping, put.place);
  const madeAt = Math.min(Date.parse(put.madeAt), putAt);
  const warm = place === 'hot' || place === 'cooling' || (put.celsius ?? 0) > rule.cold.atMost;
  const d: Draft = {
    id: lot.id,
    put,
    putAt,
    stage: place === 'frozen' ? 'cold' : place,
    was: place === 'frozen' ? 'cold' : place,
    since: putAt,
    place: put.place,
    container: put.container,
    lid: true,
    ml: put.ml,
    readings: [...(parent?.readings ?? [])],
    way: null,
    wayAt: putAt,
    coolingFrom: parent?.coolingFrom ?? null,
    cooledAt: parent?.cooledAt ?? null,
    course: parent?.course ?? beginCourse(madeAt, rule.cooling),
    courses: parent?.courses ?? 0,
    wasHot: parent?.wasHot ?? (put.batch !== undefined || warm),
    under: parent?.under ?? null,
    warm: parent?.warm ?? null,
    deviations: [...(parent?.deviations ?? [])],
    spoilt: { ...(parent?.spoilt ?? { known: 0, untold: 0 }) },
    graced: parent?.graced ?? false,
    done: new Map(parent?.done ?? []),
    frozen: [],
    reheats: put.reheated ? Math.max(1, parent?.reheats ?? 0) : (parent?.reheats ?? 0),
    on: null,
    paired: null,
    labels: 0,
    over: null,
    events: [],
    awaits: false,
  };
  if (put.celsius !== undefined) {
    const reading: KeptReading = { at: putAt, celsius: put.celsius, from: null, event: first };
    if (place === 'hot') readHot(d, reading, by);
    d.course = readOn(d.course, reading, rule.cooling, parent ? STORED.has(parent.was) : false);
    d.readings.push(reading);
  }
  if (place === 'hot') {
    if (parent && parent.was !== 'hot') {
      d.stage = parent.was;
      keepHot(d, first, by);
    }
    return d;
  }
  d.under = null;
  if (place === 'cooling' || !isCold(d, by)) {
    d.lid = place !== 'cooling';
    d.awaits = place !== 'cooling';
    d.stage = 'cold';
    coolHere(d, putAt);
  } else if (place === 'frozen') turn(d, 'frozen', putAt);
  return d;
}

const upTo = (lot: Lot, at: number): Lot => ({
  ...lot,
  events: lot.events.filter((e) => happened(e) <= at || e.body.kind === 'withdrawn'),
});

/** How a thing kept stands after its lines, whatever order they arrived in; null before it was put by, or when that was taken back. */
export function lotState(
  lot: Lot,
  keeping: KeptBy,
  /** Told of each line that counts, and the stage it left it in. */
  seen: (event: KeepEvent, after: LotStage) => void = () => {},
): LotState | null {
  const events = standingLines(lot.events).toSorted((a, b) => happened(a) - happened(b));
  const first = events.findLast((e) => e.body.kind === 'put by');
  if (first?.body.kind !== 'put by') return null;
  const by: By = { keeping, rule: rulesKept(keeping) };
  const d = begun(lot, first, first.body, by);
  d.events = events;
  seen(first, d.stage);
  for (const event of events)
    if (happened(event) >= d.putAt && event !== first) {
      take(d, event, by);
      seen(event, d.stage);
    }
  const { awaits: _, ...state } = d;
  return state;
}
