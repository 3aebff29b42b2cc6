import type { Metadata } from 'next';
import { cookies } from 'next/headers';
import { isLanguage, type Language } from '../core/say/catalogue';
import { type Reader, type Words, wordsFor } from '../core/say/inWords';
import { METRIC, type Show } from '../core/units/show';

/** Where a station keeps the language it reads. */
const LANGUAGE = 'panache.language';

export async function languageHere(): Promise<Language> {
  const chosen = (await cookies()).get(LANGUAGE)?.value;
  return isLanguage(chosen) ? chosen : 'en';
}

/** How this station reads: in the kitchen’s units, and in its own language. */
export const readerHere = async (show: Show = METRIC): Promise<Reader> => ({
  ...show,
  language: await languageHere(),
});

export const wordsHere = async (show?: Show): Promise<Words> => wordsFor(await readerHere(show));

/** The title of a page, in the language of whoever opens it. */
export const titled = (title: string) => async (): Promise<Metadata> => ({
  title: (await wordsHere())(title),
});
