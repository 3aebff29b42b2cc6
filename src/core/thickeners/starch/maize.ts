import type { ThickenerRow } from '../row';

/** Culinary-school table, from memory: weight of flour × 0.5. */
export const maize: ThickenerRow = {
  strength: 1 / 0.5,
  swells: [62, 93],
  boilLoss: 0.1,
  blenderLoss: 0.3,
  leastSimmer: 1,
  weighed: {
    ingredient: 'cornstarch',
    reach: 1,
    ways: { slurry: 'cornstarch slurry', 'boiled cream': 'cornstarch boiled in cream' },
  },
  properties: {
    clarity: 'half clear',
    gloss: 'some',
    holding: 'fair',
    freezing: 'poor',
    acid: 'fair',
    shear: 'fair',
    taste: 'clean after a minute’s boil',
  },
};
