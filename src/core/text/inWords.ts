import { isMessage, type Message, type Value, type Values } from '../message/message';
import { capital, uncapital } from '../units/shown/format';
import {
  askedVolume,
  degrees,
  degreesApart,
  degreesFrom,
  exactDegrees,
  heavyWords,
  jugWords,
  METRIC,
  massWords,
  type Show,
  volumeWords,
} from '../units/shown/show';
import { formatOf, type Language, LOCALE } from './catalogue';

/** How someone reads: the kitchen's units, and the language. */
export type Reader = Show & { readonly language?: Language };

type Joining = 'conjunction' | 'disjunction';

/** English as `Intl.ListFormat` has it, without what a browser reads and builds for its first: 23 ms, and a tablet has four times that. */
function inEnglishList(said: readonly string[], type: Joining): string {
  const last = said.at(-1) ?? '';
  if (said.length < 2) return last;
  return `${said.slice(0, -1).join(', ')} ${type === 'conjunction' ? 'and' : 'or'} ${last}`;
}

const listed = (values: readonly Value[], type: Joining, reader: Reader): string => {
  const said = values.map((v) => String(valueIn(v, reader)));
  const language = languageOf(reader);
  return language === 'en'
    ? inEnglishList(said, type)
    : new Intl.ListFormat(LOCALE[language], { type }).format(said);
};

const languageOf = (reader: Reader): Language => reader.language ?? 'en';

function valueIn(value: Value, reader: Reader): string | number {
  if (typeof value !== 'object') return value;
  if (isMessage(value)) return inWords(value, reader);
  if ('toCelsius' in value) return degreesFrom(value.celsius, value.toCelsius, reader);
  if ('celsius' in value) return (value.exact ? exactDegrees : degrees)(value.celsius, reader);
  if ('ml' in value) return volumeWords(value.ml, reader);
  if ('millilitres' in value) return jugWords(value.millilitres, reader, value.marked);
  if ('g' in value) return massWords(value.g, reader);
  if ('kg' in value) return heavyWords(value.kg, reader);
  if ('kelvin' in value) return degreesApart(value.kelvin, reader);
  if ('litres' in value) return askedVolume(value.litres, reader);
  if ('and' in value) return listed(value.and, 'conjunction', reader);
  if ('or' in value) return listed(value.or, 'disjunction', reader);
  if ('all' in value) return value.all.map((v) => valueIn(v, reader)).join('; ');
  if ('listed' in value) return value.listed.map((v) => valueIn(v, reader)).join(', ');
  if ('loud' in value) return inWords(value.loud, reader).toLocaleUpperCase(LOCALE[languageOf(reader)]);
  if ('within' in value) return uncapital(String(valueIn(value.within, reader)));
  return capital(String(valueIn(value.opening, reader)));
}

/** Whether a text has anything to fill in, choose or set apart. */
const PLAIN = /^[^{}<'#]*$/;

/** What stands in a message's braces, as `reader` reads it. */
export const valuesIn = (values: Values, reader: Reader): Record<string, string | number> =>
  Object.fromEntries(Object.entries(values).map(([name, value]) => [name, valueIn(value, reader)]));

const FIGURES = [
  'text',
  'celsius',
  'ml',
  'millilitres',
  'g',
  'kelvin',
  'kg',
  'litres',
  'and',
  'or',
  'all',
  'listed',
  'loud',
  'within',
  'opening',
];

/** Whether a value is ours to put into words, and not a thing drawn. */
export const isFigure = (value: unknown): value is Exclude<Value, string | number> =>
  typeof value === 'object' && value !== null && FIGURES.some((name) => name in value);

/** A message as `reader` reads it. Throws where a value it speaks of is not given. */
export function inWords({ text, values = {} }: Message, reader: Reader): string {
  const language = languageOf(reader);
  if (language === 'en' && PLAIN.test(text)) return text;
  return String(formatOf(text, language).format(valuesIn(values, reader)));
}

/** Says messages, or texts, as somebody reads them; `values` fill what a message of a table leaves open. */
export type Words = (said: Message | string, values?: Values) => string;

export const wordsFor =
  (reader: Reader): Words =>
  (said, values) =>
    inWords(
      typeof said === 'string'
        ? { text: said, ...(values && { values }) }
        : values
          ? { text: said.text, values: { ...said.values, ...values } }
          : said,
      reader,
    );

/** In English and metric units, for records, exports and programs. */
export const inEnglish: Words = wordsFor(METRIC);
