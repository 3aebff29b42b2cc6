import type { SofteningClass } from '../food/ingredient';
import { within } from '../units/range';

/** A piece as cut: how many directions heat comes from, and the thickness between opposite faces. */
export type Cut = { readonly shape: 'slab' | 'rod' | 'cube'; readonly edgeMm: number };

/**
 * Thermal diffusivity of wet vegetable and fish flesh, m²/s: raw potato 1.42e-7, fish 1.3 to 1.4e-7 (food engineering
 * tables, from memory).
 */
const DIFFUSIVITY = 1.4e-7;

/** Minutes at 100 °C in the centre until a fork goes through. Our assumptions, spread 0.20. */
export const TENDER_AFTER: { readonly [C in SofteningClass]: number } = {
  'floury potato': 6.2,
  'waxy potato': 6.8,
  carrot: 8,
  celeriac: 6,
  parsnip: 5,
  squash: 3.5,
  cauliflower: 3,
  broccoli: 2,
  courgette: 1.5,
  sweetcorn: 2,
  allium: 3,
  mushroom: 3,
  pea: 2.5,
  chestnut: 6,
  tomato: 1.5,
  leaf: 1,
  rice: 9,
  pulse: 30,
};

/**
 * Share of its weight a vegetable gives up as juice by the time it is tender in liquid, on top of what a
 * sweat drives off. Our assumptions, spread 0.30.
 */
export const JUICE: { readonly [C in SofteningClass]: number } = {
  'floury potato': 0,
  'waxy potato': 0,
  carrot: 0.03,
  celeriac: 0.03,
  parsnip: 0.03,
  squash: 0.08,
  cauliflower: 0.05,
  broccoli: 0.05,
  courgette: 0.15,
  sweetcorn: 0.03,
  allium: 0.1,
  mushroom: 0.3,
  pea: 0.02,
  chestnut: 0,
  tomato: 0.25,
  leaf: 0.25,
  rice: 0,
  pulse: 0,
};

/** Degrees for a tenfold change of softening speed. */
const Z_VALUE = 20;

/** °C over which the middle of what is wet does not come, however hot the pan: it steams. Near sea level. */
const WET_MOST = 105;

/** Minutes at 100 °C over which nothing is any softer: days of it. */
export const SOFTEST = 1e5;

/**
 * Softening done in `seconds` (0 and up) with the centre at `celsius` (−40…200; over 105 counts as 105, for what is
 * wet steams), in minutes at 100 °C. Throws {@link OutOfRange}.
 */
export function softeningIn(seconds: number, celsius: number): number {
  within('time', seconds, 0, 1e6, 's');
  return within('centre', celsius, -40, 200, '°C') < 50
    ? 0
    : (seconds / 60) * 10 ** ((Math.min(celsius, WET_MOST) - 100) / Z_VALUE);
}

type Mode = { readonly weight: number; readonly decay: number };

const DIMENSIONS = { slab: 1, rod: 2, cube: 3 } as const;
const TERMS = 4;

const binomialModes = (dimensions: 1 | 2 | 3): readonly Mode[] => {
  const one: Mode[] = Array.from({ length: TERMS }, (_, n) => ({
    weight: ((n % 2 ? -1 : 1) * 4) / (Math.PI * (2 * n + 1)),
    decay: (2 * n + 1) ** 2 * Math.PI ** 2,
  }));
  let modes = one;
  for (let d = 1; d < dimensions; d++) {
    const merged = new Map<number, Mode>();
    for (const a of modes) {
      for (const b of one) {
        const decay = a.decay + b.decay;
        const key = Math.round(decay);
        const weight = a.weight * b.weight + (merged.get(key)?.weight ?? 0);
        merged.set(key, { weight, decay });
      }
    }
    modes = [...merged.values()];
  }
  return modes.sort((a, b) => a.decay - b.decay).slice(0, 6);
};

const MODES = { 1: binomialModes(1), 2: binomialModes(2), 3: binomialModes(3) } as const;

/**
 * Lag of a piece's centre behind the liquid, carried as the amplitudes of the slowest modes of the
 * conduction series for a plate, square rod or cube with its faces at the liquid's temperature
 * (Carslaw & Jaeger). Amplitudes let the liquid's temperature change from moment to moment.
 */
export type Lag = {
  readonly modes: readonly number[];
  /** The centre cannot lag further than the liquid has ever been away; the cut-off series could. */
  readonly most: number;
};

/**
 * Heat from soup into the faces of what floats in it, W/(m²·K), thin and simmering, and the power it falls by with
 * viscosity; conductivity of a vegetable, W/(m·K). Our assumptions, the power as for the film under an open surface.
 */
const FACE_FILM = 1800;
const FILM_POWER = -0.2;
const CONDUCTS = 0.55;

/**
 * A cut as large as it is to the heat, in soup of `viscosity` mPa·s as hot as it is (0 and up): the film at each face
 * holds heat back as that much more of the vegetable would. Throws {@link OutOfRange}.
 */
export function withFilm(cut: Cut, viscosity: number): Cut {
  const film = FACE_FILM * Math.max(1, within('viscosity', viscosity, 0, 1e9, 'mPa·s')) ** FILM_POWER;
  return { ...cut, edgeMm: Math.min(200, cut.edgeMm + (2000 * CONDUCTS) / film) };
}

/** A piece at `piece` °C dropped into liquid at `liquid` °C (both −40…200). Throws {@link OutOfRange}. */
export function startLag(cut: Cut, piece: number, liquid: number): Lag {
  const behind = within('liquid', liquid, -40, 200, '°C') - within('piece', piece, -40, 200, '°C');
  return { modes: MODES[DIMENSIONS[cut.shape]].map(() => behind), most: Math.abs(behind) };
}

/** A piece as hot as its liquid all through. */
export const noLag = (cut: Cut): Lag => startLag(cut, 0, 0);

/** The lag after `seconds` (0 and up) in which the liquid moved by `rise` °C, evenly. Throws {@link OutOfRange}. */
export function advanceLag(lag: Lag, cut: Cut, seconds: number, rise: number): Lag {
  within('time', seconds, 0, 1e6, 's');
  within('edge', cut.edgeMm, 0.5, 200, 'mm');
  const rate = DIFFUSIVITY / (cut.edgeMm / 1000) ** 2;
  const modes = MODES[DIMENSIONS[cut.shape]].map((mode, i) => {
    const k = mode.decay * rate * seconds;
    const left = Math.exp(-k);
    return (lag.modes[i] ?? 0) * left + (k > 1e-9 ? (rise * (1 - left)) / k : rise);
  });
  return { modes, most: lag.most + Math.abs(rise) };
}

/** °C a piece can be spoken of at. */
const COLDEST = -40;
const HOTTEST = 200;

/** °C at the centre, in liquid at `liquid` °C; never beyond −40…200, however the liquid jumped. */
export function centreTemperature(lag: Lag, cut: Cut, liquid: number): number {
  let behind = 0;
  MODES[DIMENSIONS[cut.shape]].forEach((mode, i) => {
    behind += mode.weight * (lag.modes[i] ?? 0);
  });
  const centre = liquid - Math.max(-lag.most, Math.min(lag.most, behind));
  return Math.min(HOTTEST, Math.max(COLDEST, centre));
}
