import type { ThickenerKind } from '../food/ingredient';
import { within } from '../units/range';

export type { ThickenerKind };

export const ROUX_COLOURS = ['white', 'blond', 'brown', 'dark'] as const;
export type RouxColour = (typeof ROUX_COLOURS)[number];

/** Flour equivalents per gram by roux colour. Books differ, down to a third for brown. Our assumption, spread 0.12. */
export const ROUX_STRENGTH: { readonly [C in RouxColour]: number } = {
  white: 1,
  blond: 0.9,
  brown: 0.65,
  dark: 0.4,
};

type Of<T> = { readonly [K in ThickenerKind]: T };

/**
 * Flour equivalents per gram. Starches: culinary-school table, weight of flour × 0.6 (rice flour),
 * 0.5 (arrowroot, cornstarch), 0.4 (tapioca), 0.2 (potato starch) gives the weight of starch; from
 * memory. The rest are our assumptions, spread 0.12. Purée and leached starch bring theirs with them.
 * Melted dairy brings mL of swollen protein instead: casein takes about 4 mL a gram in a melted cheese, thrice
 * that in the acid gel of cream cheese and sour cream (published ranges, from memory). See `mixture.ts`.
 */
export const STARCH_STRENGTH: Of<number> = {
  wheat: 1,
  'rice flour': 1 / 0.6,
  arrowroot: 1 / 0.5,
  maize: 1 / 0.5,
  tapioca: 1 / 0.4,
  'potato starch': 1 / 0.2,
  'waxy maize': 2.2,
  yolk: 0.3,
  'cream cheese': 0.75,
  'hard cheese': 1.1,
  'potato flakes': 1.1,
  'sour cream': 0.35,
  'potato dice': 0,
  puree: 0,
};

/** °C from which granules swell (yolk sets, cheese melts), and where they have fully. Our assumption within published ranges. */
const SWELLING: Of<readonly [number, number] | 'already'> = {
  wheat: [58, 93],
  maize: [62, 93],
  'rice flour': [68, 93],
  'potato starch': [58, 75],
  tapioca: [60, 80],
  arrowroot: [65, 82],
  'waxy maize': [63, 80],
  yolk: [65, 82],
  'cream cheese': [35, 60],
  'hard cheese': [45, 65],
  'potato flakes': [40, 70],
  'sour cream': 'already',
  'potato dice': 'already',
  puree: 'already',
};

/** Share of strength lost in 20 minutes' boiling. Our assumption. */
const LOSS_IN_20_MIN: Of<number> = {
  wheat: 0.05,
  maize: 0.1,
  'rice flour': 0.05,
  'potato starch': 0.5,
  tapioca: 0.4,
  arrowroot: 0.35,
  'waxy maize': 0.35,
  yolk: 0,
  'cream cheese': 0,
  'hard cheese': 0.1,
  'potato flakes': 0.1,
  'sour cream': 0.1,
  'potato dice': 0,
  puree: 0,
};

/** Share of strength lost to one pass of a blender after thickening. Our assumption. */
export const BLENDER_LOSS: Of<number> = {
  wheat: 0.1,
  maize: 0.3,
  'rice flour': 0.15,
  'potato starch': 0.5,
  tapioca: 0.5,
  arrowroot: 0.4,
  'waxy maize': 0.5,
  yolk: 0,
  'cream cheese': 0,
  'hard cheese': 0,
  'potato flakes': 0.2,
  'sour cream': 0,
  'potato dice': 0,
  puree: 0,
};

/** Minutes at the simmer before a thickener has done its work. Common practice, no source. */
export const LEAST_SIMMER: Of<number> = {
  wheat: 1,
  maize: 1,
  'rice flour': 2,
  'potato starch': 0,
  tapioca: 1,
  arrowroot: 0,
  'waxy maize': 1,
  yolk: 0,
  'cream cheese': 0,
  'hard cheese': 0,
  'potato flakes': 1,
  'sour cream': 0,
  'potato dice': 0,
  puree: 0,
};

/** Minutes at the simmer after which wheat flour no longer tastes raw; the quick school. Common practice, no source. */
export const COOK_OUT_MINUTES = 10;

/** Below this pH acid breaks starch down faster: one unit doubles it. Our assumption. */
const ACID_BELOW = 4.5;

/**
 * Yolk scrambles above 85 °C, above 90 with 25 g/L of starch to guard it. Common practice, no source.
 *
 * @example
 * yolkLimit(40) // 90
 */
export const yolkLimit = (equivalents: number): number => (equivalents >= 25 ? 90 : 85);

/** Seconds for swelling to close two thirds of the way to what the temperature allows. */
const SWELLING_TIME = 20;

/** What one thickener has brought to the pot. */
export type Thickener = {
  readonly kind: ThickenerKind;
  /** What it was: an ingredient id. */
  readonly from: string;
  /** Grams of dry granules still counted apart from the liquid; 0 for purée and leached starch. */
  readonly dry: number;
  /** Grams of flour equivalent when fully swollen and unharmed. */
  readonly equivalents: number;
  /** 0–1: how far swollen. */
  readonly swollen: number;
  /** 0–1: what boiling and blending have left. */
  readonly strength: number;
  /** Minutes spent wet at 85 °C or above: the cook-out. */
  readonly cookedMinutes: number;
};

/** How far `kind` can swell at `celsius` (−40…200), 0–1. Throws {@link OutOfRange}. */
export function swellingAt(kind: ThickenerKind, celsius: number): number {
  const range = SWELLING[kind];
  within('temperature', celsius, -40, 200, '°C');
  if (range === 'already') return 1;
  const [onset, full] = range;
  return Math.min(1, Math.max(0, (celsius - onset) / (full - onset)));
}

/**
 * `t` after `seconds` (0 and up) in liquid at `celsius` (−40…200) and `pH` (0–14): it swells, cooks out,
 * and slowly breaks down. Throws {@link OutOfRange}.
 */
export function cookThickener(t: Thickener, seconds: number, celsius: number, pH = 6): Thickener {
  within('time', seconds, 0, 1e6, 's');
  within('pH', pH, 0, 14);
  const reach = swellingAt(t.kind, celsius);
  const swollen =
    reach > t.swollen ? reach - (reach - t.swollen) * Math.exp(-seconds / SWELLING_TIME) : t.swollen;
  const hot = celsius >= 85;
  const loss = LOSS_IN_20_MIN[t.kind];
  const haste = pH < ACID_BELOW ? 2 ** (1 + ACID_BELOW - pH) : 1;
  const strength = hot && loss > 0 ? t.strength * (1 - loss) ** ((haste * seconds) / 1200) : t.strength;
  return { ...t, swollen, strength, cookedMinutes: t.cookedMinutes + (hot ? seconds / 60 : 0) };
}

/** Grams of flour equivalent at work now. */
export const equivalentsAtWork = (thickeners: readonly Thickener[]): number =>
  thickeners.reduce((sum, t) => sum + t.equivalents * t.swollen * t.strength, 0);
