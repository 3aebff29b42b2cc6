import type { Density } from '../units/measure';
import type { Composition } from './composition';
import type { Source } from './sources';

export const GROUPS = [
  'liquid',
  'flour',
  'starch',
  'fat',
  'dairy',
  'egg',
  'cheese',
  'vegetable',
  'grain',
  'cured meat',
  'seafood',
  'wine',
  'seasoning',
] as const;
export type Group = (typeof GROUPS)[number];

/** The union of the US nine and the EU fourteen, named as labels name them. */
export const ALLERGENS = [
  'milk',
  'egg',
  'fish',
  'crustaceans',
  'molluscs',
  'wheat',
  'gluten',
  'celery',
  'mustard',
  'soya',
  'sesame',
  'sulphites',
  'lupin',
  'peanut',
  'tree nuts',
] as const;
export type Allergen = (typeof ALLERGENS)[number];

/** How fast a vegetable softens; the times stand in heat/softening. */
export type SofteningClass =
  | 'floury potato'
  | 'waxy potato'
  | 'carrot'
  | 'celeriac'
  | 'parsnip'
  | 'squash'
  | 'cauliflower'
  | 'broccoli'
  | 'courgette'
  | 'sweetcorn'
  | 'allium';

/** What it does to the pot once blended; the strengths stand in thicken/puree. */
export type PureeClass =
  | 'floury potato'
  | 'waxy potato'
  | 'chestnut'
  | 'pea'
  | 'parsnip'
  | 'carrot'
  | 'celeriac'
  | 'squash'
  | 'sweetcorn'
  | 'cauliflower'
  | 'broccoli'
  | 'mushroom'
  | 'tomato'
  | 'allium'
  | 'other';

export type Ingredient = {
  readonly id: string;
  readonly name: string;
  readonly group: Group;
  /** Mass fractions of the edible part, adding to 1. */
  readonly composition: Composition;
  /** mg per 100 g. */
  readonly sodium: number;
  readonly pH: number;
  /** g/mL as poured or as measured. */
  readonly density: Density;
  /** Edible share of what is bought, 0–1. */
  readonly edibleYield: number;
  readonly allergens: readonly Allergen[];
  readonly softening?: SofteningClass;
  readonly puree?: PureeClass;
  readonly source: Source;
};
