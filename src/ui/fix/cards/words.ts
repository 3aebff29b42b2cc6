import { ingredient } from '../../../core/food/catalogue';
import { type Message, message } from '../../../core/message/message';
import { term } from '../../../core/message/term';

/** An ingredient in the middle of a sentence, without its grade. */
export const itemWords = (id: string): Message =>
  message('{what}', { what: { within: term(ingredient(id).name.split(',')[0] ?? id) } });
