import { LADDER_RANGE } from '../flow/bands';
import { heatInto } from '../heat/burner';
import { holding, rimVolume } from '../heat/vessel';
import type { House } from '../kitchen/house';
import { amended } from '../order/amended';
import { ORDER_BOUNDS } from '../order/bounds';
import { GENTLY, type Gently } from '../order/changes/gently';
import type { Order } from '../order/order';
import { planFor } from '../plan/plan';
import type { Plan, Warning } from '../plan/types';
import type { Recipe } from '../recipe/recipe';

/** A change that makes a warning go away, ready to be applied, and what of it is said in a figure. */
export type Remedy = { readonly change: Partial<Order> } & (
  | { readonly kind: 'take'; readonly vessel: string; readonly rimMl: number }
  | { readonly kind: 'use'; readonly burner: string }
  | { readonly kind: 'make'; readonly ml: number }
  | { readonly kind: 'aim'; readonly target: number }
  | { readonly kind: 'hot stock'; readonly celsius: number }
  | { readonly kind: 'dairy'; readonly how: Gently }
  /** g of butter for the whole pot. */
  | { readonly kind: 'butter'; readonly grams: number }
  | { readonly kind: 'three to two' }
  | { readonly kind: 'simmer'; readonly minutes: number }
);

/** °C of stock that is kept hot. Common practice, no source. */
const HOT_STOCK = 80;

/** Butter is this share fat. */
const BUTTER_FAT = 0.81;
/** Remedies shown for one warning. */
const MOST = 3;

/** An order, with the house and the recipe, as written, that it speaks of. */
export type OrderIn = { readonly house: House; readonly recipe: Recipe; readonly order: Order };

/** Plans the order in its house; null when its pot or burner is not there. */
export function planOrder({ house, recipe, order }: OrderIn): Plan | null {
  const vessel = house.vessels.find((v) => v.id === order.vesselId);
  const burner = house.burners.find((b) => b.id === order.burnerId);
  if (!vessel || !burner) return null;
  return planFor(amended(recipe, order), order, { vessel, burner, kitchen: house.kitchen });
}

const roundedDown = (litres: number): number => Math.floor(litres * 10) / 10;

/** What of a plan its remedies are found by: it is told, not solved again. */
export type PlanFindings = Pick<Plan, 'warnings' | 'peakMl' | 'fillLimitMl' | 'found'>;

function candidates(w: Warning, plan: PlanFindings, { house, order, recipe }: OrderIn): readonly Remedy[] {
  const scale = order.litres / recipe.yieldLitres;
  const pots = holding(house.vessels, plan.peakMl)
    .filter((v) => v.id !== order.vesselId)
    .map((v): Remedy => ({ kind: 'take', vessel: v.name, rimMl: rimVolume(v), change: { vesselId: v.id } }));
  const burner = house.burners.find((b) => b.id === order.burnerId);
  const stronger = house.burners
    .filter((b) => burner && heatInto(b, 1) > heatInto(burner, 1))
    .sort((a, b) => heatInto(a, 1) - heatInto(b, 1))
    .map((b): Remedy => ({ kind: 'use', burner: b.name, change: { burnerId: b.id } }));
  const make = (litres: number): Remedy => ({ kind: 'make', ml: litres * 1000, change: { litres } });
  const aim = (target: number): Remedy => ({ kind: 'aim', target, change: { target } });
  const found = plan.found.bowlViscosity;
  const [low, high] = LADDER_RANGE;
  if (w.kind === 'overflow' || w.kind === 'headroom') {
    return [...pots, make(roundedDown((order.litres * plan.fillLimitMl * 0.99) / plan.peakMl))];
  }
  if (w.kind === 'shallow' || w.kind === 'boils away') return pots;
  if (w.kind === 'too thick without') return found < high ? [aim(Math.ceil(found * 1.02))] : [];
  if (w.kind === 'too thin with all') return found > low ? [aim(Math.floor(found * 0.98))] : [];
  if (w.kind === 'no room for liquid') {
    const needed = (plan.found.volumeMl / 1000) * 1.05;
    return [make(Math.ceil(needed * 10) / 10)];
  }
  if (w.kind === 'stalled' || w.kind === 'hard') return [...stronger, make(roundedDown(order.litres / 2))];
  if (w.kind === 'slow') {
    return [{ kind: 'hot stock', celsius: HOT_STOCK, change: { liquidAt: HOT_STOCK } }, ...stronger];
  }
  if (w.kind === 'dairy') {
    return GENTLY.map((how) => ({ kind: 'dairy', how, change: { dairy: how } }));
  }
  if (w.kind === 'fat-short' && w.grams) {
    // The vegetables soak up part of it, and more fat wants a little more flour: tried in growing amounts.
    const short = w.grams / BUTTER_FAT;
    return [1.2, 1.6, 2, 2.6].map((by) => {
      const perYield = Math.ceil(((short * by) / scale) * 10) / 10;
      const change = { moreFat: perYield + (order.moreFat ?? 0) };
      return { kind: 'butter', grams: Math.ceil(perYield * scale), change };
    });
  }
  if (w.kind === 'fat-over' && order.rule !== 'three-to-two') {
    return recipe.steps.some((s) => s.kind === 'roux')
      ? [{ kind: 'three to two', change: { rule: 'three-to-two' } }]
      : [];
  }
  if (w.kind === 'raw-flour' && w.minutes) {
    const minutes = Math.ceil(w.minutes);
    const change = { moreSimmer: minutes + (order.moreSimmer ?? 0) };
    return [{ kind: 'simmer', minutes, change }];
  }
  return [];
}

/**
 * What would make `warning` go away, each tried by planning it: only what helps, and brings no new reason
 * to stop, is offered.
 */
export function remediesFor(warning: Warning, plan: PlanFindings, ordered: OrderIn): readonly Remedy[] {
  const stops = (p: Pick<Plan, 'warnings'>) =>
    new Set(p.warnings.filter((w) => w.severity === 'stop').map((w) => w.id));
  const before = stops(plan);
  const helping: Remedy[] = [];
  for (const remedy of candidates(warning, plan, ordered)) {
    if (helping.length === MOST) break;
    if (remedy.change.litres !== undefined && remedy.change.litres < ORDER_BOUNDS.litres[0]) continue;
    const next = planOrder({ ...ordered, order: { ...ordered.order, ...remedy.change } });
    const still = next?.warnings.find((w) => w.id === warning.id);
    // A danger that is left a caution is worth offering; a caution has to go.
    if (!next || (still && !(warning.severity !== 'caution' && still.severity === 'caution'))) continue;
    if ([...stops(next)].some((id) => !before.has(id))) continue;
    helping.push(remedy);
    // More butter than is enough is no other remedy.
    if (remedy.change.moreFat !== undefined) break;
  }
  return helping;
}
