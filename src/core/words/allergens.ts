import { message } from '../message/message';

/** What no list of ingredients can say: stands by each that is shown. */
export const BY_THE_LIST = message(
  'By what the kitchen’s list says of each ingredient. A label may say more, and traces are on none of these lists: ask before anybody with an allergy eats. Local codes and licensed practice decide.',
);
