/** What a line of somebody's recipe was taken as. */
export type TakenAs = 'name' | 'yield' | 'ingredient' | 'method' | 'heading' | 'note';

/** A line as it stood, and what it was taken as: nothing that was sent in vanishes. */
export type SourceLine = { readonly text: string; readonly as: TakenAs };

/** Somebody's recipe as far as a soup needs it, whatever it came as. */
export type FoundRecipe = {
  readonly name: string;
  /** As it stood: "6 servings", "2 quarts"; empty where it says nothing. */
  readonly yieldText: string;
  /** A line for each ingredient, as it stood. */
  readonly ingredients: readonly string[];
  readonly instructions: readonly string[];
  /** The whole of it, line by line, where it came as text; empty where the file itself says what is what. */
  readonly source: readonly SourceLine[];
  /** The amounts of a scaled sheet, by what each column says: "for 10", "for 50". */
  readonly scales?: readonly { readonly label: string; readonly ingredients: readonly string[] }[];
};
