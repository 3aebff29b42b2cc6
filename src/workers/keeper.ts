import type { Batch } from '../core/batch/record';
// Nothing of the page but this speaks of ingredients.
import '../core/food/load';
import { FILM, filled } from '../core/heat/cool/body';
import { warmestAt } from '../core/heat/cool/course';
import type { Forecast } from '../core/keep/cool/forecast';
import { type CoolingWay, type Tried, tried, waysToCool } from '../core/keep/cool/ways';
import type { KeepEvent } from '../core/keep/events';
import { type Lot, placeOf } from '../core/keep/lot';
import { lotState } from '../core/keep/safe/fold';
import {
  type FreezeEffect,
  freezeEffects,
  freezingBody,
  freezingTime,
  thawingTime,
} from '../core/keep/soup/freeze';
import { type HotForecast, holdForecast } from '../core/keep/soup/hot';
import { keptNow, vesselOf } from '../core/keep/soup/keptNow';
import { type Kept, keptOf, soupOf } from '../core/keep/soup/keptPot';
import { type ReheatForecast, reheatForecast } from '../core/keep/soup/reheat';
import { type Alarm, coolingForecast, filmsKnown, rulesIn } from '../core/keep/standing';
import type { House } from '../core/kitchen/house';
import { serve } from './served';

/** How a cooling stands: its forecast from when its phase began, ms, and its alarm. */
export type CoolingFound = {
  readonly at: number;
  readonly forecast: Forecast;
  readonly alarm: Alarm;
  readonly mm: number;
};

/** What freezing and thawing come to, s; Infinity where it would not. */
export type ColdFound = {
  readonly effects: readonly FreezeEffect[];
  readonly freeze: number;
  readonly thaw: number;
};

let house: House | null = null;
let films: ReturnType<typeof filmsKnown> = {};
const kept = new Map<string, Kept | null>();

/** °C something is supposed to have where nobody has read it. */
const SUPPOSED = 85;

/** A thing as it is now: what the pass took and what was stirred in count; null before the house is known. */
function standing(lot: Lot, now: number) {
  const state = house && lotState(lot, house.keeping);
  if (!house || !state) return null;
  const cooked = kept.get(state.put.batch ?? '') ?? null;
  const from = cooked && keptNow(cooked, state, house, now);
  const { container } = state;
  const vessel =
    container.kind === 'pot' ? (house.vessels.find((v) => v.id === container.vessel) ?? null) : null;
  return { house, state, from, vessel, soup: soupOf(from, Math.max(1, state.ml)) };
}

type Cooled = { readonly lot: Lot; readonly now: number };

/** How a thing cools, and what is asked of every other way it could. */
function coolingOf({ lot, now }: Cooled) {
  const here = standing(lot, now);
  if (!here) return null;
  const { state, soup, vessel, house: h } = here;
  const rule = rulesIn(h).cooling;
  const means = { keeping: h.keeping, vessels: h.vessels, films };
  const found = coolingForecast(state, soup, means, rule, now);
  // What this cooling found of its room counts for every way there is in it.
  const learnt = found && state.way ? { [state.way.place]: found.forecast.fit.film } : {};
  const read = state.readings.at(-1);
  const fresh = read !== undefined && now - read.at < 300_000;
  const seconds = found ? (now - found.at) / 1000 : 0;
  const warmest = found && seconds > 0 ? warmestAt(found.forecast.points, seconds) : read?.celsius;
  const asked = {
    soup,
    from: fresh ? read.celsius : (warmest ?? SUPPOSED),
    fromRead: fresh,
    vessel,
    // The rule's clock, counted from now.
    began:
      found?.began == null
        ? found && found.forecast.verdict.began < seconds
          ? found.forecast.verdict.began - seconds
          : null
        : found.began - seconds,
  };
  return { found, asked, means: { ...means, films: { ...films, ...learnt } }, rule };
}

