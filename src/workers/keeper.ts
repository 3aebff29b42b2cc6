import type { Batch } from '../core/batch/record';
// Nothing of the page but this speaks of ingredients.
import '../core/food/load';
import { FILM, filled } from '../core/heat/cool/body';
import { warmestAt } from '../core/heat/cool/course';
import type { House } from '../core/house/house';
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
import { isMessage, type Message } from '../core/message/message';
import { saidBy } from '../core/message/told';

/** What is worked out of something kept, off the page. A newer asking of the same kind takes an older one's place. */
export type KeeperQuestion =
  | { readonly kind: 'house'; readonly house: House; readonly filmLines: readonly KeepEvent[] }
  | { readonly kind: 'batch'; readonly batch: Batch }
  | {
      readonly kind: 'cooling';
      readonly key: string;
      readonly lot: Lot;
      readonly now: number;
      readonly ways: boolean;
    }
  | {
      readonly kind: 'way';
      readonly key: string;
      readonly lot: Lot;
      readonly now: number;
      readonly way: CoolingWay;
    }
  | {
      readonly kind: 'hot';
      readonly key: string;
      readonly lot: Lot;
      readonly now: number;
      readonly servedPerHour: number;
      readonly lid: boolean;
      readonly place: string;
    }
  | {
      readonly kind: 'cold';
      readonly key: string;
      readonly lot: Lot;
      readonly container?: { readonly pan: string; readonly count: number } | undefined;
    }
  | {
      readonly kind: 'reheat';
      readonly key: string;
      readonly lot: Lot;
      readonly vessel: string;
      readonly burner: string;
      readonly ml: number;
      readonly measured?: number | undefined;
    };

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

export type KeeperAnswer = { readonly key: string } & (
  | { readonly kind: 'cooling'; readonly found: CoolingFound | null }
  | { readonly kind: 'way'; readonly one: Tried | null; readonly left: boolean }
  | { readonly kind: 'tried'; readonly one: Tried }
  | { readonly kind: 'hot'; readonly found: HotForecast | null }
  | { readonly kind: 'cold'; readonly found: ColdFound }
  | { readonly kind: 'reheat'; readonly found: ReheatForecast | null }
  | { readonly kind: 'wrong'; readonly says: Message | string }
);

let house: House | null = null;
let films: ReturnType<typeof filmsKnown> = {};
const kept = new Map<string, Kept | null>();
const latest: Partial<Record<KeeperQuestion['kind'], string>> = {};
const tell = (told: KeeperAnswer) => self.postMessage(told);
const breathe = () => new Promise((resolve) => setTimeout(resolve, 0));

/** °C something is supposed to have where nobody has read it. */
const SUPPOSED = 85;

const soupFor = (lot: Lot) => {
  const state = house && lotState(lot, house.keeping);
  return state ? (kept.get(state.put.batch ?? '') ?? null) : null;
};

