import type { BatchEvent } from '../batch/events';
import type { House } from '../house/house';
import { type Message, message } from '../message/message';
import { term } from '../message/term';
import type { RuleSet } from '../safety/rules';
import { timeOfDay } from '../units/clock';
import type { KeepEvent } from './events';
import { type Lot, type LotState, lotState, placeOf } from './lot';
import { clockBegan, rulesIn } from './standing';

/** What an entry of the record shows beside what it says. */
export const MARKS = [
  'over the limit',
  'late',
  'gap',
  'clock',
  'put right',
  'discarded',
  'taken back',
] as const;
export type Mark = (typeof MARKS)[number];

/** A line of the record as it is read: when, of what, what, by whom, read from which probe. */
export type Entry = {
  readonly id: string;
  /** ms. */
  readonly at: number;
  readonly receivedAt: number | null;
  readonly lot: string | null;
  readonly name: string;
  readonly says: Message;
  readonly celsius: number | null;
  readonly by: string;
  readonly probe: string | null;
  readonly marks: readonly Mark[];
};

/** Received this long after it happened, ms, a line waited on its station. */
const LATE = 120_000;

/** A station whose clock stood this far from the server’s, ms, is marked. */
const CLOCK = 5 * 60_000;

/** A probing this much over its interval is a gap. */
const GAP = 1.25;

const minutes = (ms: number): number => Math.round(ms / 60_000);

const says = (event: KeepEvent, house: House): Message => {
  const { body } = event;
  const place = (id: string) => placeOf(house.keeping, id)?.name ?? id;
  switch (body.kind) {
    case 'put by':
      return message('Put by: {ml}, {place}', { ml: { ml: body.ml }, place: place(body.place) });
    case 'temperature':
      return body.correction
        ? message('Read {celsius}, put right by {by} °C', {
            celsius: { celsius: body.celsius, exact: true },
            by: body.correction,
          })
        : message('Read {celsius}', { celsius: { celsius: body.celsius, exact: true } });
    case 'set to cool':
      return body.way.into.kind === 'pot'
        ? message('Set to cool in its pot, {place}', { place: place(body.way.place) })
        : message('Set to cool in {count} × {pan}, {place}', {
            count: body.way.into.count,
            pan: house.keeping.pans.find((p) => p.id === (body.way.into as { pan?: string }).pan)?.name ?? '',
            place: place(body.way.place),
          });
    case 'kept hot':
      return message('Kept hot, {place}', { place: place(body.place) });
    case 'cooled':
      return message('Cold, to {place}', { place: place(body.place) });
    case 'moved':
      return message('Moved to {place}', { place: place(body.place) });
    case 'parted':
      return message('{ml} put by on its own', { ml: { ml: body.ml } });
    case 'taken':
      return message('{ml} taken', { ml: { ml: body.ml } });
    case 'topped up':
      return message('{ml} on top of it', { ml: { ml: body.ml } });
    case 'let down':
      return message('Let down with {ml}', { ml: { ml: body.ml } });
    case 'reheating':
      return message('Set to reheat');
    case 'reheated':
      return message('Reheated to {celsius}, held {seconds} s', {
        celsius: { celsius: body.celsius, exact: true },
        seconds: body.seconds,
      });
    case 'put right':
      return message('Put right: {what}', { what: body.what });
    case 'thrown away':
      return body.note
        ? message('{ml} thrown away, {why}: {note}', {
            ml: { ml: body.ml },
            why: { within: term(body.why) },
            note: body.note,
          })
        : message('{ml} thrown away, {why}', { ml: { ml: body.ml }, why: { within: term(body.why) } });
    case 'used up':
      return message('Used up');
    case 'labelled':
      return message(
        '{count, plural, one {One label} other {# labels}} printed{again, select, yes { again} other {}}',
        {
          count: body.count,
          again: body.again ? 'yes' : 'no',
        },
      );
    case 'paired':
      return body.device
        ? message('Probe {name} in it', { name: body.name ?? body.device })
        : message('Probe taken out');
    case 'note':
      return message('{text}', { text: body.text });
    case 'withdrawn':
      return message('Taken back');
    case 'probe checked':
      return message(
        '{probe} in {point, select, ice {ice} other {boiling water}}: {celsius}, should be {expected}',
        {
          probe: body.probe,
          point: body.point,
          celsius: { celsius: body.celsius, exact: true },
          expected: { celsius: body.expected, exact: true },
        },
      );
    case 'probe put right':
      return message('{probe} put right: {how}', { probe: body.probe, how: body.how });
    case 'signed':
      return message('Signed off, {from} to {to}: {by}', { from: body.from, to: body.to, by: body.by });
  }
};

