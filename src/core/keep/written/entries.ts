import type { BatchEvent } from '../../batch/events';
import type { House } from '../../kitchen/house';
import { type Message, message } from '../../message/message';
import { term } from '../../message/term';
import { takenBack } from '../../record/counting';
import type { Via } from '../../record/line';
import type { RuleSet } from '../../safety/rules';
import type { KeepEvent } from '../events';
import { happened, type Lot, type LotStage, type LotState, placeOf } from '../lot';
import type { Deviation, Done } from '../safe/deviation';
import { lotState } from '../safe/fold';
import { judge } from '../safe/judged';
import { rulesIn } from '../standing';

/** What an entry of the record shows beside what it says. */
export const MARKS = [
  'over the limit',
  'late',
  'cannot be told',
  'question',
  'gap',
  'clock',
  'put right',
  'discarded',
  'brought',
  'taken back',
] as const;
export type Mark = (typeof MARKS)[number];

/** Marks that stand out: of what is missing, over a limit, asked or thrown away. */
export const LOUD: ReadonlySet<Mark> = new Set<Mark>([
  'over the limit',
  'cannot be told',
  'question',
  'gap',
  'discarded',
]);

/** Entries of a page: what a page is made of, and a tablet draws, in a moment. */
export const PAGE = 150;

/** A line of the record as it is read: when, of what, what, by whom, read from which probe. */
export type Entry = {
  readonly id: string;
  /** ms. */
  readonly at: number;
  readonly receivedAt: number | null;
  readonly lot: string | null;
  /** Whose record the line stands in, and is taken back in; null of what is no line. */
  readonly source: 'keep' | 'batch' | null;
  readonly name: string;
  readonly says: Message;
  readonly celsius: number | null;
  /** Whether its temperature is a reading, which can be put right. */
  readonly reading?: true;
  readonly by: string;
  /** By whose key it was written; null of what was written at the kitchen’s own machine. */
  readonly via: Via | null;
  readonly probe: string | null;
  readonly marks: readonly Mark[];
  /**
   * What was done about what it went against, by whom and when, ms: empty words where nobody has said; null where
   * it went against nothing.
   */
  readonly done: Done | null;
};

/** Received this long after it happened, ms, a line waited on its station. */
const LATE = 120_000;

/** A station whose clock stood this far from the server’s, ms, is marked. */
const CLOCK = 5 * 60_000;

/** A probing this much over its interval is a gap. */
const GAP = 1.25;

const minutes = (ms: number): number => Math.round(ms / 60_000);

const backWords = ({ why }: { readonly why?: string | undefined }): Message =>
  why ? message('Taken back: {why}', { why }) : message('Taken back');

/** Of a line that was stamped by a clock that stood far off. */
const clockMark = ({ clockMs }: Pick<KeepEvent, 'clockMs'>): readonly Mark[] =>
  clockMs !== undefined && Math.abs(clockMs) > CLOCK ? ['clock'] : [];

const received = ({ receivedAt }: Pick<KeepEvent, 'receivedAt'>): number | null =>
  receivedAt ? Date.parse(receivedAt) : null;