async function work(ask: Exclude<KeeperQuestion, { kind: 'house' | 'batch' }>, h: House): Promise<void> {
  const { key, lot } = ask;
  const state = lotState(lot, h.keeping);
  if (!state) return;
  const rule = rulesIn(h);
  const means = { keeping: h.keeping, vessels: h.vessels, films };
  const cooked = soupFor(lot);
  const moment = 'now' in ask ? ask.now : Date.now();
  // As it is now: what the pass took and what was stirred in count.
  const from = cooked && keptNow(cooked, state, h, moment);
  const soup = soupOf(from, Math.max(1, state.ml));
  const vessel =
    state.container.kind === 'pot'
      ? (h.vessels.find((v) => v.id === (state.container as { vessel: string }).vessel) ?? null)
      : null;
  switch (ask.kind) {
    case 'cooling':
    case 'way': {
      const found = coolingForecast(state, soup, means, rule.cooling, ask.now);
      // What this cooling found of its room counts for every way there is in it.
      const learnt = found && state.way ? { [state.way.place]: found.forecast.fit.film } : {};
      const here = { ...means, films: { ...films, ...learnt } };
      const read = state.readings.at(-1);
      const seconds = found ? (ask.now - found.at) / 1000 : 0;
      const now =
        found && seconds > 0 ? warmestAt(found.forecast.points, seconds) : (read?.celsius ?? SUPPOSED);
      const asked = {
        soup,
        from: read && ask.now - read.at < 300_000 ? read.celsius : now,
        fromRead: read !== undefined && ask.now - read.at < 300_000,
        vessel,
        // The rule's clock, counted from now.
        began:
          found?.began == null
            ? found && found.forecast.verdict.began < seconds
              ? found.forecast.verdict.began - seconds
              : null
            : found.began - seconds,
      };
      if (ask.kind === 'way')
        return tell({ key, kind: 'tried', one: tried(ask.way, asked, here, rule.cooling) });
      tell({
        key,
        kind: 'cooling',
        found: found && {
          at: found.at,
          forecast: found.forecast,
          alarm: found.alarm,
          mm: filled(found.phase.cooling).mm,
        },
      });
      if (!ask.ways) return;
      for (const one of waysToCool(asked, here, rule.cooling)) {
        if (latest.cooling !== key) return;
        tell({ key, kind: 'way', one, left: true });
        await breathe();
      }
      return tell({ key, kind: 'way', one: null, left: false });
    }
    case 'hot': {
      const place = placeOf(h.keeping, ask.place);
      if (!from || !place) return tell({ key, kind: 'hot', found: null });
      const stands = vesselOf(state.container, h) ?? from.pot.vessel;
      return tell({
        key,
        kind: 'hot',
        found: holdForecast(from, {
          place,
          vessel: stands,
          lid: ask.lid ? 'on' : 'off',
          ml: state.ml,
          celsius: Math.max(rule.hot.atLeast, state.readings.at(-1)?.celsius ?? from.pot.celsius),
          servedPerHour: ask.servedPerHour,
          minutes: 240,
        }),
      });
    }
    case 'cold': {
      const into = ask.container ?? (state.container.kind === 'pans' ? state.container : null);
      const pan = into && h.keeping.pans.find((p) => p.id === into.pan);
      const holder =
        pan && into
          ? ({ kind: 'pans', pan, count: into.count } as const)
          : vessel
            ? ({ kind: 'pot', vessel } as const)
            : null;
      const freezer = h.keeping.places.find((p) => p.kind === 'freezer');
      const fridge = h.keeping.places.find((p) => p.kind === 'fridge' || p.kind === 'cold room');
      if (!holder)
        return tell({
          key,
          kind: 'cold',
          found: { effects: freezeEffects(from?.steps ?? []), freeze: Number.NaN, thaw: Number.NaN },
        });
      const body = freezingBody(holder, Math.max(5, filled({ soup, holder }).mm));
      const liquid = from?.pot.liquid ?? null;
      return tell({
        key,
        kind: 'cold',
        found: {
          effects: freezeEffects(from?.steps ?? []),
          freeze: freezer
            ? freezingTime(body, freezer.celsius, FILM.freezer, liquid)
            : Number.POSITIVE_INFINITY,
          thaw: fridge ? thawingTime(body, fridge.celsius, FILM.fridge, liquid) : Number.POSITIVE_INFINITY,
        },
      });
    }
    case 'reheat': {
      const on = h.vessels.find((v) => v.id === ask.vessel);
      const burner = h.burners.find((b) => b.id === ask.burner);
      const celsius = state.readings.at(-1)?.celsius ?? 4;
      return tell({
        key,
        kind: 'reheat',
        found:
          from && on && burner
            ? reheatForecast(
                from,
                { vessel: on, burner, ml: ask.ml, celsius: Math.min(celsius, 8), measured: ask.measured },
                rule.reheat,
              )
            : null,
      });
    }
  }
}

self.onmessage = async ({ data: ask }: MessageEvent<KeeperQuestion>) => {
  if (ask.kind === 'house') {
    house = ask.house;
    films = filmsKnown(ask.filmLines);
    return;
  }
  if (ask.kind === 'batch') {
    if (!kept.has(ask.batch.id)) {
      try {
        kept.set(ask.batch.id, keptOf(ask.batch));
      } catch {
        // A batch the model cannot follow is kept all the same: it counts as thick.
        kept.set(ask.batch.id, null);
      }
    }
    return;
  }
  latest[ask.kind] = ask.key;
  await breathe();
  if (latest[ask.kind] !== ask.key || !house) return;
  try {
    await work(ask, house);
  } catch (error) {
    const says = error instanceof Error ? saidBy(error) : String(error);
    tell({ key: ask.key, kind: 'wrong', says: isMessage(says) ? says : String(says) });
  }
};
