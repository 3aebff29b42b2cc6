import {
  type Cooling,
  type CoolingPlace,
  type CoolingSoup,
  filled,
  type Holder,
  panHolds,
  STIRRED_IN_ICE,
} from '../../heat/cool/body';
import type { Vessel } from '../../heat/vessel';
import { rimVolume } from '../../heat/vessel';
import type { Keeping, Place } from '../../kitchen/keeping';
import { type Message, message } from '../../message/message';
import { Told } from '../../message/told';
import type { RuleSet } from '../../safety/rules';
import { FILM_UNKNOWN, type FilmKnown, type Forecast, forecast, type Phase, supposed } from './forecast';

/** A way of cooling as it is written down: what of the kitchen's it is done with. */
export type CoolingWay = {
  readonly into:
    | { readonly kind: 'pans'; readonly pan: string; readonly count: number }
    | { readonly kind: 'pot'; readonly vessel: string };
  readonly place: string;
  readonly lid?: boolean | undefined;
  readonly stirEvery?: number | undefined;
  readonly wands?: number | undefined;
  readonly iceG?: number | undefined;
};

/** What the kitchen has to cool with. */
export type CoolingMeans = {
  readonly keeping: Keeping;
  readonly vessels: readonly Vessel[];
  /** What is known of each place’s film, by its id. */
  readonly films: Readonly<Record<string, FilmKnown>>;
};

const missing = (what: Message): Told => new Told(message('{what} is not in this kitchen', { what }));

/** A way with the kitchen's own measures in it. Throws {@link Told} where the kitchen has no such thing. */
export function coolingOf(
  way: CoolingWay,
  soup: CoolingSoup,
  { keeping, vessels }: Omit<CoolingMeans, 'films'>,
): Cooling {
  const { into } = way;
  const place = keeping.places.find((p) => p.id === way.place);
  if (!place) throw missing(message('the place “{id}”', { id: way.place }));
  let holder: Holder;
  if (into.kind === 'pot') {
    const vessel = vessels.find((v) => v.id === into.vessel);
    if (!vessel) throw missing(message('the pot “{id}”', { id: into.vessel }));
    holder = { kind: 'pot', vessel };
  } else {
    const pan = keeping.pans.find((p) => p.id === into.pan);
    if (!pan) throw missing(message('the pan “{id}”', { id: into.pan }));
    holder = { kind: 'pans', pan, count: into.count };
  }
  const { stirEvery, wands, iceG, lid = false } = way;
  return { soup, holder, place, lid, stirEvery, wands, iceG };
}

/**
 * How much a way asks of the kitchen: pans to wash, the blast, ice to fetch, somebody who stirs. Our assumption;
 * for putting the cheapest first.
 */
function effort({ into, stirEvery, wands = 0 }: CoolingWay, { kind }: CoolingPlace): number {
  const pans = into.kind === 'pans' ? into.count : 0;
  const room = { blast: 2, 'ice bath': 3, freezer: 2 }[kind as string] ?? 0;
  return pans + room + (stirEvery ? 3 : 0) + wands;
}

/** Pans deeper in soup than this, mm, cool no better than pots. Our assumption. */
const DEEPEST = 100;

/** Places something hot may be put to cool. */
const COOLS: readonly Place['kind'][] = ['blast', 'cold room', 'fridge', 'ice bath'];

/**
 * Every way worth a thought: as it stands, its pot in ice, and each kind of pan in each cold place from the fewest
 * that hold it up to all there are.
 */