const says = (event: KeepEvent, house: House): Message => {
  const { body } = event;
  const place = (id: string) => placeOf(house.keeping, id)?.name ?? id;
  switch (body.kind) {
    case 'put by':
      return message('Stored: {ml}, {place}', { ml: { ml: body.ml }, place: place(body.place) });
    case 'temperature':
      return body.correction
        ? message('Read {celsius}, put right by {by}', {
            celsius: { celsius: body.celsius, exact: true },
            by: { kelvin: body.correction },
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
      return message('{ml} stored on its own', { ml: { ml: body.ml } });
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
      return backWords(body);
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
  const { body, receivedAt, at } = event;
  return [
    ...(receivedAt && Date.parse(receivedAt) - Date.parse(at) > LATE ? (['late'] as const) : []),
    ...clockMark(event),
    ...(body.kind === 'put right' || body.kind === 'probe put right' ? (['put right'] as const) : []),
    ...(body.kind === 'thrown away' ? (['discarded'] as const) : []),
    ...(event.brought ? (['brought'] as const) : []),
    ...(withdrawn.has(event.id) ? (['taken back'] as const) : []),
  ];
};

/** What was missed while it was kept hot: stretches without a reading longer than the kitchen’s interval. */
function gapsOf(lot: Lot, stages: Stages, every: number, now: number): readonly Entry[] {
  const found: Entry[] = [];
  let from: number | null = null;
  const check = (until: number) => {
    if (from !== null && until - from > every * GAP)
      found.push({
        id: `gap ${lot.id} ${from}`,
        at: until,
        receivedAt: null,
        lot: lot.id,
        source: null,
        name: stages.name,
        says: message('Not probed for {minutes} min', { minutes: minutes(until - from) }),
        celsius: null,
        by: '',
        via: null,
        probe: null,
        marks: ['gap'],
        done: null,
      });
  };
  for (const { event, after } of stages.steps) {
    const at = happened(event);
    const hot = after === 'hot';
    if (from !== null && (!hot || event.body.kind === 'temperature')) {
      check(at);
      from = null;
    }
    if (hot && from === null) from = at;
  }
  if (stages.last?.stage === 'hot') check(now);
  return found;
}

/** Its lines that count, and the stage each left it in. */
type Stages = {
  readonly name: string;
  readonly steps: readonly { readonly event: KeepEvent; readonly after: LotStage }[];
  readonly last: LotState | null;
};

function stagesOf(lot: Lot, house: House): Stages {
  const steps: { event: KeepEvent; after: LotStage }[] = [];
  const last = lotState(lot, house.keeping, (event, after) => steps.push({ event, after }));
  const put = lot.events.findLast((e) => e.body.kind === 'put by')?.body;
  return { name: put?.kind === 'put by' ? put.name : '', steps, last };
}

/** Marks a deviation leaves in the record. */
const markOf = ({ kind, known }: Deviation): Mark =>
  kind === 'warmer' ? 'question' : known ? 'over the limit' : 'cannot be told';

/** A temperature outside what is asked of where it stood then. */
const outside = (after: LotStage | undefined, celsius: number, { hot, cold }: RuleSet): boolean =>
  after === 'hot' ? celsius < hot.atLeast : after === 'cold' && celsius > cold.atMost;

const celsiusOf = (body: KeepEvent['body']): number | null =>
  body.kind === 'temperature' || body.kind === 'reheated' || body.kind === 'put by'
    ? (body.celsius ?? null)
    : null;

function lotEntries(lot: Lot, house: House, rule: RuleSet, now: number): readonly Entry[] {
  const withdrawn = takenBack(lot.events);
  const stages = stagesOf(lot, house);
  const { name, last } = stages;
  const after = new Map(stages.steps.map((s) => [s.event.id, s.after]));
  const deviations = last ? judge(last, rule, now).deviations.filter((d) => d.at >= last.putAt) : [];
  const ownDeviations = new Map<string, readonly Deviation[]>();
  for (const d of deviations)
    if (d.event) ownDeviations.set(d.event, [...(ownDeviations.get(d.event) ?? []), d]);
  const own = lot.events.map((event): Entry => {
    const { body } = event;
    const celsius = celsiusOf(body);
    const against = ownDeviations.get(event.id) ?? [];
    // Whether it was brought back hot enough is a rule of its own.
    const read = body.kind === 'reheated' ? null : celsius;
    const over = read !== null && !withdrawn.has(event.id) && outside(after.get(event.id), read, rule);
    const marks = new Set<Mark>([
      ...(over ? (['over the limit'] as const) : []),
      ...against.map(markOf),
      ...ownMarks(event, withdrawn),
    ]);
    return {
      id: event.id,
      at: happened(event),
      receivedAt: received(event),
      lot: lot.id,
      source: 'keep',
      name,
      says:
        against.length > 0
          ? message('{line}: {against}', {
              line: says(event, house),
              against: { all: against.map((d) => d.says) },
            })
          : says(event, house),
      celsius,
      ...(body.kind === 'temperature' && { reading: true as const }),
      by: event.station,
      via: event.via ?? null,
      probe: body.kind === 'temperature' ? (body.from ?? null) : null,
      marks: [...marks],
      done: doneOf(against),
    };
  });
  const byTime = deviations
    .filter((d) => d.event === null)
    .map(
      (d): Entry => ({
        id: `${lot.id} ${d.id}`,
        at: d.at,
        receivedAt: null,
        lot: lot.id,
        source: null,
        name,
        says: d.says,
        celsius: d.celsius,
        by: '',
        via: null,
        probe: null,
        marks: [markOf(d)],
        done: doneOf([d]),
      }),
    );
  return [...own, ...gapsOf(lot, stages, house.keeping.probeEvery * 60_000, now), ...byTime];
}

/** What was done about what a line went against; an empty answer where nobody said, null where it went against nothing. */
const doneOf = (against: readonly Deviation[]): Entry['done'] =>
  against.length === 0
    ? null
    : (against.find((d) => d.done)?.done ?? { what: '', by: '', at: against[0]?.at ?? 0 });

/** A temperature of a batch while it was on the stove, or what took one back, as the record shows it too. */
export type StoveReading = {
  readonly event: BatchEvent;
  readonly batch: string;
  readonly name: string;
  /** Taken back by a line that counts. */
  readonly gone: boolean;
};

const stoveSays = ({ body }: BatchEvent): Message | null => {
  if (body.kind === 'temperature')
    return message('Read {celsius} on the stove', { celsius: { celsius: body.celsius, exact: true } });
  return body.kind === 'withdrawn' ? backWords(body) : null;
};

/** The record as it is read: each line, and between them what is missing and what was over a limit; by time. */
export function entriesOf(
  lots: readonly Lot[],
  kitchenLines: readonly KeepEvent[],
  stove: readonly StoveReading[],
  house: House,
  now: number,
): readonly Entry[] {
  const rule = rulesIn(house);
  const gone = takenBack(kitchenLines);
  return [
    ...lots.flatMap((lot) => lotEntries(lot, house, rule, now)),
    ...kitchenLines.map(
      (event): Entry => ({
        id: event.id,
        at: Date.parse(event.at),
        receivedAt: received(event),
        lot: null,
        source: 'keep',
        name: '',
        says: says(event, house),
        celsius: event.body.kind === 'probe checked' ? event.body.celsius : null,
        by: event.station,
        via: event.via ?? null,
        probe: event.body.kind === 'probe checked' ? event.body.probe : null,
        marks: ownMarks(event, gone),
        done: null,
      }),
    ),
    ...stove.flatMap(({ event, name, batch, gone: back }): Entry[] => {
      const said = stoveSays(event);
      if (!said) return [];
      return [
        {
          id: event.id,
          at: Date.parse(event.at),
          receivedAt: received(event),
          lot: batch,
          source: 'batch',
          name,
          says: said,
          celsius: event.body.kind === 'temperature' ? event.body.celsius : null,
          ...(event.body.kind === 'temperature' && { reading: true as const }),
          by: event.station,
          via: event.via ?? null,
          probe: event.body.kind === 'temperature' ? (event.body.from ?? null) : null,
          marks: [
            ...clockMark(event),
            ...(event.brought ? (['brought'] as const) : []),
            ...(back ? (['taken back'] as const) : []),
          ],
          done: null,
        },
      ];
    }),
  ].sort((a, b) => a.at - b.at || a.id.localeCompare(b.id));
}
