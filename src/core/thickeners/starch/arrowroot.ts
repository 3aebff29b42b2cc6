import type { ThickenerRow } from '../row';

/** Culinary-school table, from memory: weight of flour × 0.5. */
export const arrowroot: ThickenerRow = {
  strength: 1 / 0.5,
  swells: [65, 82],
  boilLoss: 0.35,
  blenderLoss: 0.4,
  leastSimmer: 0,
  keepsHot: 20,
  slimyWithMilk: true,
  weighed: {
    ingredient: 'arrowroot',
    reach: 5,
    ways: { slurry: 'arrowroot slurry' },
  },
  properties: {
    clarity: 'clear',
    gloss: 'high',
    holding: 'poor',
    freezing: 'good',
    acid: 'good',
    shear: 'poor',
    taste: 'clean, slimy with dairy',
  },
};
