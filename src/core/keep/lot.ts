import type { Keeping, Place, PlaceKind } from '../house/keeping';
import type { Way } from './cool/ways';
import type { Container, KeepBodyOf, KeepEvent } from './events';

/** What is known of something kept: its lines in the order they were received. */
export type Lot = { readonly id: string; readonly events: readonly KeepEvent[] };

/** How something kept stands. */
export const LOT_STAGES = ['hot', 'cooling', 'cold', 'frozen', 'thawing', 'reheating', 'over'] as const;
export type LotStage = (typeof LOT_STAGES)[number];

/** A temperature of something kept. */
export type KeptReading = {
  readonly at: number;
  readonly celsius: number;
  readonly from: string | null;
  readonly event: KeepEvent;
};

/** Something kept, as its lines make it; times are ms. */
export type LotState = {
  readonly id: string;
  readonly put: KeepBodyOf<'put by'>;
  readonly putAt: number;
  readonly stage: LotStage;
  readonly since: number;
  readonly place: string;
  readonly container: Container;
  readonly lid: boolean;
  /** mL left of it. */
  readonly ml: number;
  readonly readings: readonly KeptReading[];
  /** How it was set to cool last, and when; and when it was first. */
  readonly way: Way | null;
  readonly wayAt: number;
  readonly coolingFrom: number | null;
  readonly cooledAt: number | null;
  /** Stretches of being frozen; the last may be open. */
  readonly frozen: readonly { readonly from: number; readonly to: number | null }[];
  /** How often it was brought back hot, and where it stands for that now. */
  readonly reheats: number;
  readonly on: KeepBodyOf<'reheating'> | null;
  readonly paired: { readonly device: string; readonly name: string } | null;
  readonly labels: number;
  readonly over: {
    readonly at: number;
    readonly body: KeepBodyOf<'thrown away'> | KeepBodyOf<'used up'> | null;
  } | null;
  /** Lines that count, by the time they happened. */
  readonly events: readonly KeepEvent[];
};

/** Lines that count: by the time they happened, without those taken back. */
export function standingLines(events: readonly KeepEvent[]): readonly KeepEvent[] {
  const gone = new Set(events.flatMap((e) => (e.body.kind === 'withdrawn' ? [e.body.event] : [])));
  return events
    .filter((e) => e.body.kind !== 'withdrawn' && !gone.has(e.id))
    .toSorted((a, b) => Date.parse(a.at) - Date.parse(b.at));
}

const AT: Readonly<Record<PlaceKind, LotStage>> = {
  bath: 'hot',
  ring: 'hot',
  worktop: 'cooling',
  'ice bath': 'cooling',
  blast: 'cooling',
  'cold room': 'cold',
  fridge: 'cold',
  freezer: 'frozen',
};

export const placeOf = ({ places }: Pick<Keeping, 'places'>, id: string): Place | null =>
  places.find((p) => p.id === id) ?? null;

/** A place no longer in the kitchen counts as cold. */
const stageAt = (keeping: Pick<Keeping, 'places'>, place: string): LotStage =>
  AT[placeOf(keeping, place)?.kind ?? 'fridge'];

type Draft = { -readonly [K in keyof LotState]: LotState[K] };

const turn = (d: Draft, stage: LotStage, at: number): void => {
  const open = d.frozen.at(-1);
  if (d.stage === 'frozen' && stage !== 'frozen' && open && open.to === null)
    d.frozen = [...d.frozen.slice(0, -1), { ...open, to: at }];
  if (stage === 'frozen' && d.stage !== 'frozen') d.frozen = [...d.frozen, { from: at, to: null }];
  if (stage !== d.stage) d.since = at;
  d.stage = stage;
};

/** °C over which what was frozen has thawed. */
const THAWED = 0;

/** Hot enough, when put by in a cold place, that it still has to cool, °C. */
const WARM = 10;

