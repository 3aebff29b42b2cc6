import { ingredient } from '../../food/catalogue';
import { type Figure, type Message, message } from '../../message/message';
import { term } from '../../message/term';
import { lotOf } from '../contents/lots';
import type { Portion } from '../step';

export const LID = { on: message('lid on'), ajar: message('lid ajar'), off: message('lid off') } as const;

/** The name without its grade, for a title: "butter, unsalted" → "butter". */
export const shortName = (id: string): Figure => ({
  within: term(ingredient(id).name.split(',')[0] ?? id),
});

export const listed = (items: readonly Portion[]): Figure => ({
  and: items.map((i) => shortName(i.ingredient)),
});

const GOES = [
  message('{what}'),
  message('first {what}'),
  message('second {what}'),
  message('third {what}'),
  message('fourth {what}'),
  message('{what}, go {lot}'),
];
const LATER = GOES.length - 1;

/** What is lifted out, and which go of it: "the second leek". */
export function piecesWords(name: string): Message {
  const { ingredient: id, lot } = lotOf(name);
  const text = GOES[Math.min(lot ?? 0, LATER)]?.text ?? '';
  return { text, values: { what: shortName(id), lot: lot ?? 0 } };
}

export const flameWords = (flame: number): Message =>
  flame > 0.9
    ? message('full flame')
    : flame > 0.65
      ? message('three-quarter flame')
      : flame > 0.4
        ? message('half flame')
        : message('low flame');

export const besides = ({ offHeat }: { readonly offHeat?: boolean | undefined }): readonly Message[] =>
  offHeat ? [message('take the pot off the heat first')] : [];
