/** How a thickener behaves in words a cook chooses by. Common practice, no source, unless said. */
export type Properties = {
  readonly clarity: 'clear' | 'half clear' | 'opaque';
  readonly gloss: 'high' | 'some' | 'none';
  /** Kept hot for an hour or two. */
  readonly holding: 'good' | 'fair' | 'poor';
  readonly freezing: 'good' | 'fair' | 'poor';
  /** Against acid under pH 4.5. */
  readonly acid: 'good' | 'fair' | 'poor';
  /** Against a blender after it has thickened. */
  readonly shear: 'good' | 'fair' | 'poor';
  readonly taste: string;
};

/**
 * What thickens a soup is of three makes, each with a law of its own (see `thicken/mixture`): swollen granules, pulp
 * (soft cells and their walls), casein of melted dairy.
 */
export type Make = 'granules' | 'pulp' | 'protein';

/** How a dry thickener goes into a pot that already holds its liquid. */
export const THICKEN_METHODS = ['slurry', 'kneaded butter', 'cooked roux', 'boiled cream'] as const;
export type ThickenMethod = (typeof THICKEN_METHODS)[number];

/** All the program knows of one kind of thickener. The figures stand in docs/model.md as well, and are held to it by a check. */
export type ThickenerRow = {
  /** Granules where it is not said. */
  readonly make?: Make;
  /** Flour equivalents per gram, from 0; of melted dairy mL of swollen protein. Our assumption, spread 0.12, where no source is named. */
  readonly strength: number;
  /** °C from which granules swell (yolk sets, cheese melts), and where they have fully. Our assumption within published ranges. */
  readonly swells: readonly [onset: number, full: number] | 'already';
  /** Share of strength lost in 20 minutes' boiling, 0–1. Our assumption. */
  readonly boilLoss: number;
  /** Share of strength lost to one pass of a blender after thickening, 0–1. Our assumption. */
  readonly blenderLoss: number;
  /** Minutes at the simmer before it has done its work. Common practice, no source. */
  readonly leastSimmer: number;
  /** Minutes after which it thins, kept hot on the pass; longer than soup is kept where absent. Common practice, no source. */
  readonly keepsHot?: number;
  /** Slimy with milk or cream. Common practice, no source. */
  readonly slimyWithMilk?: true;
  /**
   * Of what a cook weighs out in place of another: its food, and the ways it goes in, each with its name, as a
   * cook would think of them.
   */
  readonly weighed?: {
    readonly ingredient: string;
    /** Its turn when a cook reaches for a slurry, the first 1. Common practice, no source. */
    readonly reach: number;
    readonly ways: { readonly [M in ThickenMethod]?: string };
  };
  /** Absent of what nobody chooses by them. */
  readonly properties?: Properties;
};
