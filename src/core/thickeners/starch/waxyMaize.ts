import type { ThickenerRow } from '../row';

/** Cross-linked or not, it is a cook’s clear starch. Our assumption, spread 0.12. */
export const waxyMaize: ThickenerRow = {
  strength: 2.2,
  swells: [63, 80],
  boilLoss: 0.35,
  blenderLoss: 0.5,
  leastSimmer: 1,
  weighed: {
    ingredient: 'waxy-maize-starch',
    reach: 2,
    ways: { slurry: 'waxy-maize slurry' },
  },
  properties: {
    clarity: 'clear',
    gloss: 'high',
    holding: 'fair',
    freezing: 'good',
    acid: 'fair',
    shear: 'poor',
    taste: 'clean',
  },
};
