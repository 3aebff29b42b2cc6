import type { ThickenerKind } from '../thickeners/thickeners';
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
  'pulse',
  'meat',
  'cured meat',
  'seafood',
  'wine',
  'seasoning',
] as const;
export type Group = (typeof GROUPS)[number];

/** What is poured, and read in litres: it makes a pot wet. */
export const POURED: ReadonlySet<Group> = new Set<Group>(['liquid', 'dairy', 'wine']);

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
  | 'allium'
  | 'mushroom'
  | 'pea'
  | 'chestnut'
  | 'tomato'
  | 'leaf'
  | 'rice'
  | 'pulse';

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
  | 'rice'
  | 'pulse'
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
  /** How hard it is to move its pH: mmol of acid per kg and pH unit. */
  readonly buffering: number;
  /** g/mL as poured or as measured. */
  readonly density: Density;
  /** Edible share of what is bought, 0–1. */
  readonly edibleYield: number;
  readonly allergens: readonly Allergen[];
  readonly softening?: SofteningClass;
  readonly puree?: PureeClass;
  /** Share of its weight raw fish or shellfish gives up as juice by the time it is done. */
  readonly juicy?: number | undefined;
  /** Pulp already, as a passata or a paste: it flows and thickens from the moment it goes in. */
  readonly pulped?: boolean | undefined;
  /** Egg whose germs are killed already: it may be served lightly cooked to anybody. */
  readonly pasteurised?: boolean | undefined;
  /** g stirred into a litre of water to make a stock, by its label. */
  readonly byTheLitre?: number | undefined;
  /** Gives a stock its taste and is strained off: nobody eats it. */
  readonly strainedOff?: boolean | undefined;
  /** What it does as a thickener, when it is one. */
  readonly thickener?: ThickenerKind;
  /** Grams of water one gram takes up by the time it is tender. */
  readonly uptake?: number;
  /** Usual size of a piece, mm across, as it is put in. */
  readonly sizeMm?: number;
  readonly source: Source;
};
