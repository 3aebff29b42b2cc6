import type { Composition } from './composition';
import { times, totalOf } from './composition';
import type { Group, Ingredient } from './ingredient';
import { SOURCES } from './sources';

type Percent = Partial<Record<keyof Composition, number>>;
type FoodEntry = Omit<
  Ingredient,
  'composition' | 'sodium' | 'pH' | 'buffering' | 'density' | 'edibleYield' | 'allergens' | 'source'
> &
  Partial<
    Pick<Ingredient, 'sodium' | 'pH' | 'buffering' | 'density' | 'edibleYield' | 'allergens' | 'source'>
  > & {
    readonly percent: Percent;
  };

/**
 * Typical buffering, mmol/(kg·pH), by kind of food: milk 25 to 30 from dairy texts, from memory; the
 * rest set in proportion to protein, phosphate and organic acid. Our assumption.
 */
const BUFFERING: { readonly [G in Group]: number } = {
  liquid: 4,
  flour: 10,
  starch: 1,
  fat: 0.2,
  dairy: 26,
  egg: 40,
  cheese: 70,
  vegetable: 12,
  grain: 8,
  pulse: 25,
  meat: 40,
  'cured meat': 40,
  seafood: 35,
  wine: 28,
  seasoning: 5,
};

/**
 * An ingredient from rounded table percentages, brought to add to exactly 1.
 * Tables round and leave traces out, so 97–103 % is accepted; beyond that it is a typing error
 * and throws.
 */
export function food(draft: FoodEntry): Ingredient {
  const { percent, ...rest } = draft;
  const raw: Composition = {
    water: percent.water ?? 0,
    protein: percent.protein ?? 0,
    fat: percent.fat ?? 0,
    starch: percent.starch ?? 0,
    sugars: percent.sugars ?? 0,
    fibre: percent.fibre ?? 0,
    ash: percent.ash ?? 0,
    alcohol: percent.alcohol ?? 0,
  };
  const total = totalOf(raw);
  if (total < 97 || total > 103) {
    throw new RangeError(`${draft.id}: components add to ${total.toFixed(1)} %, expected 97 to 103`);
  }
  return {
    sodium: 0,
    pH: 6.5,
    buffering: BUFFERING[draft.group],
    density: 1,
    edibleYield: 1,
    allergens: [],
    source: SOURCES.tables,
    ...rest,
    composition: times(raw, 1 / total),
  };
}
