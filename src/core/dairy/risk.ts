import { within } from '../units/range';

/** Casein precipitates at this pH in the cold (dairy texts, from memory); hot milk is at risk from about 5.6 (our assumption). */
const CASEIN_PRECIPITATES = 4.6;
const HOT_MILK_RISK = 5.6;

/** °C over which dairy in the pot is at risk without a boil, and under which it is kept for safety. Our assumption. */
const HOT = 82;
const KEEP_UNDER = 85;

/** What decides whether dairy splits in a pot. */
export type DairyState = {
  readonly pH: number;
  readonly celsius: number;
  readonly boiled: boolean;
  /** Fat of the dairy going in, % by weight. */
  readonly fatPercent: number;
  readonly saltPercent: number;
  /** Flour equivalent already at work, g/L. */
  readonly equivalents: number;
  /** K the pot is hotter than the dairy as it goes in; 0 where it is in already, or warmed first. */
  readonly shock: number;
};

/** Why it may split, with how much that adds; °C. */
export type SplitReason = { readonly weight: number } & (
  | { readonly kind: 'acid'; readonly pH: number }
  | { readonly kind: 'boils'; readonly keepUnder: number }
  | { readonly kind: 'hot'; readonly over: number }
  | { readonly kind: 'salty' }
  | { readonly kind: 'cold' }
);
export type Risk = {
  readonly grade: 'safe' | 'take care' | 'likely to split' | 'will split';
  readonly reasons: readonly SplitReason[];
};

/**
 * Weights are our assumptions, set so that what cooks know splits does: boiled thin milk with wine or tomato; and
 * what does not: heavy cream at a simmer.
 */
export function splitRisk(s: DairyState): Risk {
  within('pH', s.pH, 1, 10);
  within('temperature', s.celsius, 0, 105, '°C');
  within('dairy fat', s.fatPercent, 0, 100, '%');
  const reasons: SplitReason[] = [];
  const acid = Math.max(0, HOT_MILK_RISK + 0.6 - s.pH) * 2;
  if (acid > 0) reasons.push({ kind: 'acid', pH: s.pH, weight: acid });
  if (s.boiled) reasons.push({ kind: 'boils', keepUnder: KEEP_UNDER, weight: 2 });
  else if (s.celsius > HOT) reasons.push({ kind: 'hot', over: HOT, weight: (s.celsius - HOT) / 8 });
  if (s.saltPercent > 1) reasons.push({ kind: 'salty', weight: (s.saltPercent - 1) * 1.5 });
  if (s.shock > 55) reasons.push({ kind: 'cold', weight: 0.8 });
  const danger = reasons.reduce((sum, r) => sum + r.weight, 0);
  const fatShield = s.fatPercent >= 30 ? 0.25 : s.fatPercent >= 18 ? 0.6 : s.fatPercent >= 10 ? 0.85 : 1;
  const starchShield = s.equivalents >= 25 ? 0.6 : s.equivalents >= 10 ? 0.8 : 1;
  const score = s.pH <= CASEIN_PRECIPITATES && s.fatPercent < 30 ? 9 : danger * fatShield * starchShield;
  const grade =
    score >= 3.5 ? 'will split' : score >= 1.8 ? 'likely to split' : score >= 0.7 ? 'take care' : 'safe';
  return { grade, reasons: reasons.sort((a, b) => b.weight - a.weight) };
}
