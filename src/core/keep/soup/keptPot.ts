import { potAt } from '../../batch/follow/ahead';
import { follow } from '../../batch/follow/follow';
import type { Batch } from '../../batch/record';
import { batchState } from '../../batch/state';
import type { Allergen } from '../../food/ingredient';
import { mixtureConductivity } from '../../food/thermal';
import { type CoolingSoup, thickSoup } from '../../heat/cool/body';
import type { Vessel } from '../../heat/vessel';
import type { Pan } from '../../kitchen/keeping';
import { advance } from '../../pot/advance';
import { heatCapacity, metalCapacity, volumeMl } from '../../pot/contents/contents';
import { allergensOf, costOf, putInBy } from '../../pot/contents/goesIn';
import { ladled } from '../../pot/contents/ladled';
import type { Kitchen } from '../../pot/kitchen';
import { observe } from '../../pot/observe';
import type { Pot } from '../../pot/pot';
import type { Step } from '../../pot/step';
import { takenBack } from '../../record/counting';

/** The soup of a batch as it was finished, in the room it was cooked in. */
export type Kept = { readonly pot: Pot; readonly kitchen: Kitchen; readonly steps: readonly Step[] };

/**
 * Steps of a batch that put something in: those of its plan, those added at the stove, and what was put in beside
 * them; what was taken back is not. A planned step that was left out is among them: nobody is told that less is in it.
 */
export function stepsOf(batch: Batch): readonly Step[] {
  const gone = takenBack(batch.events);
  const added = batchState(batch).steps.flatMap((s) => (s.planned === null && s.does ? [s.does] : []));
  const beside = batch.events.flatMap(({ id, body }): readonly Step[] =>
    body.kind === 'put-in' && !gone.has(id)
      ? [{ kind: 'add', items: [{ ingredient: body.ingredient, amount: body.g }] }]
      : [],
  );
  return [...batch.plan.steps.flatMap((s) => s.does ?? []), ...added, ...beside];
}

/** The kitchen with the products a batch was cooked with, where it says which. */
export const kitchenThen = ({ plan }: Batch, kitchen: Kitchen): Kitchen => ({
  ...kitchen,
  products: (plan.cooked?.kitchen.products as Kitchen['products']) ?? kitchen.products,
});

/** The soup of `batch` as the model has it when it was finished; null where there is nothing to follow. */
export function keptOf(batch: Batch): Kept | null {
  const followed = follow(batch);
  if (!followed) return null;
  const { finished } = followed.state;
  const at = finished ? Date.parse(finished.at) : Date.parse(batch.startedAt) + batch.plan.seconds * 1000;
  const { variant } = potAt(followed, at);
  const measured = finished?.yieldMl;
  const has = volumeMl(variant.pot);
  // What came of it was measured: the model gives way.
  const pot = measured && has > 0 ? ladled(variant.pot, Math.min(1, measured / has)) : variant.pot;
  return { pot, kitchen: variant.kitchen, steps: stepsOf(batch) };
}

/** `ml` of the pot’s soup at `celsius`, in `vessel` where one is given. */
export function someOf(pot: Pot, ml: number, celsius: number, vessel?: Vessel): Pot {
  const has = volumeMl(pot);
  const share = has > 0 ? Math.min(1, ml / has) : 1;
  return { ...ladled(pot, share), celsius, ...(vessel && { vessel }) };
}

/** Liquid stirred into it, whatever it was, at `celsius` (room temperature where none is given): as water, it lets it down as much. */
export const letDown = (pot: Pot, ml: number, kitchen: Kitchen, celsius?: number): Pot =>
  advance(
    pot,
    {
      kind: 'add',
      items: [{ ingredient: 'water', amount: ml, ...(celsius !== undefined && { celsius }) }],
      offHeat: true,
      minutes: 0,
    },
    kitchen,
  ).pot;

/** Pans of one kind as one straight-sided vessel with as much open surface. */
export const panVessel = (pan: Pan, count: number): Vessel => ({
  id: pan.id,
  name: pan.name,
  diameterMm: 2 * Math.sqrt((pan.lengthMm * pan.widthMm * count) / Math.PI),
  heightMm: pan.depthMm,
  material: 'stainless steel',
  massG: 1100 * count,
});

/** What cooling needs to know of `ml` of it; a soup nobody followed counts as thick. */
export function soupOf(kept: Kept | null, ml: number): CoolingSoup {
  if (!kept) return thickSoup(ml);
  const { pot, kitchen } = kept;
  const has = volumeMl(pot);
  if (has < 20) return thickSoup(ml);
  return {
    ml,
    heatPerMl: (heatCapacity(pot) - metalCapacity(pot)) / has,
    conductivity: mixtureConductivity(pot.liquid, 30),
    viscosity: observe(pot, kitchen).bowlViscosity,
  };
}

/** Allergens of all that went in, those the house names first, then by name. */
export function allergensOn(steps: readonly Step[], kitchen: Kitchen): readonly Allergen[] {
  const flagged = new Set(kitchen.flagged ?? []);
  return [...allergensOf(steps, kitchen)].sort(
    (a, b) => Number(flagged.has(b)) - Number(flagged.has(a)) || a.localeCompare(b),
  );
}

/**
 * What `ml` of a soup cooked in `steps` cost, as the line that puts it by says it: in the house’s currency a litre, as
 * far as prices are known, and how many things of it have none. Empty where no price is known.
 */
export function costIn(
  steps: readonly Step[],
  kitchen: Kitchen,
  ml: number,
): { readonly costPerL?: number; readonly unpriced?: number } {
  const { known, unpriced } = costOf(putInBy(steps), kitchen);
  if (known === 0) return {};
  return { costPerL: Math.round((known / ml) * 100_000) / 100, ...(unpriced > 0 && { unpriced }) };
}
