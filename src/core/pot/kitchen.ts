import { type BandLimits, DEFAULT_LIMITS } from '../flow/bands';

/**
 * What the house's own numbers multiply; 1 is the model's prior. Each has a spread, the standard
 * deviation of its logarithm, which is how unsure the prior is.
 */
export const FACTORS = {
  flour: { spread: 0.12, words: 'flour strength' },
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
  puree: 1,
  leaching: 1,
  waterLoss: 1,
  burner: 1,
  juices: 1,
  softening: 1,
};

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
};

export const STANDARD_KITCHEN: Kitchen = {
  altitudeM: 0,
  airCelsius: 24,
  humidity: 0.5,
  bandLimits: DEFAULT_LIMITS,
  saltPercent: 0.9,
  factors: PRIOR,
};
