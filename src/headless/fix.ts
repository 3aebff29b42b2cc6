import { adjust } from '../core/adjust/adjust';
import type { Fault } from '../core/adjust/faults';
import { takenAsSalty } from '../core/adjust/means/thinner';
import type { Measured } from '../core/adjust/measured';
import { takenAsSeen } from '../core/adjust/said';
import { bandOf } from '../core/flow/bands';
import { isIngredient } from '../core/food/catalogue';
import { bisect } from '../core/maths/bisect';
import { planFor } from '../core/plan/plan';
import type { Setup } from '../core/plan/solve/simulate';
import { portionsIn } from '../core/pot/contents/portions';
import { foodIn } from '../core/pot/kitchen';
import { observe } from '../core/pot/observe';
import type { Pot } from '../core/pot/pot';
import type { Portion } from '../core/pot/step';
import type { Recipe } from '../core/recipe/recipe';
import { BadOption } from './options';

/** A pot of a planned recipe that came out otherwise, and what is to be done about it. */
type FixOrder = {
  readonly litres: number;
  /** mPa·s asked for in the bowl, and as measured; as the model has it where it was not. */
  readonly target: number;
  readonly measured: number | undefined;
  /** What is wrong; by what it reads where nothing is said. */
  readonly wrong: readonly Fault[];
  /** Steps done when it was measured, from 1. */
  readonly at: number;
  readonly minutes: number;
  /** Ingredients to hand, by id. */
  readonly hand: readonly string[];
};

/** Standard deviations of ln thickening and ln volume of a pot measured once with a cup. Our assumption. */
const DOUBT = { thickness: 0.03, water: 0.05 };

/** The pot with its thickening turned until it reads `target` mPa·s in the bowl. */
function reading(pot: Pot, target: number, setup: Setup): Pot {
  const turned = (by: number): Pot => ({
    ...pot,
    thickeners: pot.thickeners.map((t) => ({ ...t, equivalents: t.equivalents * by })),
  });
  const at = (by: number): number => observe(turned(by), setup.kitchen).bowlViscosity;
  if (at(0) > target || at(20) < target)
    throw new BadOption(
      `--measured is ${target} mPa·s: at that step this pot can read from ${at(0).toFixed(1)} to ${at(20).toFixed(0)}`,
    );
  return turned(bisect((by) => at(by) < target, 0, 20));
}

/** What can be done about a pot of `recipe` that stands as `order` says: corrections best first, and cures. */
export function fixed(recipe: Recipe, setup: Setup, order: FixOrder): ReturnType<typeof adjust> {
  const plan = planFor(recipe, { litres: order.litres, target: order.target }, setup);
  const { ran } = plan.solved.run;
  const done = ran[order.at - 1];
  if (!done) throw new BadOption(`--at is ${order.at}: this recipe has steps 1 to ${ran.length}`);
  for (const id of order.hand)
    if (!isIngredient(id)) throw new BadOption(`--hand: “${id}” is not in the catalogue`);
  const put = [
    ...new Set(
      ran
        .slice(0, order.at)
        .flatMap((r) => portionsIn<Portion>(r.step))
        .filter((p) => p.amount > 0)
        .map((p) => p.ingredient),
    ),
  ];
  const measured: Measured = {
    pot: order.measured === undefined ? done.pot : reading(done.pot, order.measured, setup),
    kitchen: setup.kitchen,
    still: ran.slice(order.at).map((r) => r.step),
    target: order.target,
    owedMl: order.litres * 1000,
    doubt: DOUBT,
    holds: [...new Set(put.flatMap((id) => foodIn(setup.kitchen, id).allergens))],
    contains: put,
  };
  const wishes = { larder: order.hand, minutes: order.minutes, freeOf: [], pins: {} };
  const byReading = readingFault(order, setup);
  const wrong = order.wrong.length > 0 ? order.wrong : byReading ? [byReading] : [];
  const seen = takenAsSeen(measured, order.measured === undefined ? wrong : []);
  const pot = wrong.includes('too salty') ? takenAsSalty(seen) : seen;
  return adjust(new Set(wrong), pot, wishes, plan.seconds);
}

/** What the reading alone says is wrong; null where it is near enough, or there is none. */
function readingFault({ measured, target }: FixOrder, { kitchen: { bandLimits } }: Setup): Fault | null {
  if (measured === undefined) return null;
  const near = Math.abs(Math.log(measured / target)) < 0.1;
  if (near && bandOf(measured, bandLimits) === bandOf(target, bandLimits)) return null;
  return measured < target ? 'too thin' : 'too thick';
}
