import type { Composition } from './composition';
import { COMPONENTS } from './composition';
import type { Allergen, Ingredient } from './ingredient';

/** What a house knows of its own product better than the catalogue: the label, or a measurement. */
export type Product = {
  /** The catalogue's ingredient it stands for. */
  readonly ingredient: string;
  /** What the house calls it. */
  readonly name?: string | undefined;
  /** The lot in use, as it stands on the sack. */
  readonly lot?: string | undefined;
  /** mg per 100 g. */
  readonly sodium?: number | undefined;
  /** % by weight. */
  readonly fatPercent?: number | undefined;
  readonly pH?: number | undefined;
  /** Edible share of what is bought, 0–1. */
  readonly edibleYield?: number | undefined;
  /** In the house's currency. */
  readonly pricePerKg?: number | undefined;
  /** g in the pack it is bought in. */
  readonly packG?: number | undefined;
  /** False of what is bought when it is wanted: known by its label and price, and not to hand. */
  readonly kept?: boolean | undefined;
  /** On its label besides the catalogue's. */
  readonly allergens?: readonly Allergen[] | undefined;
};

/** `c` with another share of fat; the rest keeps its proportions and still adds to 1. */
function withFat(c: Composition, fat: number): Composition {
  const rest = (1 - fat) / (1 - c.fat);
  const made = { ...c };
  for (const key of COMPONENTS) made[key] = key === 'fat' ? fat : c[key] * rest;
  return made;
}

/** The catalogue's ingredient as this house has it. */
export function asProduct(i: Ingredient, p: Product): Ingredient {
  return {
    ...i,
    name: p.name ?? i.name,
    sodium: p.sodium ?? i.sodium,
    pH: p.pH ?? i.pH,
    edibleYield: p.edibleYield ?? i.edibleYield,
    composition: p.fatPercent === undefined ? i.composition : withFat(i.composition, p.fatPercent / 100),
    allergens: p.allergens ? [...new Set([...i.allergens, ...p.allergens])] : i.allergens,
  };
}