function take(d: Draft, event: KeepEvent, keeping: Pick<Keeping, 'places'>): void {
  const { body } = event;
  const at = Date.parse(event.at);
  switch (body.kind) {
    case 'temperature':
      d.readings = [...d.readings, { at, celsius: body.celsius, from: body.from ?? null, event }];
      if (d.stage === 'thawing' && body.celsius > THAWED) turn(d, 'cold', at);
      break;
    case 'set to cool':
      d.way = body.way;
      d.wayAt = at;
      d.coolingFrom ??= at;
      d.container = body.way.into;
      d.place = body.way.place;
      d.lid = body.way.lid ?? false;
      d.cooledAt = null;
      turn(d, 'cooling', at);
      break;
    case 'kept hot':
      d.place = body.place;
      d.lid = body.lid;
      d.container = body.container ?? d.container;
      d.coolingFrom = null;
      d.on = null;
      turn(d, 'hot', at);
      break;
    case 'cooled':
      d.place = body.place;
      d.cooledAt = at;
      d.lid = true;
      turn(d, stageAt(keeping, body.place) === 'frozen' ? 'frozen' : 'cold', at);
      break;
    case 'moved': {
      const to = stageAt(keeping, body.place);
      d.place = body.place;
      d.container = body.container ?? d.container;
      if (to === 'frozen') turn(d, 'frozen', at);
      else if (d.stage === 'frozen') turn(d, 'thawing', at);
      else if (to === 'hot' || d.stage === 'hot') turn(d, to === 'hot' ? 'hot' : 'cooling', at);
      break;
    }
    case 'parted':
    case 'taken':
      d.ml = Math.max(0, d.ml - body.ml);
      break;
    case 'thrown away':
      d.ml = Math.max(0, d.ml - body.ml);
      if (d.ml < 1) d.over = { at, body };
      break;
    case 'used up':
      d.ml = 0;
      d.over = { at, body };
      break;
    case 'let down':
      d.ml += body.ml;
      break;
    case 'reheating':
      d.on = body;
      d.container = { kind: 'pot', vessel: body.vessel };
      turn(d, 'reheating', at);
      break;
    case 'reheated':
      d.reheats += 1;
      d.on = null;
      d.place = body.place ?? d.place;
      d.coolingFrom = null;
      d.readings = [...d.readings, { at, celsius: body.celsius, from: null, event }];
      turn(d, 'hot', at);
      break;
    case 'labelled':
      d.labels += body.count;
      break;
    case 'paired':
      d.paired = body.device === null ? null : { device: body.device, name: body.name ?? body.device };
      break;
  }
  if (d.ml < 1 && !d.over) d.over = { at, body: null };
  if (d.over) turn(d, 'over', d.over.at);
}

/** How a thing kept stands after its lines, whatever order they arrived in; null before it was put by, or when that was taken back. */
export function lotState(lot: Lot, keeping: Pick<Keeping, 'places'>): LotState | null {
  const events = standingLines(lot.events);
  const first = events.findLast((e) => e.body.kind === 'put by');
  if (first?.body.kind !== 'put by') return null;
  const put = first.body;
  const putAt = Date.parse(first.at);
  const at = stageAt(keeping, put.place);
  const warm = at === 'cold' && (put.celsius ?? 0) > WARM;
  const d: Draft = {
    id: lot.id,
    put,
    putAt,
    stage: 'cold',
    since: putAt,
    place: put.place,
    container: put.container,
    lid: true,
    ml: put.ml,
    readings:
      put.celsius === undefined ? [] : [{ at: putAt, celsius: put.celsius, from: null, event: first }],
    way: null,
    wayAt: putAt,
    coolingFrom: null,
    cooledAt: null,
    frozen: [],
    reheats: put.reheated ? 1 : 0,
    on: null,
    paired: null,
    labels: 0,
    over: null,
    events,
  };
  turn(d, warm ? 'cooling' : at, putAt);
  if (d.stage === 'cooling') {
    d.way = { into: put.container, place: put.place, lid: false };
    d.coolingFrom = putAt;
    d.lid = false;
  }
  for (const event of events) if (Date.parse(event.at) >= putAt && event !== first) take(d, event, keeping);
  return d;
}
