import { message } from '../../message/message';
import { Told } from '../../message/told';
import { within } from '../../units/range';
import { toKelvin } from '../../units/temperature';
import { Column, type Direction } from '../conduct';
import { latentHeat, saturationPressure } from '../steam';
import { MATERIALS, rimVolume, surfaceArea, type Vessel } from '../vessel';
import type { Point } from './course';

/** What is cooled: mL of it, J/(mL·K), W/(m·K), and mPa·s in the bowl, for whether it stirs itself. */
export type CoolingSoup = {
  readonly ml: number;
  readonly heatPerMl: number;
  readonly conductivity: number;
  readonly viscosity: number;
};

/** A soup of which only the amount is known: thick, so that nothing is hoped of it. */
export const thickSoup = (ml: number): CoolingSoup => ({
  ml,
  heatPerMl: 3.9,
  conductivity: 0.55,
  viscosity: 300,
});

/** A pan or tub by its inside measures, mm. */
type CoolingPan = { readonly lengthMm: number; readonly widthMm: number; readonly depthMm: number };

/** Where soup may stand, as what takes its heat. */
export type CoolingPlaceKind =
  | 'bath'
  | 'ring'
  | 'worktop'
  | 'ice bath'
  | 'blast'
  | 'cold room'
  | 'fan'
  | 'fridge'
  | 'freezer';
export type CoolingPlace = { readonly kind: CoolingPlaceKind; readonly celsius: number };

/** Where a recipe cools something that has no place of the kitchen’s named for it yet: °C of the air or the ice. Our assumptions. */
export const COOLING_METHODS = ['cold room', 'fan', 'blast', 'ice bath'] as const;
type CoolingMethod = (typeof COOLING_METHODS)[number];
export const METHOD_CELSIUS: { readonly [M in CoolingMethod]: number } = {
  'cold room': 3,
  fan: 3,
  blast: -10,
  'ice bath': 1,
};

/** Minutes between two stirrings in ice. Common practice, no source. */
export const STIRRED_IN_ICE = 10;

/** What it stands in: as many pans alike, each with as much (a part of one too), or its pot. */
export type Holder =
  | { readonly kind: 'pans'; readonly pan: CoolingPan; readonly count: number }
  | { readonly kind: 'pot'; readonly vessel: Vessel };

/** How something is cooled. */
export type Cooling = {
  readonly soup: CoolingSoup;
  readonly holder: Holder;
  readonly place: CoolingPlace;
  readonly lid: boolean;
  /** Minutes between two stirrings through; absent where nobody stirs. */
  readonly stirEvery?: number | undefined;
  /** Ice wands stirred through it. */
  readonly wands?: number | undefined;
  /** g of ice put in at the start, part of the soup’s own liquid. */
  readonly iceG?: number | undefined;
};

/** What is doubtful of it, as factors and °C: film at its faces, conductivity, depth, the room. */
export type Unsure = {
  readonly film: number;
  readonly conductivity: number;
  readonly depth: number;
  readonly room: number;
};
export const SURE: Unsure = { film: 1, conductivity: 1, depth: 1, room: 0 };

/** W/(m²·K) at a face of what stands there, radiation included. Our assumptions; readings of the room replace them. */
export const FILM: Readonly<Record<CoolingPlaceKind, number>> = {
  // Hot places, where nothing cools: as the worktop they stand on.
  bath: 9,
  ring: 9,
  worktop: 9,
  fridge: 9,
  'cold room': 12,
  fan: 25,
  freezer: 10,
  blast: 50,
  'ice bath': 250,
};

/** W/(m²·K) of that which is radiation: it carries no steam. */
export const RADIATION = 5;

/**
 * Relative humidity where pans cool, and the share of an open surface’s steam that gets away from under its skin
 * and its neighbours. Our assumptions.
 */
export const DAMP = 0.8;
export const AWAY = 0.5;

