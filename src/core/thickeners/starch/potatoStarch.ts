import type { ThickenerRow } from '../row';

/** Culinary-school table, from memory: weight of flour × 0.2. */
export const potatoStarch: ThickenerRow = {
  strength: 1 / 0.2,
  swells: [58, 75],
  boilLoss: 0.5,
  blenderLoss: 0.5,
  leastSimmer: 0,
  keepsHot: 30,
  weighed: {
    ingredient: 'potato-starch',
    reach: 3,
    ways: { slurry: 'potato-starch slurry' },
  },
  properties: {
    clarity: 'clear',
    gloss: 'high',
    holding: 'poor',
    freezing: 'poor',
    acid: 'poor',
    shear: 'poor',
    taste: 'clean',
  },
};
