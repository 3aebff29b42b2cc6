import type { ThickenerRow } from '../row';

/** Pulp of what was blended: it brings its equivalents with it. */
export const puree: ThickenerRow = {
  make: 'pulp',
  strength: 0,
  swells: 'already',
  boilLoss: 0,
  blenderLoss: 0,
  leastSimmer: 0,
};
