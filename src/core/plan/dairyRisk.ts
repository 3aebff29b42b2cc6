import { type DairyKind, type Risk, splitRisk } from '../dairy/risk';
import type { Ingredient } from '../food/ingredient';
import { arrivesAt, putAllIn, waterPhaseMl } from '../pot/contents/contents';
import { portionsIn } from '../pot/contents/portions';
import { boilsAt } from '../pot/cook';
import { foodIn, type Kitchen } from '../pot/kitchen';
import { observe } from '../pot/observe';
import type { Pot } from '../pot/pot';
import type { Portion } from '../pot/step';
import { makeOf } from '../thicken/mixture';
import type { Run } from './solve/simulate';

/** Milk concentrated so that it stands a boil. Common practice, no source. */
const STANDS_A_BOIL: ReadonlySet<string> = new Set(['evaporated-milk']);

/** °C under its boil from which a pot counts as boiling. */
const BOILS_WITHIN = 0.5;

/** mL of liquid under which there is nothing cold dairy could be shocked by: it is the liquid. */
const LITTLE = 100;

/** How dairy fares in a run: the worst it goes through, of which kind, and in which step. */
type DairyFate = { readonly risk: Risk; readonly step: number; readonly of: DairyKind };

const GRADES = ['safe', 'take care', 'likely to split', 'will split'] as const;

/**
 * Points of {@link splitRisk} a later step must have more, to be the one that is told of: what goes on is not what
 * did it. Our assumption.
 */
const NO_WORSE = 0.1;

/** By grade first, then by all that speaks for it. */
const gravity = ({ grade, reasons }: Risk): number =>
  GRADES.indexOf(grade) * 1000 + reasons.reduce((sum, r) => sum + r.weight, 0);

/** pH at and under which dairy is soured. */
const SOURED = 5;

/** In which of its ways a food fails when it gets hot; null for what does not. */
function kindOf(food: Ingredient): DairyKind | null {
  if (STANDS_A_BOIL.has(food.id)) return null;
  if (food.group === 'cheese') return food.thickener === 'cream cheese' ? 'fresh-cheese' : 'cheese';
  if (food.group !== 'dairy') return null;
  return food.pH <= SOURED ? 'soured' : 'milk';
}

/** Flour and starch in a pot, g of flour equivalent a litre of its water, swollen or not: what is about to swell shields too. */
function starchAbout(pot: Pot): number {
  const water = waterPhaseMl(pot);
  const grams = pot.thickeners.reduce(
    (sum, t) => sum + (makeOf(t.kind) === 'granules' ? t.equivalents * t.strength : 0),
    0,
  );
  return water > 0 ? (grams * 1000) / water : 0;
}

/** What dairy goes through in a run, from the step it goes in; null without any that could split. */
export function dairyFate(run: Run, kitchen: Kitchen): DairyFate | null {
  const held = new Map<DairyKind, { grams: number; fat: number }>();
  let worst: DairyFate | null = null;
  for (const [step, r] of run.ran.entries()) {
    const goesIn = portionsIn<Portion>(r.step).flatMap((portion) => {
      const food = foodIn(kitchen, portion.ingredient);
      const kind = portion.amount > 0 ? kindOf(food) : null;
      return kind ? [{ portion, kind, fat: portion.amount * food.composition.fat }] : [];
    });
    for (const { portion, kind, fat } of goesIn) {
      const now = held.get(kind) ?? { grams: 0, fat: 0 };
      held.set(kind, { grams: now.grams + portion.amount, fat: now.fat + fat });
    }
    if (held.size === 0) continue;
    const after = observe(r.pot, kitchen);
    // What arrives and what it meets are as hot as they are together.
    const poured = r.step.kind === 'add' ? goesIn : [];
    const mixed =
      poured.length > 0 && r.step.kind === 'add' ? putAllIn(r.before, r.step.items, kitchen).celsius : null;
    const hottest = Math.max(r.pot.celsius, mixed ?? 0, ...r.trace.map((s) => s.celsius));
    for (const [of, { grams, fat }] of held) {
      const cold = poured.filter((p) => p.kind === of).map((p) => arrivesAt(p.portion, kitchen));
      const shocked = mixed !== null && cold.length > 0 && waterPhaseMl(r.before) > LITTLE;
      const risk = splitRisk({
        kind: of,
        pH: after.pH,
        celsius: Math.min(105, Math.max(0, hottest)),
        boiled: hottest > boilsAt(kitchen) - BOILS_WITHIN,
        fatPercent: Math.min(100, (fat / grams) * 100),
        saltPercent: after.saltPercent,
        equivalents: starchAbout(r.pot),
        shock: shocked ? mixed - Math.min(...cold) : 0,
      });
      if (!worst || gravity(risk) > gravity(worst.risk) + NO_WORSE) worst = { risk, step, of };
    }
  }
  return worst;
}
