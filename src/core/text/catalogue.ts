import type { MessageFormatElement } from '@formatjs/icu-messageformat-parser';
import { type Formatters, IntlMessageFormat } from 'intl-messageformat';
import { pseudo } from './pseudo';

/** English, in which messages are written, and English made longer and accented, by which a screen is tried. */
const LANGUAGES = ['en', 'en-XA'] as const;
export type Language = (typeof LANGUAGES)[number];
/** Whether a tag is one of ours. */
const isLanguage = (tag: unknown): tag is Language => LANGUAGES.some((l) => l === tag);

/** Where a station keeps the language it reads. */
export const LANGUAGE_COOKIE = 'panache.language';
/** The language a tag names; English where it names none of ours. */
export const languageIn = (tag: unknown): Language => (isLanguage(tag) ? tag : 'en');

/** Whose customs numbers and lists follow. */
export const LOCALE: Readonly<Record<Language, string>> = { en: 'en-GB', 'en-XA': 'en-GB' };

/** Messages of one language by what they are in English. */
type Catalogue = Readonly<Record<string, string>>;

/**
 * The one catalogue that is loaded beside English, which needs none: a process or a page that reads another
 * language provides it before it says anything.
 */
const provided = new Map<Language, Catalogue>();
export const provide = (language: Language, catalogue: Catalogue): void => {
  provided.set(language, catalogue);
};

/** What `make` gives for arguments it was given before is given again. */
function once<A extends readonly unknown[], T>(make: (...args: A) => T): (...args: A) => T {
  const made = new Map<string, T>();
  return (...args) => {
    const key = JSON.stringify(args);
    const known = made.get(key);
    if (known !== undefined) return known;
    const fresh = make(...args);
    made.set(key, fresh);
    return fresh;
  };
}

/** Formats of figures, made once for all messages: each of its own would take longer than what is said. */
const formatters: Formatters = {
  getNumberFormat: once((...args) => new Intl.NumberFormat(...args)),
  getDateTimeFormat: once((...args) => new Intl.DateTimeFormat(...args)),
  getPluralRules: once((...args) => new Intl.PluralRules(...args)),
};
// Ours are known everywhere: to ask which are costs a page tens of milliseconds before it says its first word.
IntlMessageFormat.resolveLocale = once((locales) => new Intl.Locale([locales].flat()[0] ?? 'en-GB'));

const formats = new Map<string, IntlMessageFormat>();

/** More than all messages there are: what goes beyond is text that should not have been made into a message. */
const MOST = 5000;

const wellSaid = (text: string, language: Language): string | MessageFormatElement[] =>
  language === 'en-XA' ? pseudo(text) : (provided.get(language)?.[text] ?? text);

/** The format of a message, read once. English stands in for what a catalogue does not have. */
export function formatOf(text: string, language: Language): IntlMessageFormat {
  const key = `${language}\u0000${text}`;
  const known = formats.get(key);
  if (known) return known;
  const format = new IntlMessageFormat(wellSaid(text, language), LOCALE[language], undefined, {
    formatters,
  });
  if (formats.size >= MOST) formats.clear();
  formats.set(key, format);
  return format;
}
