import { type Message, message } from './message';

/**
 * A word of the trade that is its own id (a band, a colour, an allergen, an ingredient's name), as a message.
 * Names a kitchen gave itself pass too, whatever they are made of.
 */
export const term = (word: string): Message =>
  /[{}<>'#]/.test(word) ? message('{name}', { name: word }) : message(word);
