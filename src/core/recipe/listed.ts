/** What the list of recipes says of one: how much it makes, where it lands as written, and what is in it. */
export type Landing = {
  readonly litres: number;
  readonly lands: string;
  readonly viscosity: number;
  readonly ingredients: readonly string[];
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
};

export type RecipeList = {
  readonly recipes: readonly Listed[];
  /** How many more there are than these. */
  readonly more: number;
};
