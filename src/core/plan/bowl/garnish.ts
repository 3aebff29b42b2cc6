import { times } from '../../food/composition';
import { breaksDiet, type Diet } from '../../food/diets';
import type { Allergen } from '../../food/ingredient';
import { heatHeldBy } from '../../food/thermal';
import { centreTemperature } from '../../heat/softening';
import { GARNISHES, type Garnish, USUAL_LADLE } from '../../order/changes/garnishes';
import { advance } from '../../pot/advance';
import { heatCapacity, massG, metalCapacity } from '../../pot/contents/contents';
import { asBought } from '../../pot/contents/goesIn';
import { foodIn, type Kitchen } from '../../pot/kitchen';
import { LIMITS } from '../../safety/cautions';
import { SALT_PER_SODIUM } from '../../salt/salt';
import { roundToScale } from '../../units/shown/round';
import type { Plan } from '../types';

/** What is held back for the bowls of a plan. */
export type GarnishLine = {
  readonly garnish: Garnish;
  readonly name: string;
  readonly portions: number;
  /** g on one portion, of all of them, raw, and as purchased. */
  readonly each: number;
  readonly g: number;
  readonly raw: number;
  readonly asPurchased: number;
  /** °C of the bowl, or of the pot for what is stirred in, before and right after. */
  readonly from: number;
  readonly celsius: number;
  /** Of raw fish or shellfish: minutes off the heat, lid on, until its centre is done; null where the pot’s heat does not do it. */
  readonly done: { readonly centre: number; readonly minutes: number | null } | null;
  /** % of salt it adds to a portion. */
  readonly saltPercent: number;
  readonly allergens: readonly Allergen[];
  readonly breaks: readonly Diet[];
};

/** Longest anybody waits for a garnish off the heat, min. Common practice, no source. */
const WAITS = 12;
/** s between two looks at it. */
const LOOKS = 15;

/** Ids of what is sold cooked: warming through does. */
const COOKED: ReadonlySet<string> = new Set(['cockle-meat', 'small-shrimp']);

/** g of soup in a ladle. */
const soupIn = (plan: Plan, ladleMl: number): number =>
  (massG(plan.solved.run.pot) / plan.found.volumeMl) * ladleMl;

/** The pot a moment after `g` of a garnish went in off the heat, and when its centre is done. */
function stirredIn(plan: Plan, garnish: Garnish, g: number, kitchen: Kitchen) {
  const { centre } = LIMITS.fish;
  const before = plan.solved.run.pot;
  const items = [{ ingredient: garnish.id, amount: g, celsius: garnish.celsius }];
  const put = advance(before, { kind: 'add', items, offHeat: true, minutes: 0.1 }, kitchen).pot;
  const raw = foodIn(kitchen, garnish.id).group === 'seafood' && !COOKED.has(garnish.id);
  if (!raw) return { celsius: put.celsius, done: null };
  let pot = put;
  let minutes: number | null = null;
  for (let s = 0; s <= WAITS * 60; s += LOOKS) {
    const piece = pot.pieces.findLast((p) => p.ingredient === garnish.id);
    if (piece && centreTemperature(piece.lag, piece.cut, pot.celsius) >= centre) {
      minutes = (pot.seconds - put.seconds) / 60;
      break;
    }
    pot = advance(pot, { kind: 'rest', minutes: LOOKS / 60, lid: 'on' }, kitchen).pot;
  }
  return { celsius: put.celsius, done: { centre, minutes } };
}

/** Everything held back for the bowls: how much of it, when and how it goes in or on, and what that does to them. */
export function garnishOf(
  plan: Plan,
  ids: readonly string[],
  ladleMl: number = USUAL_LADLE,
): readonly GarnishLine[] {
  const { kitchen } = plan.setup;
  const portions = Math.max(1, Math.floor((plan.aim.litres * 1000) / ladleMl));
  return GARNISHES.filter((one) => ids.includes(one.id)).map((garnish): GarnishLine => {
    const food = foodIn(kitchen, garnish.id);
    const each = (garnish.g * ladleMl) / USUAL_LADLE;
    const g = each * portions;
    const raw = g / garnish.leaves;
    const soup = soupIn(plan, ladleMl);
    const { pot } = plan.solved.run;
    const soupHeat = (soup * (heatCapacity(pot) - metalCapacity(pot))) / massG(pot);
    const own = heatHeldBy(times(food.composition, each), garnish.celsius);
    const from = plan.found.celsius;
    const inPot =
      garnish.goes === 'stirred in'
        ? stirredIn(plan, garnish, food.group === 'seafood' ? raw : g, kitchen)
        : null;
    return {
      garnish,
      name: food.name,
      portions,
      each,
      g: roundToScale(g),
      raw: roundToScale(raw),
      asPurchased: roundToScale(asBought(food, raw)),
      from,
      celsius: inPot?.celsius ?? (soupHeat * from + own * garnish.celsius) / (soupHeat + own),
      done: inPot?.done ?? null,
      saltPercent: ((food.sodium / 100_000) * each * SALT_PER_SODIUM * 100) / (soup + each),
      allergens: food.allergens,
      breaks: (plan.aim.diet ?? []).filter((d) => breaksDiet(food, d)),
    };
  });
}
