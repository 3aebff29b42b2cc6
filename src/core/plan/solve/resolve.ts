import { ingredient } from '../../food/catalogue';
import { heapMl } from '../../food/heap';
import { oneOf } from '../../food/pieces';
import { massG, putAllIn, volumeMl } from '../../pot/contents/contents';
import { foodIn, type Kitchen } from '../../pot/kitchen';
import { lotsIn, ON_A_TRAY } from '../../pot/pans/lots';
import type { Pot } from '../../pot/pot';
import type { Portion, Step } from '../../pot/step';
import type { Fraction } from '../../recipe/amount';
import { type Amount, gramsGiven } from '../../recipe/amountOf';
import type { RecipePortion, RecipeStep } from '../../recipe/recipeStep';
import { saltBalance } from '../../salt/salt';
import { fatPerFlour } from '../../thicken/equalParts';
import { CREAM_FOR_YOLK, METHOD_RULES } from '../../thicken/methods';
import { pureeStrength } from '../../thicken/puree';
import { THICKENERS } from '../../thickeners/thickeners';
import { densityOf } from '../../units/measure';
import { roundToScale } from '../../units/shown/round';

type Given = Extract<Amount, { kind: 'fixed' | 'counted' }>;

/**
 * What the solver is trying: the dose (g of flour equivalent, or a share of the pot), the made-up liquid and the
 * dairy (g), and the scale.
 */
export type Dosing = {
  readonly scale: number;
  readonly dose: number;
  readonly liquid: number;
  /** g of all that is “to richness” together; 0 where nothing is. */
  readonly dairy: number;
  /** Bring amounts to what a scale can show; the solver itself works without. */
  readonly rounded: boolean;
  /** How far what is counted or given as a range comes out from its middle, in standard deviations; 0 unless said. */
  readonly hand?: number;
};

/** Grams of salt that bring the pot to the house's level; never negative. */
export function saltStillToAdd(pot: Pot, kitchen: Kitchen): number {
  return saltBalance(Math.max(1, massG(pot)), pot.sodium, kitchen.saltPercent).toAdd;
}

/** Lots nobody makes more of: what it takes then is warned of. */
const MOST_LOTS = 60;

/** Flour equivalents a gram brings, swollen or blended; 0 for what cannot thicken. */
function strengthOf(id: string): number {
  const food = ingredient(id);
  return food.thickener ? THICKENERS[food.thickener].strength : pureeStrength(food);
}

/** Standard deviation of the logarithm that an amount's own words leave open. */
export function offBy({ amount, ingredient: id }: RecipePortion): number {
  if (amount.kind === 'fixed') return amount.off ?? 0;
  if (amount.kind !== 'counted') return 0;
  return Math.hypot(amount.off ?? 0, oneOf(ingredient(id), amount.of, amount.size)?.spread ?? 0);
}

/** Grams of an amount that is given, at the recipe's own yield; throws a RangeError for a count of what nobody knows the weight of. */
function asGiven(amount: Given, { ingredient: id }: RecipePortion, kitchen: Kitchen): number {
  const g = gramsGiven(foodIn(kitchen, id), amount);
  if (g === null) throw new RangeError(`nobody can say what one of ${id} weighs as it is counted`);
  return g;
}

/** Grams of an amount that is given, at the recipe's own yield; null of one that is solved, or by rule. */
export const givenGrams = (p: RecipePortion, kitchen: Kitchen): number | null =>
  p.amount.kind === 'fixed' || p.amount.kind === 'counted' ? asGiven(p.amount, p, kitchen) : null;

function gramsFor(amount: Amount, item: RecipePortion, dosing: Dosing, pot: Pot, kitchen: Kitchen): number {
  if (amount.kind === 'fixed' || amount.kind === 'counted') {
    const off = dosing.hand ? Math.exp(dosing.hand * offBy(item)) : 1;
    return asGiven(amount, item, kitchen) * dosing.scale * off;
  }
  if (amount.kind === 'height') {
    const heap = pot.pieces.reduce((sum, p) => sum + heapMl(p.ingredient, p.g), 0);
    const ml = Math.max(0, amount.times * heap - volumeMl(pot));
    return ml * densityOf(foodIn(kitchen, item.ingredient).density);
  }
  if (amount.kind === 'by rule')
    throw new RangeError(
      'only a roux’s fat, a carrier, a liaison’s cream or a stock’s concentrate can be “to match”',
    );
  if (amount.goal === 'thickness') {
    const strength = strengthOf(item.ingredient);
    if (!strength)
      throw new RangeError(`${item.ingredient} is not a thickener, so it cannot be “to thicken”`);
    return (dosing.dose * amount.share) / strength;
  }
  if (amount.goal === 'volume') return dosing.liquid;
  if (amount.goal === 'richness') return dosing.dairy * amount.share;
  return saltStillToAdd(pot, kitchen);
}

