import { massG } from '../../pot/contents/contents';
import { putInBy, wholeCost } from '../../pot/contents/goesIn';
import { foodIn, type Kitchen } from '../../pot/kitchen';
import type { Pot } from '../../pot/pot';
import type { Step } from '../../pot/step';
import { THICKENERS } from '../../thickeners/thickeners';
import { asKitchenMeasure } from '../../units/measure';
import { roundToScale } from '../../units/shown/round';
import type { Measured } from '../measured';
import type { Dose, Effects } from '../option';
import type { AtThePass } from './pass';

/** What steps put in, g of each, with a kitchen measure beside. */
export const dosesOf = (steps: readonly Step[], kitchen: Kitchen): readonly Dose[] =>
  putInBy(steps).map((p) => ({
    ingredient: p.ingredient,
    g: roundToScale(p.amount),
    measure: asKitchenMeasure(p.amount, foodIn(kitchen, p.ingredient).density, 'spooned'),
  }));

const fatPercent = (pot: Pot): number => ((pot.liquid.fat + pot.freeFat) / Math.max(1, massG(pot))) * 100;

/** g of water a litre over which it is tasted. Common practice, no source. */
const WATERY = 20;

/** What a correction does besides: salt, fat and pH before and after, allergens, looks, cost. */
export function effectsOf(
  measured: Measured,
  doses: readonly Dose[],
  before: AtThePass,
  after: AtThePass,
): Effects {
  const kinds = doses.flatMap((d) => foodIn(measured.kitchen, d.ingredient).thickener ?? []);
  const properties = kinds.map((k) => THICKENERS[k].properties).find(Boolean) ?? null;
  const brought = new Set(doses.flatMap((d) => foodIn(measured.kitchen, d.ingredient).allergens));
  return {
    salt: [before.seen.saltPercent, after.seen.saltPercent],
    fat: [fatPercent(before.pot), fatPercent(after.pot)],
    pH: [before.seen.pH, after.seen.pH],
    gloss: properties?.gloss ?? null,
    clarity: properties?.clarity ?? null,
    allergens: [...brought].filter((a) => !measured.holds.includes(a)),
    strange: doses.filter((d) =>
      // A slurry's water is none to speak of; a pot let down with water is.
      d.ingredient === 'water'
        ? d.g > (WATERY * after.seen.volumeMl) / 1000
        : !measured.contains.includes(d.ingredient),
    ).length,
    cost: wholeCost(
      doses.map(({ ingredient, g }) => ({ ingredient, amount: g })),
      measured.kitchen,
    ),
  };
}
