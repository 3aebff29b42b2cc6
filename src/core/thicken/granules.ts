/** Where thickening in a pot comes from. Flour in a roux keeps its colour, because colour costs strength. */
export type ThickenerKind = 'wheat' | 'maize' | 'potato dice' | 'puree';

export const ROUX_COLOURS = ['white', 'blond', 'brown', 'dark'] as const;
export type RouxColour = (typeof ROUX_COLOURS)[number];

/** Flour equivalents per gram by roux colour. Books differ, down to a third for brown. Our assumption, spread 0.12. */
export const ROUX_STRENGTH: { readonly [C in RouxColour]: number } = {
  white: 1,
  blond: 0.9,
  brown: 0.65,
  dark: 0.4,
};

/** Flour equivalents per gram of dry starch. Culinary-school table: weight of flour × 0.5 gives the cornstarch. */
export const STARCH_STRENGTH = { wheat: 1, maize: 1 / 0.5 } as const;

/** °C from which granules swell, and where they have swollen fully. Our assumption within published ranges. */
const SWELLING: { readonly [K in ThickenerKind]: readonly [number, number] | 'already' } = {
  wheat: [58, 93],
  maize: [62, 93],
  'potato dice': 'already',
  puree: 'already',
};

/** Share of strength lost in 20 minutes' boiling. Our assumption. */
const LOSS_IN_20_MIN: { readonly [K in ThickenerKind]: number } = {
  wheat: 0.05,
  maize: 0.1,
  'potato dice': 0,
  puree: 0,
};

/** Share of strength lost to one pass of a blender after thickening. Our assumption. */
export const BLENDER_LOSS: { readonly [K in ThickenerKind]: number } = {
  wheat: 0.1,
  maize: 0.3,
  'potato dice': 0,
  puree: 0,
};

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

/** How far `kind` can swell at `celsius`, 0–1. */
export function swellingAt(kind: ThickenerKind, celsius: number): number {
  const range = SWELLING[kind];
  if (range === 'already') return 1;
  const [onset, full] = range;
  return Math.min(1, Math.max(0, (celsius - onset) / (full - onset)));
}

/** `t` after `seconds` in liquid at `celsius`: it swells, cooks out, and slowly breaks down. */
export function cookThickener(t: Thickener, seconds: number, celsius: number): Thickener {
  const reach = swellingAt(t.kind, celsius);
  const swollen =
    reach > t.swollen ? reach - (reach - t.swollen) * Math.exp(-seconds / SWELLING_TIME) : t.swollen;
  const hot = celsius >= 85;
  const loss = LOSS_IN_20_MIN[t.kind];
  const strength = hot && loss > 0 ? t.strength * (1 - loss) ** (seconds / 1200) : t.strength;
  return { ...t, swollen, strength, cookedMinutes: t.cookedMinutes + (hot ? seconds / 60 : 0) };
}

/** Grams of flour equivalent at work now. */
export const equivalentsAtWork = (thickeners: readonly Thickener[]): number =>
  thickeners.reduce((sum, t) => sum + t.equivalents * t.swollen * t.strength, 0);
