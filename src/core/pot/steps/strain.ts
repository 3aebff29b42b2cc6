import { plus, times, totalOf } from '../../food/composition';
import { type CookOutcome, LONGEST } from '../cook';
import type { Kitchen } from '../kitchen';
import type { Pot } from '../pot';
import type { Step } from '../step';
import { meant } from './fire/meant';
import { standing } from './fire/standing';

/** Liquid that clings to what is strained out, as a share of the solids' weight. Our assumption. */
export const CLINGS = 0.25;

type Strain = Extract<Step, { kind: 'strain' }>;

/** Minutes to pour it through, as the step says or by the litres. Common practice, no source. */
export const minutesOfStrain = (pot: Pot, step: Strain): number =>
  step.minutes ?? Math.min(LONGEST / 60, 1 + totalOf(pot.liquid) / 12_000);

/** Poured through a sieve beside the flame, all at the end of the minutes it takes, and put back. */
export function pourThrough(pot: Pot, step: Strain, kitchen: Kitchen, until: number): CookOutcome {
  const stood = standing(pot, minutesOfStrain(pot, step) * 60, true, kitchen, until);
  const back = { ...stood.pot, fire: pot.fire };
  return { ...stood, pot: stood.cut ? back : strain(back, step) };
}

/** Takes pieces out through a sieve, with the liquid that clings to them, at a stroke. */
export function strain(pot: Pot, step: Strain): Pot {
  const out = pot.pieces.filter((p) => meant(p, step.of));
  const solids = out.reduce((sum, p) => sum + p.g, 0);
  const liquid = totalOf(pot.liquid);
  const lost = liquid > 0 ? Math.min(0.9, step.keeps ?? (solids * CLINGS) / liquid) : 0;
  // Salt is as strong in the pieces' water as in the pot's: what was their own is in the soup by now.
  const held = out.reduce((sum, p) => sum + p.g * p.composition.water, 0);
  const water = pot.liquid.water + pot.pieces.reduce((sum, p) => sum + p.g * p.composition.water, 0);
  const goes = water > 0 ? (held + pot.liquid.water * lost) / water : 0;
  const fat = pot.freeFat * lost;
  const dry = pot.thickeners.reduce((sum, t) => sum + t.dry * lost, 0);
  return {
    ...pot,
    pieces: pot.pieces.filter((p) => !out.includes(p)),
    liquid: plus(pot.liquid, times(pot.liquid, lost), -1),
    freeFat: pot.freeFat - fat,
    thickeners: pot.thickeners.map((t) => ({
      ...t,
      dry: t.dry * (1 - lost),
      equivalents: t.equivalents * (1 - lost),
    })),
    sodium: pot.sodium * (1 - goes),
    removed: pot.removed + solids + liquid * lost + fat + dry,
  };
}
