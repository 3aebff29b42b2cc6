import { within } from '../units/range';

/** What fails in its own way when it gets hot: milk and cream, what is soured, fresh cheese, cheese that melts. */
export const DAIRY_KINDS = ['milk', 'soured', 'fresh-cheese', 'cheese'] as const;
export type DairyKind = (typeof DAIRY_KINDS)[number];

type Limits = {
  /** °C over which it is at risk without a boil, and K over it that count a point. */
  readonly hot: number;
  readonly perKelvin: number;
  /** Points of a boil, and °C under which it is kept for safety. */
  readonly boil: number;
  readonly keepUnder: number;
  /** pH under which each unit counts two points; 0 for what is acid itself. */
  readonly acidUnder: number;
  /** pH at which it fails whatever else, but for cream of 30 %; 0 for none. */
  readonly fallsAt: number;
  /** Points for having no starch about it: its fat runs out. */
  readonly bare: number;
  /** Whether its own fat shields it, as it does cream. */
  readonly shieldedByFat: boolean;
};

/**
 * Hot milk is at risk from about pH 5.6, our assumption; its casein precipitates at 4.6 in the cold (dairy texts, from
 * memory). Soured dairy curdles from about 80 °C without starch; cheese goes to strings and oil over about 82, and to
 * grain in acid (common practice, no source). Points are our assumptions, set so that what cooks know splits does.
 */
const LIMITS: { readonly [K in DairyKind]: Limits } = {
  milk: {
    hot: 82,
    perKelvin: 8,
    boil: 2,
    keepUnder: 85,
    acidUnder: 6.2,
    fallsAt: 4.6,
    bare: 0,
    shieldedByFat: true,
  },
  soured: {
    hot: 80,
    perKelvin: 4,
    boil: 4,
    keepUnder: 78,
    acidUnder: 0,
    fallsAt: 0,
    bare: 0,
    shieldedByFat: true,
  },
  'fresh-cheese': {
    hot: 88,
    perKelvin: 6,
    boil: 1.5,
    keepUnder: 85,
    acidUnder: 5.2,
    fallsAt: 0,
    bare: 0,
    shieldedByFat: false,
  },
  cheese: {
    hot: 82,
    perKelvin: 6,
    boil: 2.4,
    keepUnder: 80,
    acidUnder: 5.6,
    fallsAt: 0,
    bare: 0.6,
    shieldedByFat: false,
  },
};

/**
 * Flour or starch about dairy, g of flour equivalent a litre from which it shields it: how much it leaves of the points
 * in a mild pot (a white sauce stands the boil), and in an acid one, where it guards less. Our assumption.
 */
const SHIELDS: readonly (readonly [from: number, mild: number, acid: number])[] = [
  [25, 0.3, 0.6],
  [10, 0.5, 0.8],
];
/** Points of acid from which a pot counts as acid. */
const ACID_POT = 0.8;
const NO_STARCH = 5;

/** What decides whether dairy splits in a pot. */
export type DairyState = {
  /** Milk where it is not said. */
  readonly kind?: DairyKind;
  readonly pH: number;
  readonly celsius: number;
  readonly boiled: boolean;
  /** Fat of the dairy going in, % by weight. */
  readonly fatPercent: number;
  readonly saltPercent: number;
  /** Flour equivalent about it, swollen or about to, g/L. */
  readonly equivalents: number;
  /** K the pot is hotter than the dairy as it goes in; 0 where it is in already, or warmed first. */
  readonly shock: number;
};

/** Why it may split, with how much that adds; °C. */
export type SplitReason = { readonly weight: number } & (
  | { readonly kind: 'acid'; readonly pH: number; readonly of: DairyKind; readonly rich: boolean }
  | { readonly kind: 'boils'; readonly keepUnder: number; readonly of: DairyKind }
  | { readonly kind: 'hot'; readonly over: number; readonly of: DairyKind }
  | { readonly kind: 'bare' }
  | { readonly kind: 'salty' }
  | { readonly kind: 'cold' }
);
export type Risk = {
  readonly grade: 'safe' | 'take care' | 'likely to split' | 'will split';
  readonly reasons: readonly SplitReason[];
};

function starchShield(equivalents: number, acid: number): number {
  const [, mild, inAcid] = SHIELDS.find(([from]) => equivalents >= from) ?? [0, 1, 1];
  return mild + (inAcid - mild) * Math.min(1, acid / ACID_POT);
}

const fatShield = (fatPercent: number): number =>
  fatPercent >= 30 ? 0.25 : fatPercent >= 18 ? 0.6 : fatPercent >= 10 ? 0.85 : 1;

/** How surely dairy of a kind fails in such a pot, and why, the worst first. Throws {@link OutOfRange}. */
export function splitRisk(s: DairyState): Risk {
  within('pH', s.pH, 1, 10);
  within('temperature', s.celsius, 0, 105, '°C');
  within('dairy fat', s.fatPercent, 0, 100, '%');
  const of = s.kind ?? 'milk';
  const { hot, perKelvin, boil, keepUnder, acidUnder, fallsAt, bare, shieldedByFat } = LIMITS[of];
  const rich = s.fatPercent >= 30;
  const reasons: SplitReason[] = [];
  const acid = Math.max(0, acidUnder - s.pH) * 2;
  if (acid > 0) reasons.push({ kind: 'acid', pH: s.pH, of, rich, weight: acid });
  if (s.boiled) reasons.push({ kind: 'boils', keepUnder, of, weight: boil });
  else if (s.celsius > hot)
    reasons.push({ kind: 'hot', over: hot, of, weight: (s.celsius - hot) / perKelvin });
  if (s.saltPercent > 1) reasons.push({ kind: 'salty', weight: (s.saltPercent - 1) * 1.5 });
  if (s.shock > 55) reasons.push({ kind: 'cold', weight: 0.8 });
  // Bare of starch it runs once something else is against it too.
  if (bare > 0 && reasons.length > 0 && s.equivalents < NO_STARCH)
    reasons.push({ kind: 'bare', weight: bare });
  const danger = reasons.reduce((sum, r) => sum + r.weight, 0);
  const shield = (shieldedByFat ? fatShield(s.fatPercent) : 1) * starchShield(s.equivalents, acid);
  const score = s.pH <= fallsAt && !rich ? 9 : danger * shield;
  const grade =
    score >= 3.5 ? 'will split' : score >= 1.8 ? 'likely to split' : score >= 0.7 ? 'take care' : 'safe';
  return { grade, reasons: reasons.sort((a, b) => b.weight - a.weight) };
}
