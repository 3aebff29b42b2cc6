import { type Cooling, cooled, thickSoup } from '../core/heat/cool/body';
import { warmestAt } from '../core/heat/cool/course';
import { coolingOf } from '../core/keep/cool/ways';
import { type Lot, type LotState, placeOf } from '../core/keep/lot';
import { lotState } from '../core/keep/safe/fold';
import type { House } from '../core/kitchen/house';
import { normals, seeded } from '../core/maths/random';

/** What the simulation knows of something kept: its lines and the house it stands in. */
export type KeptThing = { readonly lot: Lot; readonly house: Pick<House, 'keeping' | 'vessels'> };

const seedOf = (text: string): number =>
  [...text].reduce((hash, c) => Math.imul(hash ^ c.charCodeAt(0), 16777619) >>> 0, 2166136261);

/** Spread of the logarithm of the film that is really there, and °C a thing is put by at where nobody read it. */
const FILM = 0.2;
const HOT = 84;

/** °C towards which it goes where it stands, and how fast, 1/s, where that is no cooling to be worked out. */
const HELD = { bath: 70, ring: 74 } as const;
const WARMS = 1 / 900;

/** How it is cooled where nobody has said: as it stands. */
const asItStands = (state: LotState) => ({ into: state.container, place: state.place, lid: state.lid });

/**
 * °C really in the middle of something kept at `now` (ms): stretch by stretch as it was set down, by a film the model does not know, drawn
 * once for each thing and place. No reading moves it. Null before it was put by, or where its place is gone.
 */
export function keptCelsius({ lot, house }: KeptThing, now: number): number | null {
  const moves = lot.events
    .filter((e) =>
      ['put by', 'set to cool', 'kept hot', 'cooled', 'moved', 'reheating', 'reheated'].includes(e.body.kind),
    )
    .map((e) => Date.parse(e.at))
    .filter((at) => at <= now)
    .sort((a, b) => a - b);
  let celsius: number | null = null;
  for (const [n, at] of moves.entries()) {
    const state = lotState(
      { id: lot.id, events: lot.events.filter((e) => Date.parse(e.at) <= at) },
      house.keeping,
    );
    if (!state) continue;
    const start: number =
      celsius ?? state.put.celsius ?? (state.stage === 'hot' || state.stage === 'cooling' ? HOT : 4);
    celsius = after(state, house, lot.id, start, ((moves[n + 1] ?? now) - at) / 1000);
  }
  return celsius;
}

/** Courses worked out before, for half an hour more than was asked: what is looked at every second is not cooled anew each time. */
const courses = new Map<string, { readonly upTo: number; readonly points: Points }>();
type Points = ReturnType<typeof cooled>;
const AHEAD = 1800;
const LONGEST = 5 * 86_400;
const MOST = 50;

function course(key: string, seconds: number, work: (upTo: number) => Points): Points {
  const had = courses.get(key);
  if (had && had.upTo >= Math.min(seconds, LONGEST)) return had.points;
  const upTo = Math.min(seconds + AHEAD, LONGEST);
  const points = work(upTo);
  if (courses.size >= MOST) courses.clear();
  courses.set(key, { upTo, points });
  return points;
}

function after(
  state: LotState,
  house: KeptThing['house'],
  id: string,
  from: number,
  seconds: number,
): number {
  const place = placeOf(house.keeping, state.place);
  if (!place || seconds <= 0) return from;
  if (state.stage === 'reheating') return Math.min(92, from + seconds * 0.05);
  if (place.kind === 'bath' || place.kind === 'ring') {
    const to = HELD[place.kind];
    return to + (from - to) * Math.exp(-seconds * WARMS);
  }
  let cooling: Cooling;
  try {
    cooling = coolingOf(state.way ?? asItStands(state), thickSoup(Math.max(1, state.ml)), house);
    const film = Math.exp(FILM * normals(seeded(seedOf(`${id} ${state.place}`)))());
    const points = course(`${id} ${state.place} ${from} ${JSON.stringify(cooling)}`, seconds, (upTo) =>
      cooled(cooling, Math.min(105, from), upTo, { film, conductivity: 1, depth: 1, room: 0 }),
    );
    return warmestAt(points, seconds);
  } catch {
    // What does not fit where it is said to stand is not simulated.
    return from;
  }
}
