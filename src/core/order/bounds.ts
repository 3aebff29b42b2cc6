import { LADDER_RANGE } from '../flow/bands';

/**
 * What an order may ask for, and what it asks for where it does not say: the address, the server, the command line
 * and the sentence all keep to these.
 */
export const ORDER_BOUNDS = {
  /** L on the pass. */
  litres: [0.2, 500],
  /** mPa·s in the bowl. */
  target: LADDER_RANGE,
  /** Part of the thickening another way does. */
  share: [0.05, 1],
  /** g of butter. */
  moreFat: [0, 20_000],
  /** min. */
  moreSimmer: [0, 240],
  /** °C. */
  liquidAt: [1, 98],
  /** % of fat. */
  rich: [0, 30],
  /** mL a litre. */
  finishMl: [0, 800],
  /** mL. */
  ladleMl: [20, 2000],
  /** Part of itself. */
  wineTo: [0.1, 1],
  /** mL a litre. */
  stockMl: [10, 1500],
} as const;

/** L where nobody said how much. */
export const USUAL_LITRES = 12;
/** On the pass, where nobody said when. */
export const USUAL_TIME = '18:30';
