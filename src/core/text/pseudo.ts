import { type MessageFormatElement, parse, TYPE } from '@formatjs/icu-messageformat-parser';

const PLAIN = 'ABCDEFGHIJKLMNOPRSTUWYZabcdefghijklmnopqrstuvwxyz';
const ACCENTED = 'ÀƁÇĐÉƑĞĤÎĴĶĿṀÑÖṔŔŠŢÛŴÝŽàƀçđéƒğĥîĵķļṁñöṕɋŕšţûṽŵẋýž';

/** A third longer, as German or Finnish would be: every vowel of a longer text twice. */
const longer = (text: string): string => text.replace(/[aeiou]/g, (vowel) => vowel + vowel);

const accented = (text: string): string =>
  longer(text).replace(/[A-Za-z]/g, (letter) => ACCENTED[PLAIN.indexOf(letter)] ?? letter);

const within = (elements: readonly MessageFormatElement[]): MessageFormatElement[] =>
  elements.map((element) => {
    switch (element.type) {
      case TYPE.literal:
        return { ...element, value: accented(element.value) };
      case TYPE.tag:
        return { ...element, children: within(element.children) };
      case TYPE.plural:
      case TYPE.select:
        return {
          ...element,
          options: Object.fromEntries(
            Object.entries(element.options).map(([key, option]) => [
              key,
              { ...option, value: within(option.value) },
            ]),
          ),
        } as MessageFormatElement;
      default:
        return element;
    }
  });

/** A message in a language nobody speaks: what was not said through a message stands out in it, and so does what is cut off. */
export const pseudo = (text: string): MessageFormatElement[] => within(parse(text));
