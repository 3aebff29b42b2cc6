import { THICKENERS, type ThickenerKind } from '../thickeners/thickeners';
import { within } from '../units/range';

export const ROUX_COLOURS = ['white', 'blond', 'brown', 'dark'] as const;
export type RouxColour = (typeof ROUX_COLOURS)[number];

/** Flour equivalents per gram by roux colour. Books differ, down to a third for brown. Our assumption, spread 0.12. */
export const ROUX_STRENGTH: { readonly [C in RouxColour]: number } = {
  white: 1,
  blond: 0.9,
  brown: 0.65,
  dark: 0.4,
};

/** Minutes at the simmer after which wheat flour no longer tastes raw; the quick school. Common practice, no source. */
export const COOK_OUT_MINUTES = 10;

/** Below this pH acid breaks starch down faster: one unit doubles it. Our assumption. */
export const ACID_BELOW = 4.5;

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
  const range = THICKENERS[kind].swells;
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
  const loss = THICKENERS[t.kind].boilLoss;
  const haste = pH < ACID_BELOW ? 2 ** (1 + ACID_BELOW - pH) : 1;
  const strength = hot && loss > 0 ? t.strength * (1 - loss) ** ((haste * seconds) / 1200) : t.strength;
  return { ...t, swollen, strength, cookedMinutes: t.cookedMinutes + (hot ? seconds / 60 : 0) };
}

/** Grams of flour equivalent at work now. */
export const equivalentsAtWork = (thickeners: readonly Thickener[]): number =>
  thickeners.reduce((sum, t) => sum + t.equivalents * t.swollen * t.strength, 0);
