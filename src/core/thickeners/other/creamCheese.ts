import type { ThickenerRow } from '../row';

/** Strength in mL of swollen protein a gram: thrice the casein’s own 4 mL in an acid gel. Published ranges, from memory. */
export const creamCheese: ThickenerRow = {
  make: 'protein',
  strength: 0.75,
  swells: [35, 60],
  boilLoss: 0,
  blenderLoss: 0,
  leastSimmer: 0,
};
