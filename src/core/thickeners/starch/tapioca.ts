import type { ThickenerRow } from '../row';

/** Culinary-school table, from memory: weight of flour × 0.4. */
export const tapioca: ThickenerRow = {
  strength: 1 / 0.4,
  swells: [60, 80],
  boilLoss: 0.4,
  blenderLoss: 0.5,
  leastSimmer: 1,
  keepsHot: 30,
  weighed: {
    ingredient: 'tapioca-starch',
    reach: 4,
    ways: { slurry: 'tapioca slurry' },
  },
  properties: {
    clarity: 'clear',
    gloss: 'high',
    holding: 'fair',
    freezing: 'good',
    acid: 'fair',
    shear: 'poor',
    taste: 'clean, a little stringy',
  },
};
