import type { ThickenerRow } from '../row';

/** Sets rather than swells: scrambles where it gets too hot (`yolkLimit`). Our assumption, spread 0.12. */
export const yolk: ThickenerRow = {
  strength: 0.3,
  swells: [65, 82],
  boilLoss: 0,
  blenderLoss: 0,
  leastSimmer: 0,
  properties: {
    clarity: 'opaque',
    gloss: 'high',
    holding: 'poor',
    freezing: 'poor',
    acid: 'fair',
    shear: 'good',
    taste: 'rich, of egg',
  },
};
