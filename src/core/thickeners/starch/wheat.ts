import type { ThickenerRow } from '../row';

/** What all others are measured by. */
export const wheat: ThickenerRow = {
  strength: 1,
  swells: [58, 93],
  boilLoss: 0.05,
  blenderLoss: 0.1,
  leastSimmer: 1,
  weighed: {
    ingredient: 'plain-flour',
    reach: 8,
    ways: { 'cooked roux': 'cooked roux', 'kneaded butter': 'kneaded butter', slurry: 'flour slurry' },
  },
  properties: {
    clarity: 'opaque',
    gloss: 'some',
    holding: 'good',
    freezing: 'poor',
    acid: 'fair',
    shear: 'good',
    taste: 'of flour until simmered 10 min, then round',
  },
};