/** Still air under a lid, W/(m²·K), and what of a face the shelf under it leaves free. Our assumptions. */
export const LID = 6;
export const UNDER = { pans: 0.8, pot: 0.5 } as const;

/** An ice wand: W/K into it, stirred, and g of ice in it. Our assumptions. */
export const WAND = { intoIt: 36, ice: 1800 } as const;
const MELT = 334;
const WATER = 4.18;

/** Share of a pan that may be filled. Common practice, no source. */
export const PAN_FILL = 0.92;

/** mL that go into one pan at the most. */
export const panHolds = (p: CoolingPan): number => ((p.lengthMm * p.widthMm * p.depthMm) / 1000) * PAN_FILL;

/** Each container’s mL, and mm of soup in it. */
export function filled({ soup, holder }: Pick<Cooling, 'soup' | 'holder'>): {
  readonly ml: number;
  readonly mm: number;
} {
  if (holder.kind === 'pot') return { ml: soup.ml, mm: soup.ml / (surfaceArea(holder.vessel) * 1000) };
  const ml = soup.ml / holder.count;
  return { ml, mm: (ml * 1000) / (holder.pan.lengthMm * holder.pan.widthMm) };
}

/** Between these, mPa·s in the bowl, soup goes over from stirring itself to lying still: what sets does not convect. Our assumption. */
const STIRS = 40;
const LIES = 150;

/** K between the middle and the faces while it convects. */
const DRIVES = 5;

/**
 * How many times better than by conduction alone heat gets through a layer `mm` deep, 1 and up: Globe & Dropkin’s
 * Nu = 0.069 Ra^⅓ Pr^0.074 (1959) for what is thin, nothing for what is thick.
 */
export function convects(viscosity: number, mm: number): number {
  if (viscosity >= LIES) return 1;
  const nu = (viscosity * 1e-3) / 1000;
  const diffusivity = 1.4e-7;
  const rayleigh = (9.81 * 3e-4 * DRIVES * (mm / 1000) ** 3) / (nu * diffusivity);
  const nusselt = 0.069 * Math.cbrt(rayleigh) * (nu / diffusivity) ** 0.074;
  const share = viscosity <= STIRS ? 1 : Math.log(LIES / viscosity) / Math.log(LIES / STIRS);
  return 1 + Math.max(0, nusselt - 1) * share;
}

/** °C right after `iceG` of ice has melted in a soup of `ml` in all that was at `from` °C. */
export function icedTo(soup: Pick<CoolingSoup, 'ml' | 'heatPerMl'>, from: number, iceG: number): number {
  const held = Math.max(0, soup.ml - iceG) * soup.heatPerMl;
  return Math.max(0, (held * from - MELT * iceG) / (held + WATER * iceG));
}

/** W/(m²·K) by which steam adds to a wet surface at `surface` °C: the Lewis relation. */
function steaming(film: number, surface: number, air: number): number {
  const apart = surface - air;
  if (apart < 0.5) return 0;
  const density = (celsius: number) => saturationPressure(celsius) / (461.5 * toKelvin(celsius));
  const driving = Math.max(0, density(surface) - DAMP * density(Math.max(-20, air)));
  return (AWAY * (film - RADIATION) * driving * latentHeat(surface) * 1000) / (1200 * 0.9 * apart);
}

const HOLDS_LEAST = 1;

/** Refuses what cannot stand so. */
function checked({ soup, holder }: Cooling, from: number): void {
  within('volume', soup.ml, HOLDS_LEAST, 600_000, 'mL');
  within('from', from, -5, 110, '°C');
  const room = holder.kind === 'pans' ? panHolds(holder.pan) * holder.count : rimVolume(holder.vessel);
  if (soup.ml > room * 1.001)
    throw new Told(
      message('{ml} does not go into it: it holds {most}', { ml: { ml: soup.ml }, most: { ml: room } }),
    );
}

