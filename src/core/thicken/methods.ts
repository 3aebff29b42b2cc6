import { type Message, message } from '../message/message';
import type { ThickenMethod } from '../thickeners/row';
import { COOK_OUT_MINUTES } from './granules';

/** Grams of cream for a gram of yolk in a liaison: one part yolk to three of cream. Common practice, no source. */
export const CREAM_FOR_YOLK = 3;

type MethodRule = {
  /** Grams of carrier for a gram of thickener. */
  readonly carrier: number;
  readonly carrierIs: string;
  /** Minutes at the simmer before it can be judged, and before it tastes of nothing. Common practice, no source. */
  readonly leastMinutes: number;
  readonly how: Message;
};

/** Common practice, no source. */
export const METHOD_RULES: { readonly [M in ThickenMethod]: MethodRule } = {
  slurry: {
    carrier: 1.5,
    carrierIs: 'water',
    leastMinutes: 2,
    how: message('stir into cold water, whisk into the simmering pot in a thin stream'),
  },
  'kneaded butter': {
    carrier: 1,
    carrierIs: 'butter',
    leastMinutes: 3,
    how: message('work flour and soft butter to a paste, whisk in small pieces'),
  },
  'cooked roux': {
    carrier: 1,
    carrierIs: 'butter',
    leastMinutes: COOK_OUT_MINUTES,
    how: message('whisk a ladle of soup into the cool roux, then the roux into the pot'),
  },
  'boiled cream': {
    carrier: 12,
    carrierIs: 'heavy-cream',
    leastMinutes: 2,
    how: message('boil the starch in the cream first, then stir the cream in, in several additions'),
  },
};
