import type { ThickenerRow } from '../row';

/** Culinary-school table, from memory: weight of flour × 0.6. */
export const riceFlour: ThickenerRow = {
  strength: 1 / 0.6,
  swells: [68, 93],
  boilLoss: 0.05,
  blenderLoss: 0.15,
  leastSimmer: 2,
  weighed: {
    ingredient: 'rice-flour',
    reach: 6,
    ways: { slurry: 'rice-flour slurry' },
  },
  properties: {
    clarity: 'opaque',
    gloss: 'none',
    holding: 'good',
    freezing: 'good',
    acid: 'good',
    shear: 'good',
    taste: 'clean, a little grainy if short',
  },
};
