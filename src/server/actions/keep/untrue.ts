import { isIngredient } from '../../../core/food/catalogue';
import { panHolds } from '../../../core/heat/cool/body';
import { rimVolume } from '../../../core/heat/vessel';
import type { Container, KeepBody, KeepBodyOf, KeepEvent } from '../../../core/keep/events';
import { happened, type Lot, type LotState, placeOf } from '../../../core/keep/lot';
import { probeStanding } from '../../../core/keep/probes';
import { rulesIn } from '../../../core/keep/standing';
import type { House } from '../../../core/kitchen/house';
import { message } from '../../../core/message/message';
import { DAY_MS } from '../../../core/units/moment';
import { cannot, unknown } from '../../refusal';

/** Refuses a container or place the kitchen has not, and one that does not hold it. */
export function refuseUnfit(house: House, field: string, container: Container, ml: number): void {
  const { vessels, keeping } = house;
  if (container.kind === 'pot') {
    const vessel = vessels.find((v) => v.id === container.vessel);
    if (!vessel)
      throw unknown(
        `${field}.vessel`,
        container.vessel,
        vessels.map((v) => v.id),
      );
    if (ml > rimVolume(vessel))
      throw cannot(
        field,
        message('{ml}', { ml: { ml } }),
        message('at most {most} in this pot', { most: { ml: rimVolume(vessel) } }),
      );
    return;
  }
  const pan = keeping.pans.find((p) => p.id === container.pan);
  if (!pan)
    throw unknown(
      `${field}.pan`,
      container.pan,
      keeping.pans.map((p) => p.id),
    );
  const most = panHolds(pan) * container.count;
  if (ml > most * 1.02)
    throw cannot(
      field,
      message('{ml}', { ml: { ml } }),
      message('at most {most} in {count} × {pan}', {
        most: { ml: most },
        count: container.count,
        pan: pan.name,
      }),
    );
}

export function refusePlace({ keeping }: House, field: string, id: string): void {
  if (!placeOf(keeping, id))
    throw unknown(
      field,
      id,
      keeping.places.map((p) => p.id),
    );
}

const noMore = (state: LotState, ml: number): void => {
  if (ml <= state.ml + 1) return;
  throw cannot(
    'body.ml',
    message('{ml}', { ml: { ml } }),
    message('at most the {left} that are left', { left: { ml: state.ml } }),
  );
};

/** Whether a line stands in the place of one that is read before it: put right, it keeps the other's time. */
const replaces = (lot: Lot, { id }: KeepEvent): boolean =>
  lot.events.some((e) => e.body.kind === 'withdrawn' && e.body.instead === id);

/** A line as it is written, and what stands before it. */
type Written<K extends KeepBody['kind']> = {
  readonly house: House;
  readonly lot: Lot;
  readonly state: LotState;
  readonly event: KeepEvent;
  readonly kitchenLines: readonly KeepEvent[];
  readonly body: KeepBodyOf<K>;
};

/** True of anything. */
const ANY = (): void => undefined;