const KEEPER = {
  /** How it cools, then each way the kitchen could cool it. */
  *cooling(q: Cooled): Generator<{ readonly found: CoolingFound | null } | { readonly way: Tried }> {
    const c = coolingOf(q);
    if (!c) return;
    const { found } = c;
    yield {
      found: found && {
        at: found.at,
        forecast: found.forecast,
        alarm: found.alarm,
        mm: filled(found.phase.cooling).mm,
      },
    };
    for (const way of waysToCool(c.asked, c.means, c.rule)) yield { way };
  },

  *way(q: Cooled & { readonly way: CoolingWay }): Generator<Tried> {
    const c = coolingOf(q);
    if (c) yield tried(q.way, c.asked, c.means, c.rule);
  },

  /** What becomes of it on the pass; null where it is not known what it is. */
  *hot({
    lot,
    now,
    servedPerHour,
  }: Cooled & { readonly servedPerHour: number }): Generator<HotForecast | null> {
    const here = standing(lot, now);
    if (!here) return;
    const { state, from, house: h } = here;
    const place = placeOf(h.keeping, state.place);
    yield from && place
      ? holdForecast(from, {
          place,
          vessel: vesselOf(state.container, h) ?? from.pot.vessel,
          lid: state.lid ? 'on' : 'off',
          ml: state.ml,
          celsius: Math.max(rulesIn(h).hot.atLeast, state.readings.at(-1)?.celsius ?? from.pot.celsius),
          servedPerHour,
          minutes: 240,
        })
      : null;
  },

  /** What freezing and thawing come to. */
  *cold({ lot, now }: Cooled): Generator<ColdFound> {
    const here = standing(lot, now);
    if (!here) return;
    const { state, from, vessel, soup, house: h } = here;
    const into = state.container.kind === 'pans' ? state.container : null;
    const pan = into && h.keeping.pans.find((p) => p.id === into.pan);
    const holder =
      pan && into
        ? ({ kind: 'pans', pan, count: into.count } as const)
        : vessel
          ? ({ kind: 'pot', vessel } as const)
          : null;
    const effects = freezeEffects(from?.steps ?? []);
    if (!holder) {
      yield { effects, freeze: Number.NaN, thaw: Number.NaN };
      return;
    }
    const body = freezingBody(holder, Math.max(5, filled({ soup, holder }).mm));
    const liquid = from?.pot.liquid ?? null;
    const freezer = h.keeping.places.find((p) => p.kind === 'freezer');
    const fridge = h.keeping.places.find((p) => p.kind === 'fridge' || p.kind === 'cold room');
    const never = Number.POSITIVE_INFINITY;
    yield {
      effects,
      freeze: freezer ? freezingTime(body, freezer.celsius, FILM.freezer, liquid) : never,
      thaw: fridge ? thawingTime(body, fridge.celsius, FILM.fridge, liquid) : never,
    };
  },

  *reheat(q: Reheating): Generator<ReheatForecast | null> {
    const here = standing(q.lot, q.now);
    if (!here) return;
    const { state, from, house: h } = here;
    const vessel = h.vessels.find((v) => v.id === q.vessel);
    const burner = h.burners.find((b) => b.id === q.burner);
    const celsius = Math.min(state.readings.at(-1)?.celsius ?? 4, 8);
    yield from && vessel && burner
      ? reheatForecast(
          from,
          { vessel, burner, ml: state.ml, celsius, measured: q.measured },
          rulesIn(h).reheat,
        )
      : null;
  },
};

/** A pot and burner it is brought back on, and mPa·s measured in the bowl where it was. */
type Reheating = Cooled & {
  readonly vessel: string;
  readonly burner: string;
  readonly measured?: number | undefined;
};

const KNOWS = {
  house(told: { readonly house: House; readonly filmLines: readonly KeepEvent[] }): void {
    house = told.house;
    films = filmsKnown(told.filmLines);
  },
  batch(batch: Batch): void {
    if (kept.has(batch.id)) return;
    try {
      kept.set(batch.id, keptOf(batch));
    } catch {
      // A batch the model cannot follow is kept all the same: it counts as thick.
      kept.set(batch.id, null);
    }
  },
};

/** What is worked out of something kept, off the page. */
export type Keeper = typeof KEEPER;
export type KeeperKnows = typeof KNOWS;

serve(KEEPER, KNOWS);
