import type { ThickenerRow } from '../row';

/** Starch leached from dice: it brings its equivalents with it. */
export const potatoDice: ThickenerRow = {
  strength: 0,
  swells: 'already',
  boilLoss: 0,
  blenderLoss: 0,
  leastSimmer: 0,
};