function candidates(
  ml: number,
  vessel: Vessel | null,
  { keeping }: CoolingMeans,
): readonly (readonly CoolingWay[])[] {
  const cold = keeping.places.filter((p) => COOLS.includes(p.kind));
  const lists: CoolingWay[][] = [];
  const { wands } = keeping;
  if (vessel && ml <= rimVolume(vessel)) {
    const into = { kind: 'pot', vessel: vessel.id } as const;
    for (const place of cold) {
      if (place.kind === 'ice bath')
        lists.push([
          { into, place: place.id, stirEvery: STIRRED_IN_ICE },
          ...(wands > 0 ? [{ into, place: place.id, stirEvery: STIRRED_IN_ICE, wands }] : []),
        ]);
      else lists.push([{ into, place: place.id }]);
    }
  }
  for (const place of cold.filter((p) => p.kind !== 'ice bath'))
    for (const pan of keeping.pans) {
      const least = Math.ceil(ml / panHolds(pan));
      const counts = Array.from({ length: Math.max(0, pan.count - least + 1) }, (_, n) => least + n).filter(
        (n) => (ml * 1000) / n / (pan.lengthMm * pan.widthMm) <= DEEPEST,
      );
      if (counts.length > 0)
        lists.push(
          counts
            .slice(0, 8)
            .map((count) => ({ into: { kind: 'pans', pan: pan.id, count }, place: place.id })),
        );
    }
  return lists;
}

/** A way, and what is to be expected of it. */
export type Tried = {
  readonly way: CoolingWay;
  readonly mm: number;
  readonly effort: number;
  readonly forecast: Forecast;
};

/**
 * What is asked: how much of what, how warm, where it stands, and since when (s before now) the rule’s clock runs;
 * null while it does not.
 */
export type ToCool = {
  readonly soup: CoolingSoup;
  readonly from: number;
  readonly fromRead: boolean;
  readonly vessel: Vessel | null;
  readonly began: number | null;
};

/** Sure enough of passing to be put first. */
export const SURE_ENOUGH = 0.9;

/** Draws for a list: a chance to one in twenty is what it shows. */
const FEW = 32;

/** A way as a phase nobody has read yet. Throws {@link Told} where it cannot be. */
const phaseOf = (way: CoolingWay, { soup, from, fromRead }: ToCool, means: CoolingMeans): Phase => ({
  cooling: coolingOf(way, soup, means),
  from,
  fromRead,
  readings: [],
  film: means.films[way.place] ?? FILM_UNKNOWN,
});

/** What one way comes to. Throws {@link Told} where it cannot be. */
export function tried(
  way: CoolingWay,
  asked: ToCool,
  means: CoolingMeans,
  rule: RuleSet['cooling'],
  draws = FEW,
): Tried {
  const phase = phaseOf(way, asked, means);
  return {
    way,
    mm: filled(phase.cooling).mm,
    effort: effort(way, phase.cooling.place),
    forecast: forecast(phase, rule, asked.began, draws),
  };
}

/**
 * The ways this kitchen could cool it, of each kind the one with the fewest pans that passes surely (else the best of its
 * kind): those that pass first, the least trouble first, then whatever might still pass.
 */
export function* waysToCool(asked: ToCool, means: CoolingMeans, rule: RuleSet['cooling']): Generator<Tried> {
  for (const list of candidates(asked.soup.ml, asked.vessel, means)) {
    const hopes = list.map((way) => ({
      way,
      verdict: supposed(phaseOf(way, asked, means), rule, asked.began),
    }));
    const first = hopes.findIndex((h) => h.verdict.passes);
    if (first === -1) {
      const last = hopes.at(-1);
      if (last) yield tried(last.way, asked, means, rule);
      continue;
    }
    let best: Tried | null = null;
    for (const { way } of hopes.slice(first, first + 2)) {
      best = tried(way, asked, means, rule);
      if (best.forecast.chance >= SURE_ENOUGH) break;
    }
    if (best) yield best;
  }
}

const endOf = (t: Tried): number => t.forecast.verdict.stages.at(-1)?.met ?? Number.POSITIVE_INFINITY;

/** The surest first; of those that are sure, the least trouble, then the soonest. */
export const rankedWays = (ways: readonly Tried[]): readonly Tried[] =>
  ways.toSorted((a, b) => {
    const [sureA, sureB] = [a, b].map((t) => t.forecast.chance >= SURE_ENOUGH) as [boolean, boolean];
    if (sureA !== sureB) return sureA ? -1 : 1;
    if (!sureA && a.forecast.chance !== b.forecast.chance) return b.forecast.chance - a.forecast.chance;
    return a.effort - b.effort || endOf(a) - endOf(b);
  });