const ownMarks = (event: KeepEvent, withdrawn: ReadonlySet<string>): Mark[] => {
  const { body, receivedAt, at, clockMs } = event;
  return [
    ...(receivedAt && Date.parse(receivedAt) - Date.parse(at) > LATE ? (['late'] as const) : []),
    ...(clockMs !== undefined && Math.abs(clockMs) > CLOCK ? (['clock'] as const) : []),
    ...(body.kind === 'put right' || body.kind === 'probe put right' ? (['put right'] as const) : []),
    ...(body.kind === 'thrown away' ? (['discarded'] as const) : []),
    ...(withdrawn.has(event.id) ? (['taken back'] as const) : []),
  ];
};

/** Stages as they followed each other: what was asked of a reading then. */
function stageAt(lot: Lot, house: House, at: number): LotState | null {
  return lotState({ id: lot.id, events: lot.events.filter((e) => Date.parse(e.at) <= at) }, house.keeping);
}

/** What was missed while it was kept hot: stretches without a reading longer than the kitchen’s interval. */
function gapsOf(lot: Lot, house: House, now: number): readonly Entry[] {
  const found: Entry[] = [];
  const every = house.keeping.probeEvery * 60_000;
  let from: number | null = null;
  let name = '';
  const check = (until: number) => {
    if (from !== null && until - from > every * GAP)
      found.push({
        id: `gap ${lot.id} ${from}`,
        at: until,
        receivedAt: null,
        lot: lot.id,
        name,
        says: message('Not probed for {minutes} min', { minutes: minutes(until - from) }),
        celsius: null,
        by: '',
        probe: null,
        marks: ['gap'],
      });
  };
  for (const event of lot.events) {
    const at = Date.parse(event.at);
    const state = stageAt(lot, house, at);
    if (!state) continue;
    name = state.put.name;
    const hot = state.stage === 'hot';
    if (from !== null && (!hot || event.body.kind === 'temperature')) {
      check(at);
      from = null;
    }
    if (hot && from === null) from = at;
  }
  const last = lotState(lot, house.keeping);
  if (last?.stage === 'hot') check(now);
  return found;
}

/** How each stage of cooling came out, said when it was over: met, or missed. */
function coolingEntries(lot: Lot, house: House, rule: RuleSet, now: number): readonly Entry[] {
  const state = lotState(lot, house.keeping);
  if (!state || state.coolingFrom === null) return [];
  const from = state.coolingFrom;
  const read = state.readings.filter((r) => r.at >= from - 600_000);
  const began = clockBegan(read, rule.cooling.from, from);
  if (began === null) return [];
  return rule.cooling.stages.flatMap(({ to, seconds }): Entry[] => {
    const by = began + seconds * 1000;
    const met = read.find((r) => r.celsius <= to);
    if (met ? met.at <= by : now < by && !state.over) return [];
    const warm = read.findLast((r) => r.at <= by);
    // Read under it only later: between the two it may have passed in time, and nobody looked.
    const says = met
      ? message('{to} was due by {by}: read {celsius} only {late} min later', {
          to: { celsius: to },
          by: timeOfDay(new Date(by)),
          celsius: { celsius: met.celsius, exact: true },
          late: minutes(met.at - by),
        })
      : message('{to} was due by {by} and was not read', {
          to: { celsius: to },
          by: timeOfDay(new Date(by)),
        });
    if (!met && state.over && state.over.at < by) return [];
    return [
      {
        id: `cooling ${lot.id} ${to}`,
        at: met?.at ?? by,
        receivedAt: null,
        lot: lot.id,
        name: state.put.name,
        says,
        celsius: warm?.celsius ?? null,
        by: '',
        probe: null,
        marks: ['over the limit'],
      },
    ];
  });
}

