import { loadCatalogue } from './catalogue';
import { DAIRY } from './data/dairy';
import { FATS } from './data/fats';
import { GARDEN } from './data/garden';
import { GRAINS } from './data/grains';
import { LIQUIDS } from './data/liquids';
import { PANTRY } from './data/pantry';
import { ROOTS } from './data/roots';
import { SEAFOOD } from './data/seafood';
import { SEASONINGS } from './data/seasonings';
import { STOCKPOT } from './data/stockpot';
import { THICKENERS } from './data/thickeners';
import { VEGETABLES } from './data/vegetables';

/** Importing this loads the catalogue's own data. */
loadCatalogue([
  ...LIQUIDS,
  ...THICKENERS,
  ...FATS,
  ...DAIRY,
  ...ROOTS,
  ...VEGETABLES,
  ...GRAINS,
  ...SEAFOOD,
  ...SEASONINGS,
  ...STOCKPOT,
  ...GARDEN,
  ...PANTRY,
]);
