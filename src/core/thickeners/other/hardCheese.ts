import type { ThickenerRow } from '../row';

/** Strength in mL of swollen protein a gram: casein takes about 4 mL a gram in a melted cheese. Published range, from memory. */
export const hardCheese: ThickenerRow = {
  make: 'protein',
  strength: 1.1,
  swells: [45, 65],
  boilLoss: 0.1,
  blenderLoss: 0,
  leastSimmer: 0,
};
