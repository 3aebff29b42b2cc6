import { type BandLimits, DEFAULT_LIMITS } from '../flow/bands';
import { ingredient } from '../food/catalogue';
import type { Allergen, Ingredient } from '../food/ingredient';
import { asProduct, type Product } from '../food/product';
import type { Burner } from '../heat/burner';
import type { Vessel } from '../heat/vessel';
import type { Lid } from '../heat/waterLoss';
import { same } from '../maths/same';
import type { RuleSet } from '../safety/rules';

/**
 * What the house's own numbers multiply; 1 is the model's prior. Each has a spread, the standard
 * deviation of its logarithm, which is how unsure the prior is.
 */
export const FACTORS = {
  flour: { spread: 0.12, words: 'flour strength' },
  measuring: { spread: 0.01, words: 'how the thickener is measured' },
  puree: { spread: 0.25, words: 'how much the purée thickens' },
  leaching: { spread: 0.3, words: 'starch that leaves the potato' },
  waterLoss: { spread: 0.25, words: 'water lost from the pot' },
  burner: { spread: 0.1, words: 'burner power' },
  juices: { spread: 0.3, words: 'juice from the vegetables' },
  softening: { spread: 0.2, words: 'how fast the dice soften' },
} as const;
export type Factor = keyof typeof FACTORS;
export type Factors = { readonly [F in Factor]: number };

export const PRIOR: Factors = {
  flour: 1,
  measuring: 1,
  puree: 1,
  leaching: 1,
  waterLoss: 1,
  burner: 1,
  juices: 1,
  softening: 1,
};

/** What the house knows of one thing: how it stands to the model’s, how sure that is (spread of its logarithm), from how many readings. */
export type OwnNumber = { readonly by: number; readonly spread: number; readonly readings: number };

/** The house's own numbers, by factor and by what each is of: an ingredient's id, a pot with its lid, a burner. */
export type OwnNumbers = {
  readonly [F in Factor | 'soup']?: Readonly<Record<string, OwnNumber>> | undefined;
};

/** How otherwise one soup comes out in a kitchen, for whatever reason: spread of its dose’s logarithm, nothing read. Our assumption. */
export const SOUP_SPREAD = 0.089;

/** Spread of the logarithm of the dose between two batches of one soup in one kitchen, cooked alike. Our assumption. */
export const BATCH_SPREAD = 0.045;

const soups = new WeakMap<OwnNumbers, Map<string, Kitchen>>();

/** The kitchen as it cooks the recipe `id`: with what it has learned of that soup. */
export function forSoup(id: string, kitchen: Kitchen): Kitchen {
  const known = kitchen.own?.soup?.[id];
  if (!kitchen.own || !known || kitchen.soup === known) return kitchen;
  const made = soups.get(kitchen.own) ?? new Map<string, Kitchen>();
  soups.set(kitchen.own, made);
  const before = made.get(id);
  if (before && same({ ...before, soup: undefined }, { ...kitchen, soup: undefined })) return before;
  const own = { ...kitchen, soup: known };
  made.set(id, own);
  return own;
}

/** What all that thickens is worth in this soup, against the model. */
export const soupIn = ({ soup }: Pick<Kitchen, 'soup'>): number => soup?.by ?? 1;

/** How unsure a soup is beyond its factors: what the kitchen knows of it, and what differs from batch to batch. */
export const soupSpread = ({ soup }: Pick<Kitchen, 'soup'>): number =>
  Math.hypot(BATCH_SPREAD, soup?.spread ?? SOUP_SPREAD);

/** A pot under a lid, as its water loss is known by. */
export const potUnderLid = (vesselId: string, lid: string): string => `${vesselId} ${lid}`;

/** What `factor` multiplies in this kitchen, of one thing: the factor, and the thing's own number where the house has one. */
export const factorIn = (
  { factors, own }: Pick<Kitchen, 'factors' | 'own'>,
  factor: Factor,
  of: string,
): number => factors[factor] * (own?.[factor]?.[of]?.by ?? 1);

/** Spreads once the house has measured: a spoonful instead of the scale, a pot or burner that had its water test. */
export const MEASURED = { spoons: 0.08, waterLoss: 0.08, burner: 0.03 } as const;

/** How unsure `factor` is where the pot stands: standard deviation of its logarithm. */
export function spreadOf(
  factor: Factor,
  { vessel, burner, kitchen }: { vessel: Vessel; burner: Burner; kitchen: Kitchen },
): number {
  if (factor === 'measuring' && kitchen.measures === 'spoons') return MEASURED.spoons;
  if (factor === 'waterLoss' && vessel.lossFactor !== undefined) return MEASURED.waterLoss;
  if (factor === 'burner' && burner.intoPotW !== undefined) return MEASURED.burner;
  return FACTORS[factor].spread;
}

/** What a pot loses under a lid against the model's, by its water test and by what the house has learned of it. */
export const lossOf = ({ id, lossFactor = 1 }: Vessel, lid: Lid, kitchen: Kitchen): number =>
  (kitchen.own ? factorIn(kitchen, 'waterLoss', potUnderLid(id, lid)) : kitchen.factors.waterLoss) *
  lossFactor;

/** The room a pot stands in, as far as the computation needs it. */
export type Kitchen = {
  readonly altitudeM: number;
  readonly airCelsius: number;
  /** Relative, 0–1. */
  readonly humidity: number;
  readonly bandLimits: BandLimits;
  /** Salt wanted in the finished soup, % by weight. */
  readonly saltPercent: number;
  readonly factors: Factors;
  /** What it has learned of its own things; the model's figures where it has not. */
  readonly own?: OwnNumbers | undefined;
  /** What it has learned of the soup that is cooked. */
  readonly soup?: OwnNumber | undefined;
  /** How dry thickeners are measured; on the scale unless said. */
  readonly measures?: 'scale' | 'spoons' | undefined;
  /** The house's own products, by the catalogue's id. */
  readonly products?: Readonly<Record<string, Product>> | undefined;
  /** Times and temperatures it works by; the FDA’s where it has not said. */
  readonly rules?: RuleSet | undefined;
  /** What else stands there: side pans are picked from it; usual ones where it has not said. */
  readonly stands?:
    | { readonly vessels: readonly Vessel[]; readonly burners: readonly Burner[]; readonly trays: number }
    | undefined;
  /** Named first and large wherever a soup holds them. */
  readonly flagged?: readonly Allergen[] | undefined;
};

const made = new WeakMap<Readonly<Record<string, Product>>, Map<string, Ingredient>>();

/** The ingredient as this kitchen has it: its own product where it has one. Throws for an unknown id. */
export function foodIn({ products }: Pick<Kitchen, 'products'>, id: string): Ingredient {
  const own = products?.[id];
  if (!products || !own) return ingredient(id);
  let known = made.get(products);
  if (!known) {
    known = new Map();
    made.set(products, known);
  }
  let food = known.get(id);
  if (!food) {
    food = asProduct(ingredient(id), own);
    known.set(id, food);
  }
  return food;
}

export const STANDARD_KITCHEN: Kitchen = {
  altitudeM: 0,
  airCelsius: 24,
  humidity: 0.5,
  bandLimits: DEFAULT_LIMITS,
  saltPercent: 0.9,
  factors: PRIOR,
};