/** What of each kind cannot be true: refused with its field, and what is allowed. */
const UNTRUE: { readonly [K in KeepBody['kind']]: (written: Written<K>) => void } = {
  temperature: ({ lot, event, kitchenLines, body }) => {
    const last = lot.events.findLast((e) => e.body.kind === 'temperature' && e.station === event.station);
    // One from a clock that ran ahead counts as of when it came, and bars nothing after it.
    if (last && Date.parse(event.at) < happened(last) && !replaces(lot, event))
      throw cannot('at', event.at, message('after the last reading, {at}', { at: last.at }));
    if (body.from && probeStanding(body.from, kitchenLines, Date.now()).out)
      throw cannot(
        'body.from',
        body.from,
        message('this probe is out by more than a degree: put it right first, or take another'),
      );
  },
  'set to cool': ({ house, state, body }) => {
    refusePlace(house, 'body.way.place', body.way.place);
    refuseUnfit(house, 'body.way.into', body.way.into, state.ml);
  },
  'kept hot': ({ house, state, body }) => {
    refusePlace(house, 'body.place', body.place);
    if (body.container) refuseUnfit(house, 'body.container', body.container, state.ml);
    if (['cold', 'frozen', 'thawing'].includes(state.stage))
      throw cannot('body.kind', body.kind, message('it is cold: reheat it first'));
  },
  cooled: ({ house, body }) => {
    refusePlace(house, 'body.place', body.place);
  },
  moved: ({ house, state, body }) => {
    refusePlace(house, 'body.place', body.place);
    if (body.container) refuseUnfit(house, 'body.container', body.container, state.ml);
  },
  'let down': ({ house, state, body }) => {
    if (!isIngredient(body.ingredient)) throw unknown('body.ingredient', body.ingredient, []);
    refuseUnfit(house, 'body.ml', state.container, state.ml + body.ml);
  },
  parted: ({ lot, state, body }) => {
    if (body.into.toLowerCase() === lot.id.toLowerCase())
      throw cannot(
        'body.into',
        body.into,
        message('the id of another thing: it cannot be parted into itself'),
      );
    noMore(state, body.ml);
  },
  taken: ({ state, body }) => {
    noMore(state, body.ml);
  },
  'thrown away': ({ state, body }) => {
    noMore(state, body.ml);
  },
  'topped up': () => {
    throw cannot(
      'body.kind',
      message('new onto old'),
      message(
        'store the new on its own: it would be dated by the old, and warm the old through its danger zone',
      ),
    );
  },
  reheating: ({ house, state, body }) => {
    if (state.reheats > 0)
      throw cannot(
        'body.kind',
        body.kind,
        message('it was reheated once: what is left is served or thrown away'),
      );
    if (body.ml !== undefined) noMore(state, body.ml);
    refuseUnfit(house, 'body', { kind: 'pot', vessel: body.vessel }, body.ml ?? state.ml);
    if (!house.burners.some((b) => b.id === body.burner))
      throw unknown(
        'body.burner',
        body.burner,
        house.burners.map((b) => b.id),
      );
  },
  reheated: ({ house, state, body }) => {
    const { to, forSeconds } = rulesIn(house).reheat;
    if (body.place) refusePlace(house, 'body.place', body.place);
    // What fell under its limit is brought back where it stands, too.
    const fell = (state.stage === 'hot' || state.stage === 'cooling') && state.course.clock !== null;
    if (state.stage !== 'reheating' && !fell && !state.under)
      throw cannot('body.kind', body.kind, message('it is not being reheated'));
    if (body.celsius < to)
      throw cannot(
        'body.celsius',
        message('{celsius}', { celsius: { celsius: body.celsius } }),
        message('at least {to}: go on heating', { to: { celsius: to } }),
      );
    if (body.seconds < forSeconds)
      throw cannot(
        'body.seconds',
        String(body.seconds),
        message('held for {seconds} s at least', { seconds: forSeconds }),
      );
  },
  withdrawn: ({ lot, event }) => {
    refuseForeign(lot, event);
  },
  'put by': ANY,
  'put right': ANY,
  'used up': ANY,
  labelled: ANY,
  paired: ANY,
  note: ANY,
  'probe checked': ANY,
  'probe put right': ANY,
  signed: ANY,
};

/** Refuses what of its kind cannot be true. */
const refuseOfKind = <K extends KeepBody['kind']>(written: Written<K>): void =>
  UNTRUE[written.body.kind as K](written);

/** Refuses what cannot be true of the thing as it stands. */
export function refuseUntrue(
  house: House,
  lot: Lot,
  state: LotState,
  event: KeepEvent,
  kitchenLines: readonly KeepEvent[],
): void {
  const { body } = event;
  const at = Date.parse(event.at);
  const over = state.over !== null;
  const ends = body.kind === 'withdrawn' || body.kind === 'note' || body.kind === 'put right';
  if (over && !ends) {
    const field = body.kind === 'labelled' ? 'body.count' : 'body.kind';
    throw cannot(field, body.kind, message('nothing of it is left'));
  }
  if (at < state.putAt - 1000)
    throw cannot(
      'at',
      event.at,
      message('not before it was stored, {at}', { at: new Date(state.putAt).toISOString() }),
    );
  refuseOfKind({ house, lot, state, event, kitchenLines, body });
}

/** Refuses to take back what is no line of this thing. */
export function refuseForeign(lot: Lot, { body }: KeepEvent): void {
  if (body.kind === 'withdrawn' && !lot.events.some((e) => e.id === body.event))
    throw cannot('body.event', body.event, message('the id of an event of this batch'));
}

/** Refuses a moment no line can have. */
export function refuseMoment(at: string): void {
  const now = Date.now();
  if (Date.parse(at) - now > DAY_MS)
    throw cannot('at', at, message('at most a day from now, {now}', { now: new Date(now).toISOString() }));
}
