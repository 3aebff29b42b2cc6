import { LADDER_RANGE } from '../flow/bands';
import { ingredient } from '../food/catalogue';
import type { Allergen } from '../food/ingredient';
import { amended, cannotBe } from '../order/amended';
import type { Aim, Amendment } from '../order/order';
import { AS_WRITTEN, WAYS, type Way } from '../order/ways';
import { planFor } from '../plan/plan';
import { type Setup, simulate } from '../plan/solve/simulate';
import { doseIsShare } from '../plan/solve/solve';
import type { Plan, WeighLine } from '../plan/types';
import { foodIn } from '../pot/kitchen';
import { observe } from '../pot/observe';
import type { Recipe } from '../recipe/recipe';
import type { Properties } from '../thickeners/row';
import { THICKENERS } from '../thickeners/thickeners';
import { asKitchenMeasure } from '../units/measure';
import { type Fit, fitOf } from './fits';
import { allergensIn, costOfLines } from './plans';

/** A point of a dose–viscosity curve: what the bowl would be with so much of the thickener, all else kept. */
type CurvePoint = {
  /** g of the thickener, or the share of the pot blended. */
  readonly dose: number;
  readonly viscosity: number;
};

/** One way of thickening the pot at hand, beside the others. */
export type Compared = {
  readonly way: Way;
  readonly fit: Fit;
  /** What is weighed for it: thickener and what carries it; empty when the dose is a share to blend. */
  readonly doses: readonly { readonly name: string; readonly g: number; readonly measure: string }[];
  /** Share of the pot to blend, when that is the dose. */
  readonly blend: number | null;
  /** Of thickener and carrier, in the house's currency; null when a price is missing. */
  readonly cost: number | null;
  /** Minutes at the simmer before it can be judged. */
  readonly leastMinutes: number;
  /** From the flame to the pass. */
  readonly seconds: number;
  readonly viscosity: number;
  readonly properties: Properties | null;
  readonly allergens: readonly Allergen[];
  readonly curve: readonly CurvePoint[];
};

const CURVE = [0, 0.25, 0.5, 0.75, 1, 1.25, 1.5, 2];

function curveOf(recipe: Recipe, plan: Plan, line: WeighLine | undefined): readonly CurvePoint[] {
  const { dosing } = plan.solved;
  const { setup } = plan;
  const share = doseIsShare(recipe);
  if (!share && !line) return [];
  const unit = share ? 1 : (line?.g ?? 0) / Math.max(1e-9, dosing.dose);
  return CURVE.flatMap((by) => {
    const dose = share ? Math.min(1, dosing.dose * by) : dosing.dose * by;
    if (share && dosing.dose * by > 1) return [];
    const { pot } = simulate(recipe, { ...dosing, dose, rounded: false }, setup);
    const viscosity = observe(pot, setup.kitchen).bowlViscosity;
    return viscosity > LADDER_RANGE[1] * 2 ? [] : [{ dose: dose * unit, viscosity }];
  });
}

/** Grams that do the thickening: the solved thickener and, when it is by rule, what it is carried or cooked in. */
function dosesOf(plan: Plan): readonly WeighLine[] {
  const solved = plan.weighOut.filter((l) => l.solved === 'thickness');
  const steps = new Set(solved.map((l) => l.step));
  return plan.weighOut.filter(
    (l) => l.solved === 'thickness' || (l.solved === 'by rule' && steps.has(l.step)),
  );
}

/** The properties of what thickens the recipe as written, when that is one flour or starch. */
function ownProperties(plan: Plan): Properties | null {
  const solved = plan.weighOut.find((l) => l.solved === 'thickness');
  const kind = solved && ingredient(solved.ingredient).thickener;
  return (kind && THICKENERS[kind].properties) ?? null;
}

/**
 * One pot thickened by `way`, everything else as in `order`. `recipe` is the house's own, `share` the
 * part of the thickening the way does (the recipe's own does the rest).
 */
export function comparedWith(way: Way, recipe: Recipe, order: Aim & Amendment, setup: Setup): Compared {
  const share = order.share ?? 1;
  const made = amended(recipe, { ...order, way: way.id, share });
  const plan = planFor(made, order, setup);
  const barred = way !== AS_WRITTEN && cannotBe(recipe, share) !== null;
  const lines = barred ? [] : dosesOf(plan);
  const main = plan.weighOut.find((l) => l.solved === 'thickness' && l.ingredient === way.ingredient);
  const blends = doseIsShare(made);
  const curveFrom = main ?? lines.find((l) => l.solved === 'thickness');
  return {
    way,
    fit: fitOf(way, share, recipe, plan, setup.kitchen.flagged),
    doses: blends
      ? []
      : lines.map((l) => ({
          name: l.name,
          g: l.g,
          measure: asKitchenMeasure(l.g, foodIn(setup.kitchen, l.ingredient).density, 'spooned'),
        })),
    blend: blends && !barred ? plan.solved.dosing.dose : null,
    cost: lines.length > 0 ? costOfLines(lines, setup) : null,
    leastMinutes: way.leastMinutes,
    seconds: plan.seconds,
    viscosity: plan.found.bowlViscosity,
    properties: way.kind ? (THICKENERS[way.kind].properties ?? null) : ownProperties(plan),
    allergens: allergensIn(plan),
    curve: barred ? [] : curveOf(made, plan, curveFrom),
  };
}

/** Every way the pot can be thickened, the recipe's own first. */
export const EVERY_WAY: readonly Way[] = [AS_WRITTEN, ...WAYS];