/** A recipe's step with every amount in grams, for the pot as it stands when the step begins. */
export function resolve(step: RecipeStep, dosing: Dosing, pot: Pot, kitchen: Kitchen): Step {
  const tidy = (g: number): number => (dosing.rounded ? roundToScale(g) : g);
  const portion = (item: RecipePortion, into = pot): Portion => ({
    ...item,
    amount: tidy(gramsFor(item.amount, item, dosing, into, kitchen)),
  });
  const share = (f: Fraction): number =>
    Math.min(
      1,
      Math.max(
        0,
        typeof f === 'number' ? f : dosing.rounded ? Math.round(dosing.dose * 100) / 100 : dosing.dose,
      ),
    );

  switch (step.kind) {
    case 'add': {
      const items: Portion[] = [];
      // What is poured over goes in last: the solids of the same step lie under it.
      const isHeight = (i: RecipePortion): boolean => i.amount.kind === 'height';
      const over = step.items.some(isHeight)
        ? step.items.filter((i) => !isHeight(i)).map((i) => portion(i))
        : [];
      const lying = putAllIn(pot, over, kitchen);
      for (const i of step.items) {
        const { byTheLitre } = ingredient(i.ingredient);
        // Stirred into what is poured just before it.
        const into = (items.at(-1)?.amount ?? 0) / 1000;
        items.push(
          i.amount.kind === 'by rule' && byTheLitre
            ? { ...i, amount: tidy(byTheLitre * into) }
            : isHeight(i)
              ? portion(i, lying)
              : portion(i),
        );
      }
      return { ...step, items };
    }
    case 'sweat': {
      const items = step.items.map((i) => portion(i));
      const lots = step.layer ? (step.lots ?? lotsIn(pot.vessel, items)) : 1;
      return { ...step, items, ...(lots > 1 && { lots: Math.min(MOST_LOTS, lots) }) };
    }
    case 'season':
    case 'render':
    case 'poach':
      return { ...step, items: step.items.map((i) => portion(i)) };
    case 'roast': {
      const items = step.items.map((i) => portion(i));
      const loads = step.loads ?? lotsIn(pot.vessel, items, ON_A_TRAY);
      return { ...step, items, ...(loads > 1 && { loads: Math.min(MOST_LOTS, loads) }) };
    }
    case 'temper': {
      const yolk = step.items.find((i) => ingredient(i.ingredient).thickener === 'yolk');
      const yolkG = yolk && yolk.amount.kind !== 'by rule' ? portion(yolk).amount : 0;
      const items = step.items.map((i) =>
        i.amount.kind === 'by rule' ? { ...i, amount: tidy(yolkG * CREAM_FOR_YOLK) } : portion(i),
      );
      return { ...step, items };
    }
    case 'roux': {
      const flour = portion(step.flour);
      const fat = ingredient(step.fat.ingredient);
      const wanted = flour.amount * fatPerFlour(step.rule, ingredient(flour.ingredient).density, fat.density);
      // Fat left by the sweat is the roux's fat too; only what is missing is weighed.
      const already = pot.freeFat / fat.composition.fat;
      const amount =
        step.fat.amount.kind === 'by rule' ? tidy(Math.max(0, wanted - already)) : portion(step.fat).amount;
      return { ...step, flour, fat: { ...step.fat, amount } };
    }
    case 'dust':
      return { ...step, flour: portion(step.flour) };
    case 'thicken': {
      const thickener = portion(step.thickener);
      if (!step.carrier) return { ...step, thickener, carrier: undefined };
      const byRule = step.carrier.amount.kind === 'by rule';
      const amount = byRule
        ? tidy(thickener.amount * METHOD_RULES[step.method].carrier)
        : portion(step.carrier).amount;
      return { ...step, thickener, carrier: { ...step.carrier, amount } };
    }
    case 'puree':
      return { ...step, fraction: share(step.fraction) };
    case 'bring-to':
    case 'simmer':
    case 'reduce':
    case 'strain':
    case 'rest':
    case 'hold':
    case 'chill':
    case 'reheat':
    case 'keep':
    case 'pour':
      return step;
  }
}
