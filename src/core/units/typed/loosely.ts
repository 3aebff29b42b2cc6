import { message } from '../../message/message';
import type { Quantity } from '../quantity';
import { parseNumber, parseQuantity, QuantityError } from './parse';

/**
 * An amount as people write it: measured, or so many of something; `off` is the standard deviation of its
 * logarithm that the words leave open.
 */
export type Loosely<W extends string, S extends string> =
  | { readonly kind: 'fixed'; readonly quantity: Quantity; readonly off?: number }
  | {
      readonly kind: 'counted';
      readonly n: number;
      readonly of: W;
      readonly size?: S;
      readonly off?: number;
    };

const NUMBER = String.raw`[\d¼½¾⅓⅔⅛⅜⅝⅞](?:[\d.,/\s¼½¾⅓⅔⅛⅜⅝⅞]*[\d¼½¾⅓⅔⅛⅜⅝⅞])?`;
const VESSELS = '(?:can|tin|jar|carton|packet|pack|bottle|box|bag)s?';

const RANGE = new RegExp(`^(${NUMBER})\\s*(?:-|–|—|to)\\s*(${NUMBER})\\s*(\\D.*)$`, 'i');
const PACKED = new RegExp(
  `^(${NUMBER})\\s*(?:x|×|${VESSELS})\\s*(?:of\\s*)?\\(?\\s*(${NUMBER})\\s*([a-z][a-z .]*?)\\s*\\)?\\s*(?:${VESSELS})?$`,
  'i',
);

/** More of anything than this is a slip of the finger. */
const MOST = 10_000;

/** "Leaves" → "leaf", "bunches" → "bunch", "sticks" → "stick": the word of a measure for one of it. */
export const singular = (word: string): string =>
  word
    .toLowerCase()
    .replace(/leaves$/, 'leaf')
    .replace(/(ch|sh)es$/, '$1')
    .replace(/s$/, '');

/**
 * Reads what {@link parseQuantity} does, and besides: ranges ("1/4–1/3 cup": the middle, evenly likely anywhere
 * between), packs of a stated size ("2 x 400 g", "1 can (12 fl oz)"), and counts by `words` and `sizes` ("3 large",
 * "10 ears", "a pinch"). Throws {@link QuantityError} naming what was given and what is allowed.
 */
export function parseLoosely<W extends string, S extends string>(
  text: string,
  words: readonly W[],
  sizes: readonly S[],
): Loosely<W, S> {
  const t = text.trim().replace(/^an?\s+/i, '1 ');
  const range = RANGE.exec(t);
  if (range) {
    const [low, high] = [parseNumber(range[1] ?? ''), parseNumber(range[2] ?? '')];
    if (!(low > 0 && high > low))
      throw new QuantityError(
        message('“{text}” is not a range: write the smaller first, e.g. 3–4 tbsp', { text }),
      );
    const inner = parseLoosely(`${Number(((low + high) / 2).toPrecision(9))} ${range[3]}`, words, sizes);
    // A uniform law between the two: half of its width over √3.
    const off = (high - low) / (high + low) / Math.sqrt(3);
    return { ...inner, off: Math.hypot(off, inner.off ?? 0) };
  }
  const packed = PACKED.exec(t);
  if (packed) {
    const one = parseQuantity(`${packed[2]} ${packed[3]}`);
    return { kind: 'fixed', quantity: { ...one, value: one.value * parseNumber(packed[1] ?? '') } };
  }
  const many = new RegExp(`^(${NUMBER})\\s*([a-z]*)\\s*([a-z]*)$`, 'i').exec(t);
  const said = many ? [many[2] ?? '', many[3] ?? ''].map(singular).filter(Boolean) : [];
  const size = sizes.find((s) => s === said[0]);
  const rest = size === undefined ? said : said.slice(1);
  const of = rest.length === 0 && size !== undefined ? words[0] : words.find((w) => w === rest[0]);
  if (many && of !== undefined && rest.length < 2) {
    const n = parseNumber(many[1] ?? '');
    if (!(n > 0 && n < MOST))
      throw new QuantityError(
        message('“{text}” has no count above zero that a kitchen could hold', { text }),
      );
    return { kind: 'counted', n, of, ...(size !== undefined && { size }) };
  }
  return { kind: 'fixed', quantity: parseQuantity(text) };
}
