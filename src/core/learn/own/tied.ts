import { lawOf } from './gaussian';
import type { Knowledge } from './knowledge';
import { type NumberKey, spreadBefore } from './laws';
import { type SetByHand, standingLaw } from './standing';

/** Numbers nobody can tell apart: together they are known, each alone hardly. */
export type TiedNumbers = {
  readonly keys: readonly NumberKey[];
  /** Of all of them multiplied, by how much it is off and how surely, in ln. */
  readonly by: number;
  readonly spread: number;
};

/** Two numbers this much against each other in what is believed of them are tied. Our assumption. */
const AGAINST = -0.55;

/** What is known of them together has to be this much surer than they would be by themselves. Our assumption. */
const SURER = 0.6;

/** Groups of numbers that readings know together and not apart, the surest together first. */
export function tiedIn(k: Knowledge, fixed: SetByHand = {}): readonly TiedNumbers[] {
  const { keys, numbers, g } = standingLaw(k, fixed);
  const { mean, covariance } = lawOf(g, numbers);
  const at = (r: number, c: number): number => covariance[r]?.[c] ?? 0;
  const group = keys.map((_, n) => n);
  for (let r = 0; r < keys.length; r++)
    for (let c = 0; c < r; c++) {
      const against = at(r, c) / Math.sqrt(Math.max(1e-12, at(r, r) * at(c, c)));
      if (against > AGAINST) continue;
      const [from, to] = [group[r], group[c]];
      for (const [n, of] of group.entries()) if (of === from) group[n] = to as number;
    }
  const found: TiedNumbers[] = [];
  for (const of of new Set(group)) {
    const members = group.flatMap((x, n) => (x === of ? [n] : []));
    if (members.length < 2) continue;
    const variance = members.reduce((s, r) => s + members.reduce((t, c) => t + at(r, c), 0), 0);
    const apart = Math.hypot(...members.map((n) => spreadBefore(keys[n] as NumberKey)));
    const spread = Math.sqrt(Math.max(0, variance));
    if (spread > SURER * apart) continue;
    found.push({
      keys: members.map((n) => keys[n] as NumberKey),
      by: Math.exp(members.reduce((s, n) => s + (mean[n] ?? 0), 0)),
      spread,
    });
  }
  return found.toSorted((a, b) => a.spread - b.spread);
}
