import { within } from '../units/range';

/** Casein precipitates at this pH in the cold (dairy texts, from memory); hot milk is at risk from about 5.6 (our assumption). */
export const CASEIN_PRECIPITATES = 4.6;
export const HOT_MILK_RISK = 5.6;

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
  /** °C of the dairy as it goes in. */
  readonly arrives: number;
};

export type Reason = { readonly says: string; readonly change: string; readonly weight: number };
export type Risk = {
  readonly grade: 'safe' | 'take care' | 'likely to split' | 'will split';
  readonly reasons: readonly Reason[];
};

/** Weights are our assumptions, set so that what cooks know splits does: boiled thin milk with wine or tomato; and what does not: heavy cream at a simmer. */
export function splitRisk(s: DairyState): Risk {
  within('pH', s.pH, 1, 10);
  within('temperature', s.celsius, 0, 105, '°C');
  within('dairy fat', s.fatPercent, 0, 100, '%');
  const reasons: Reason[] = [];
  const add = (when: boolean, weight: number, says: string, change: string) => {
    if (when && weight > 0) reasons.push({ says, change, weight });
  };
  const acid = Math.max(0, HOT_MILK_RISK + 0.6 - s.pH) * 2;
  add(
    s.pH < HOT_MILK_RISK + 0.6,
    acid,
    `the pot is acid, pH ${s.pH.toFixed(1)}`,
    'put the dairy in before the wine or tomato, or use cream of 30 % and more',
  );
  add(s.boiled, 2, 'it boils after the dairy is in', 'keep it under 85 °C from here');
  add(
    !s.boiled && s.celsius > 82,
    (s.celsius - 82) / 8,
    `it is hotter than 82 °C with dairy in`,
    'turn the flame down',
  );
  add(s.saltPercent > 1, (s.saltPercent - 1) * 1.5, 'it is salty', 'salt after the dairy');
  add(
    s.celsius - s.arrives > 55,
    0.8,
    'cold dairy meets a hot pot',
    'warm it, or temper it with ladles of soup',
  );
  const danger = reasons.reduce((sum, r) => sum + r.weight, 0);
  const fatShield = s.fatPercent >= 30 ? 0.25 : s.fatPercent >= 18 ? 0.6 : s.fatPercent >= 10 ? 0.85 : 1;
  const starchShield = s.equivalents >= 25 ? 0.6 : s.equivalents >= 10 ? 0.8 : 1;
  const score = s.pH <= CASEIN_PRECIPITATES && s.fatPercent < 30 ? 9 : danger * fatShield * starchShield;
  const grade =
    score >= 3.5 ? 'will split' : score >= 1.8 ? 'likely to split' : score >= 0.7 ? 'take care' : 'safe';
  return { grade, reasons: reasons.sort((a, b) => b.weight - a.weight) };
}
