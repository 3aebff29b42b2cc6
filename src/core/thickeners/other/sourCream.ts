import type { ThickenerRow } from '../row';

/** Strength in mL of swollen protein a gram: thrice the casein’s own 4 mL in an acid gel. Published ranges, from memory. */
export const sourCream: ThickenerRow = {
  make: 'protein',
  strength: 0.35,
  swells: 'already',
  boilLoss: 0.1,
  blenderLoss: 0,
  leastSimmer: 0,
};
