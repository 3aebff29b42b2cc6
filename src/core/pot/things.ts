import { ingredient } from '../food/catalogue';
import type { Burner } from '../heat/burner';
import type { Vessel } from '../heat/vessel';
import { makeOf } from '../thicken/mixture';
import { leaches } from '../thicken/puree';
import { portionsIn } from './contents/portions';
import { FACTORS, type Factor, type Kitchen, potUnderLid, spreadOf } from './kitchen';
import { panOf, THE_POT } from './pans/pan';

/** What is put in somewhere, cooked or still as a recipe gives it. */
type Put = { readonly ingredient: string; readonly amount: unknown; readonly as?: string | undefined };

/** A step as far as it says what a factor is of: what goes in, what is blended, under which lid. */
type Does = {
  readonly kind: string;
  readonly in?: string | undefined;
  readonly lid?: string | undefined;
  readonly of?: readonly string[] | undefined;
  readonly items?: readonly Put[];
  readonly flour?: Put;
  readonly fat?: Put;
  readonly thickener?: Put;
  readonly carrier?: Put | undefined;
};

/** What a factor is of, each with its weight among them: g, or 1 where no amount is known. */
export type Things = ReadonlyMap<string, number>;

const weightOf = ({ amount }: Put): number => (typeof amount === 'number' ? amount : 1);

const none: Things = new Map();

/** The ingredients of these steps that `is` holds for. */
function among(steps: readonly Does[], is: (put: Put) => boolean): Things {
  const found = new Map<string, number>();
  for (const step of steps)
    for (const put of portionsIn<Put>(step))
      if (weightOf(put) > 0 && is(put))
        found.set(put.ingredient, (found.get(put.ingredient) ?? 0) + weightOf(put));
  return found;
}

/**
 * What `factor` is of where these steps are cooked: flours and starches, vegetables, the pot under its lids, the burner.
 * Empty where there is nothing of it. Of side pans nothing is told apart: readings are of the pot.
 */
export function thingsOf(
  factor: Factor,
  steps: readonly Does[],
  { vessel, burner }: { readonly vessel: Vessel; readonly burner: Burner },
): Things {
  switch (factor) {
    case 'flour':
      return among(steps, (p) => {
        const kind = ingredient(p.ingredient).thickener;
        return kind !== undefined && makeOf(kind) === 'granules';
      });
    case 'puree': {
      const blends = steps.filter((s) => s.kind === 'puree');
      const blended = (id: string): boolean => blends.some((s) => !s.of || s.of.includes(id));
      return among(
        steps,
        (p) =>
          ingredient(p.ingredient).puree !== undefined &&
          (p.as === 'puree' || p.as === 'mash' || blended(p.ingredient)),
      );
    }
    case 'leaching':
      return among(steps, (p) => leaches(ingredient(p.ingredient).puree));
    case 'juices':
    case 'softening':
      return among(steps, (p) => ingredient(p.ingredient).softening !== undefined);
    case 'waterLoss': {
      const lids = steps.filter((s) => panOf(s) === THE_POT).map((s) => s.lid ?? 'off');
      return new Map([...new Set(lids)].map((lid) => [potUnderLid(vessel.id, lid), 1]));
    }
    case 'burner':
      return new Map([[burner.id, 1]]);
    case 'measuring':
      return none;
  }
}

/**
 * How unsure `factor` is where these steps are cooked: standard deviation of its logarithm. Things of which the house has
 * a number of its own are as unsure as that; of several, their variances weigh as they do.
 */
export function spreadIn(
  factor: Factor,
  steps: readonly Does[],
  setup: { readonly vessel: Vessel; readonly burner: Burner; readonly kitchen: Kitchen },
): number {
  const own = setup.kitchen.own?.[factor];
  const usual = spreadOf(factor, setup);
  if (!own) return usual;
  let [sum, weight] = [0, 0];
  for (const [thing, w] of thingsOf(factor, steps, setup)) {
    sum += w * (own[thing]?.spread ?? usual) ** 2;
    weight += w;
  }
  return weight > 0 ? Math.sqrt(sum / weight) : usual;
}

export const ALL_FACTORS = Object.keys(FACTORS) as readonly Factor[];
