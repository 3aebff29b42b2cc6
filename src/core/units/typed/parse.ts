import { message } from '../../message/message';
import { Told } from '../../message/told';
import { FILLINGS, type Quantity, UNITS, type Unit } from '../quantity';

const ALIASES: Record<string, Unit> = {
  gram: 'g',
  grams: 'g',
  gr: 'g',
  kilo: 'kg',
  kilos: 'kg',
  kilogram: 'kg',
  kilograms: 'kg',
  ounce: 'oz',
  ounces: 'oz',
  pound: 'lb',
  pounds: 'lb',
  lbs: 'lb',
  ml: 'mL',
  millilitre: 'mL',
  millilitres: 'mL',
  milliliter: 'mL',
  milliliters: 'mL',
  l: 'L',
  litre: 'L',
  litres: 'L',
  liter: 'L',
  liters: 'L',
  teaspoon: 'tsp',
  teaspoons: 'tsp',
  tsps: 'tsp',
  tablespoon: 'tbsp',
  tablespoons: 'tbsp',
  tbsps: 'tbsp',
  cups: 'cup',
  pints: 'pint',
  pt: 'pint',
  quarts: 'quart',
  qt: 'quart',
  qts: 'quart',
  gallon: 'gal',
  gallons: 'gal',
};

const GLYPHS: Record<string, number> = {
  '¼': 1 / 4,
  '½': 1 / 2,
  '¾': 3 / 4,
  '⅓': 1 / 3,
  '⅔': 2 / 3,
  '⅛': 1 / 8,
  '⅜': 3 / 8,
  '⅝': 5 / 8,
  '⅞': 7 / 8,
};

/** One and a half, or fifteen hundred: a comma before three figures is read as both. */
const EITHER = /^[1-9]\d{0,2}(,\d{3})+$/;

/**
 * Reads "2", "2.5", "2,5", "1/2", "1 1/2", "1½", "1 300", "1,300.5". Anything else is NaN; so is "1,300", which is two numbers to two
 * people.
 */
export function parseNumber(text: string): number {
  const t = text.trim();
  if (/^\d{1,3}( \d{3})+([.,]\d+)?$/.test(t)) return Number(t.replaceAll(' ', '').replace(',', '.'));
  if (EITHER.test(t)) return Number.NaN;
  if (/^[1-9]\d{0,2}(,\d{3})+\.\d+$/.test(t)) return Number(t.replaceAll(',', ''));
  const mixed = /^(?:(\d+)\s+)?(\d+)\/(\d+)$/.exec(t);
  if (mixed) return Number(mixed[1] ?? 0) + Number(mixed[2]) / Number(mixed[3]);
  const glyph = /^(\d*)\s*([¼½¾⅓⅔⅛⅜⅝⅞])$/.exec(t);
  if (glyph) return Number(glyph[1] || 0) + (GLYPHS[glyph[2] ?? ''] ?? Number.NaN);
  if (/^\d+([.,]\d+)?$/.test(t)) return Number(t.replace(',', '.'));
  return Number.NaN;
}

/** A number as typed, a leading minus too; the text itself when it is none, for a schema to name. */
export function typedNumber(text: string): number | string {
  const t = text.trim();
  const n = t.startsWith('-') ? -parseNumber(t.slice(1)) : parseNumber(t);
  return Number.isNaN(n) ? text : n;
}

const isUnit = (word: string): word is Unit => (UNITS as readonly string[]).includes(word);

/** Ten tonnes in grams: more is a slip of the finger. */
const MOST = 1e7;

/** A text that is no amount: what was given, and what an amount is. */
export class QuantityError extends Told {
  override readonly name = 'QuantityError';
}

/**
 * Reads a quantity as a cook types it: "250 g", "1 1/2 tbsp, scooped", "2 cups", "0,5 L".
 * Throws {@link QuantityError} naming what was given and what is allowed.
 */
export function parseQuantity(text: string): Quantity {
  const m =
    /^([\d.,/\s¼½¾⅓⅔⅛⅜⅝⅞]+)\s*((?:metric\s+)?(?:[Ff][Ll]\.?\s*[Oo][Zz]|[Ff]luid\s+[Oo]unces?|[A-Za-z]+))\s*(?:,?\s*(scooped|spooned|sifted))?$/.exec(
      text.trim(),
    );
  if (!m)
    throw new QuantityError(
      message('“{text}” is not an amount: write a number and a unit, e.g. 250 g or 1 1/2 tbsp', { text }),
    );
  const figure = (m[1] ?? '').trim();
  if (EITHER.test(figure))
    throw new QuantityError(
      message('“{text}” is {one} or {many}: write it without the comma', {
        text,
        one: figure.replace(',', '.'),
        many: figure.replaceAll(',', ''),
      }),
    );
  const value = parseNumber(figure);
  const word = (m[2] ?? '').replace(/\s+/g, ' ').replace(/^(fl\.? ?oz|fluid ounces?)$/i, 'fl oz');
  const lower = word.toLowerCase();
  const [metric, base] = lower.startsWith('metric ') ? ['metric ', lower.slice(7)] : ['', lower];
  const unit = `${metric}${isUnit(base) ? base : (ALIASES[base] ?? base)}`;
  if (!isUnit(unit))
    throw new QuantityError(
      message('“{word}” is not a unit Panache knows: use {units}', { word, units: { listed: [...UNITS] } }),
    );
  if (!(value > 0 && value < MOST))
    throw new QuantityError(message('“{text}” has no amount above zero that a kitchen could hold', { text }));
  const filled = FILLINGS.find((f) => f === m[3]);
  return { value, unit, ...(filled && { filled }) };
}
