import type { Allergen } from '../food/ingredient';

/** What the list of recipes says of one: how much it makes, where it lands as written, and what is in it. */
export type Landing = {
  readonly litres: number;
  readonly lands: string;
  readonly viscosity: number;
  readonly ingredients: readonly string[];
  readonly allergens: readonly Allergen[];
};

/** A recipe as the list shows it. */
export type Listed = {
  readonly id: string;
  readonly name: string;
  readonly school: string;
  /** Where it should land. */
  readonly band: string;
  /** Where it does in its own pot, for how much, and what is in it; null while that is worked out, “too much” where it takes too long. */
  readonly landing: Landing | 'too much' | null;
  readonly version: number;
  readonly madeAt: string;
  readonly archived: boolean;
  /** When a batch of it was last begun; null where none ever was. */
  readonly cookedAt: string | null;
};

export type RecipeList = {
  readonly recipes: readonly Listed[];
  /** How many more there are than these. */
  readonly more: number;
};

/** What the id of a soup to try begins with. */
export const SAMPLE = 'sample-';

/** Whether a recipe came with the house, to be tried. */
export const isSample = (id: string): boolean => id.startsWith(SAMPLE);
