import { type Risk, splitRisk } from '../dairy/risk';
import { arrivesAt } from '../pot/contents/contents';
import { portionsIn } from '../pot/contents/portions';
import { boilsAt } from '../pot/cook';
import { foodIn, type Kitchen } from '../pot/kitchen';
import { observe } from '../pot/observe';
import type { Portion } from '../pot/step';
import type { Run } from './solve/simulate';

/** Milk concentrated so that it stands a boil. Common practice, no source. */
const STANDS_A_BOIL: ReadonlySet<string> = new Set(['evaporated-milk']);

/** °C under its boil from which a pot counts as boiling. */
const BOILS_WITHIN = 0.5;

/** How dairy fares in a run: the worst it goes through, and in which step. */
type DairyFate = { readonly risk: Risk; readonly step: number };

const GRADES = ['safe', 'take care', 'likely to split', 'will split'] as const;

/**
 * Points of {@link splitRisk} a later step must have more, to be the one that is told of: what goes on is not what
 * did it. Our assumption.
 */
const NO_WORSE = 0.1;

/** By grade first, then by all that speaks for it. */
const gravity = ({ grade, reasons }: Risk): number =>
  GRADES.indexOf(grade) * 1000 + reasons.reduce((sum, r) => sum + r.weight, 0);

/** What dairy goes through in a run, from the step it goes in; null without any that could split. */
export function dairyFate(run: Run, kitchen: Kitchen): DairyFate | null {
  let fat = 0;
  let grams = 0;
  let worst: DairyFate | null = null;
  for (const [step, r] of run.ran.entries()) {
    const goesIn = portionsIn<Portion>(r.step).filter((p) => {
      const food = foodIn(kitchen, p.ingredient);
      return p.amount > 0 && food.group === 'dairy' && !STANDS_A_BOIL.has(food.id);
    });
    for (const p of goesIn) {
      grams += p.amount;
      fat += p.amount * foodIn(kitchen, p.ingredient).composition.fat;
    }
    if (grams === 0) continue;
    const after = observe(r.pot, kitchen);
    const hottest = Math.max(r.pot.celsius, ...r.trace.map((s) => s.celsius));
    // Tempered in ladle by ladle, or boiled with starch first, it meets no shock.
    const poured = r.step.kind === 'add' ? goesIn.map((p) => arrivesAt(p, kitchen)) : [];
    const meets = poured.length > 0 ? r.before.celsius : null;
    const risk = splitRisk({
      pH: after.pH,
      celsius: Math.min(105, Math.max(0, hottest, meets ?? 0)),
      boiled: hottest > boilsAt(kitchen) - BOILS_WITHIN,
      fatPercent: Math.min(100, (fat / grams) * 100),
      saltPercent: after.saltPercent,
      equivalents: after.equivalents,
      shock: meets === null ? 0 : meets - Math.min(...poured),
    });
    if (!worst || gravity(risk) > gravity(worst.risk) + NO_WORSE) worst = { risk, step };
  }
  return worst;
}
