import { readFile } from 'node:fs/promises';
import { join } from 'node:path';

const DOCS = join(process.cwd(), 'docs');

/** A word of the kitchen and what it means. */
export type HelpWord = { readonly word: string; readonly means: string };

/** Pictures a page of help may show, by name: those made of the demo for the documents. */
export const PICTURES = [
  'plan-scaled',
  'compare',
  'recipes',
  'kitchen',
  'stove',
  'check',
  'fix',
  'service',
  'keep',
  'log',
] as const;
export type Picture = (typeof PICTURES)[number];

const isPicture = (name: string): name is Picture => (PICTURES as readonly string[]).includes(name);

/** One of them; null where it is none, or was not made. */
export const readPicture = (name: string): Promise<Buffer | null> =>
  isPicture(name)
    ? readFile(join(DOCS, 'screenshots', `${name}.png`)).catch(() => null)
    : Promise.resolve(null);

/** Words of programs, which a cook does not meet. */
const OF_CODE = /`[^`]*`/g;

/** The words of the house with what they mean, by the list the program itself keeps, in its order. */
export async function readWords(): Promise<readonly HelpWord[]> {
  const text = await readFile(join(DOCS, 'glossary.md'), 'utf8').catch(() => '');
  return text.split('\n').flatMap((line) => {
    const [, word, means] = /^\|\s*\*\*([^*]+)\*\*\s*\|\s*([^|]+)\|/.exec(line) ?? [];
    return word && means
      ? [{ word, means: means.replace(OF_CODE, '').replaceAll('*', '').replace(/\s+/g, ' ').trim() }]
      : [];
  });
}