/** Whether a reading was over what was allowed of the thing as it then stood. */
function overLimit(state: LotState | null, celsius: number, rule: RuleSet): boolean {
  if (!state) return false;
  if (state.stage === 'hot') return celsius < rule.hot.atLeast;
  return state.stage === 'cold' && celsius > rule.cold.atMost;
}

const lotEntries = (lot: Lot, house: House, rule: RuleSet, now: number): readonly Entry[] => {
  const withdrawn = new Set(lot.events.flatMap((e) => (e.body.kind === 'withdrawn' ? [e.body.event] : [])));
  const name = lot.events.findLast((e) => e.body.kind === 'put by')?.body;
  const of = name?.kind === 'put by' ? name.name : '';
  const own = lot.events.map((event): Entry => {
    const at = Date.parse(event.at);
    const { body } = event;
    const celsius =
      body.kind === 'temperature' || body.kind === 'reheated'
        ? body.celsius
        : body.kind === 'put by'
          ? (body.celsius ?? null)
          : null;
    const over = body.kind === 'temperature' && overLimit(stageAt(lot, house, at), body.celsius, rule);
    return {
      id: event.id,
      at,
      receivedAt: event.receivedAt ? Date.parse(event.receivedAt) : null,
      lot: lot.id,
      name: of,
      says: says(event, house),
      celsius,
      by: event.station,
      probe: body.kind === 'temperature' ? (body.from ?? null) : null,
      marks: [...(over ? (['over the limit'] as const) : []), ...ownMarks(event, withdrawn)],
    };
  });
  return [...own, ...gapsOf(lot, house, now), ...coolingEntries(lot, house, rule, now)];
};

/** A temperature of a batch while it was on the stove, as the record shows it too. */
export type StoveReading = { readonly event: BatchEvent; readonly batch: string; readonly name: string };

/** The record as it is read: each line, and between them what is missing and what was over a limit; by time. */
export function entriesOf(
  lots: readonly Lot[],
  kitchenLines: readonly KeepEvent[],
  stove: readonly StoveReading[],
  house: House,
  now: number,
): readonly Entry[] {
  const rule = rulesIn(house);
  const gone = new Set(kitchenLines.flatMap((e) => (e.body.kind === 'withdrawn' ? [e.body.event] : [])));
  return [
    ...lots.flatMap((lot) => lotEntries(lot, house, rule, now)),
    ...kitchenLines.map(
      (event): Entry => ({
        id: event.id,
        at: Date.parse(event.at),
        receivedAt: event.receivedAt ? Date.parse(event.receivedAt) : null,
        lot: null,
        name: '',
        says: says(event, house),
        celsius: event.body.kind === 'probe checked' ? event.body.celsius : null,
        by: event.station,
        probe: event.body.kind === 'probe checked' ? event.body.probe : null,
        marks: ownMarks(event, gone),
      }),
    ),
    ...stove.flatMap(({ event, name, batch }): Entry[] =>
      event.body.kind === 'temperature'
        ? [
            {
              id: event.id,
              at: Date.parse(event.at),
              receivedAt: event.receivedAt ? Date.parse(event.receivedAt) : null,
              lot: batch,
              name,
              says: message('Read {celsius} on the stove', {
                celsius: { celsius: event.body.celsius, exact: true },
              }),
              celsius: event.body.celsius,
              by: event.station,
              probe: event.body.from ?? null,
              marks: event.clockMs !== undefined && Math.abs(event.clockMs) > CLOCK ? ['clock'] : [],
            },
          ]
        : [],
    ),
  ].sort((a, b) => a.at - b.at || a.id.localeCompare(b.id));
}