/** The directions heat leaves by: up and down, and out. */
function directionsOf({ holder }: Cooling, mm: number): readonly Direction[] {
  const up: Direction = { shape: 'slab', length: mm / 1000 };
  if (holder.kind === 'pot') return [up, { shape: 'cylinder', length: holder.vessel.diameterMm / 2000 }];
  return [
    up,
    { shape: 'slab', length: holder.pan.lengthMm / 1000 },
    { shape: 'slab', length: holder.pan.widthMm / 1000 },
  ];
}

const STEP = { least: 20, most: 400, share: 1 / 24 } as const;

/**
 * How it cools from `from` °C, the same all through, for `seconds`: a point for each step taken. What lies still is
 * a brick or a short cylinder with a film on every face, what is thin is helped by its own convection, what is stirred
 * is mixed each time. In ice water the surface counts for nothing. Throws {@link OutOfRange}, {@link Told} where it does not fit.
 */
export function cooled(c: Cooling, from: number, seconds: number, unsure: Unsure = SURE): readonly Point[] {
  checked(c, from);
  within('time', seconds, 0, 14 * 86_400, 's');
  const { soup, holder, place } = c;
  const mm = Math.max(2, filled(c).mm * unsure.depth);
  const iced = c.iceG ? icedTo(soup, from, c.iceG) : from;
  const around = place.celsius + unsure.room;
  const film = FILM[place.kind] * unsure.film;
  const conductivity = soup.conductivity * unsure.conductivity * convects(soup.viscosity, mm);
  const metal =
    holder.kind === 'pot'
      ? (holder.vessel.massG * MATERIALS[holder.vessel.material].heatCapacity) / soup.ml
      : 0;
  const perMl = soup.heatPerMl + metal;
  const heat = perMl * 1e6;
  const [up, ...out] = directionsOf(c, mm).map((d) => new Column(d));
  if (!up) return [];
  const columns = [up, ...out];
  const bath = place.kind === 'ice bath';
  const walls = { near: film, far: film };
  const below = film * (bath ? 1 : UNDER[holder.kind]);
  const stir = c.stirEvery ?? (c.wands ? 5 : undefined);
  /** °C above what is around it that 1 stands for. */
  let scale = iced - around;
  let wandsLeft = (c.wands ?? 0) * WAND.ice * MELT;
  let at = 0;
  let stirred = 0;
  const points: Point[] = [{ seconds: 0, warmest: iced, mean: iced }];
  const over = (of: readonly Column[], what: 'mean' | 'warmest'): number => {
    let product = 1;
    for (const column of of) product *= column[what]();
    return product;
  };
  while (at < seconds) {
    const step = Math.min(
      seconds - at,
      Math.max(STEP.least, Math.min(STEP.most, at * STEP.share)),
      stir ? stir * 60 : STEP.most,
    );
    const surface = around + scale * over(out, 'mean') * up.near();
    const top = bath
      ? 0
      : c.lid
        ? 1 / (1 / film + 1 / LID)
        : film + steaming(film, Math.min(99, Math.max(-4, surface)), around);
    up.step(step, conductivity, heat, { near: top, far: below });
    for (const d of out) d.step(step, conductivity, heat, walls);
    at += step;
    const mean = over(columns, 'mean');
    if (wandsLeft > 0) {
      const taken = Math.min(
        wandsLeft,
        (c.wands ?? 0) * WAND.intoIt * Math.max(0, around + scale * mean) * step,
      );
      wandsLeft -= taken;
      const by = taken / (perMl * soup.ml);
      if (Math.abs(scale * mean) > 1e-6) scale -= by / mean;
    }
    if (stir && at - stirred >= stir * 60 - 1) {
      stirred = at;
      scale *= mean;
      for (const d of columns) d.mix();
    }
    points.push({
      seconds: at,
      warmest: around + scale * over(columns, 'warmest'),
      mean: around + scale * (stirred === at ? 1 : mean),
    });
  }
  return points;
}
