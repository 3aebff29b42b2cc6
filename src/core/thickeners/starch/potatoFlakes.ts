import type { ThickenerRow } from '../row';

/** Cooked and dried: they swell where they are wet. Our assumption, spread 0.12. */
export const potatoFlakes: ThickenerRow = {
  strength: 1.1,
  swells: [40, 70],
  boilLoss: 0.1,
  blenderLoss: 0.2,
  leastSimmer: 1,
};
