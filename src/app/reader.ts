import type { Metadata } from 'next';
import { cookies } from 'next/headers';
import { LANGUAGE_COOKIE, type Language, languageIn } from '../core/text/catalogue';
import { type Reader, type Words, wordsFor } from '../core/text/inWords';
import { METRIC, type Show } from '../core/units/shown/show';

export async function languageHere(): Promise<Language> {
  return languageIn((await cookies()).get(LANGUAGE_COOKIE)?.value);
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
