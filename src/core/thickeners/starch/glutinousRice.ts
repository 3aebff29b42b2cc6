import type { ThickenerRow } from '../row';

/**
 * Flour of waxy rice, nearly all amylopectin: it neither sets nor weeps when frozen (known of it since the 1950s,
 * from memory), and thins sooner than plain rice. Strength: our assumption, spread 0.12.
 */
export const glutinousRice: ThickenerRow = {
  strength: 1.5,
  swells: [62, 85],
  boilLoss: 0.15,
  blenderLoss: 0.35,
  leastSimmer: 2,
  weighed: {
    ingredient: 'glutinous-rice-flour',
    reach: 7,
    ways: { slurry: 'glutinous-rice slurry' },
  },
  properties: {
    clarity: 'half clear',
    gloss: 'some',
    holding: 'good',
    freezing: 'good',
    acid: 'fair',
    shear: 'fair',
    taste: 'clean, a little sweet',
  },
};
