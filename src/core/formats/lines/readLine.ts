import { ingredient } from '../../food/catalogue';
import { LOOSE_G, PIECE_G } from '../../food/pieces';
import { kitchenNumber } from '../../units/measure';
import { parseNumber, parseQuantity } from '../../units/parse';
import { gramsIn, isMass, MASS_UNITS, millilitresIn, VOLUME_UNITS } from '../../units/quantity';
import { roundToScale } from '../../units/round';
import { type Match, matches } from './match';

/** An ingredient line of someone else's recipe, as far as it could be read. */
export type ReadLine = {
  /** As it stood. */
  readonly text: string;
  /** As our recipes write it: "2 cups", "340 g"; null when no amount was found. */
  readonly amount: string | null;
  /** The likeliest ingredient; null when nothing is near. */
  readonly ingredient: string | null;
  readonly candidates: readonly Match[];
  /** How it is cut or kept, in the line's own words. */
  readonly prep: string;
  /** Why somebody has to look at it; empty when it was read with certainty. */
  readonly doubts: readonly string[];
};

/** Under this a match is a guess to be looked at. */
const CERTAIN = 0.9;

const NUMBER = String.raw`(?:\d+\s+\d+\/\d+|\d+\/\d+|\d*[.,]?\d+\s*[¼½¾⅓⅔⅛⅜⅝⅞]?|[¼½¾⅓⅔⅛⅜⅝⅞])`;
const UNITS = String.raw`(?:kilograms?|kilos?|kgs?|grams?|gr|g|ounces?|oz|pounds?|lbs?|millilit(?:re|er)s?|ml|centilit(?:re|er)s?|cl|decilit(?:re|er)s?|dl|lit(?:re|er)s?|l|teaspoons?|tsps?|tablespoons?|tbsps?|tbs|dessertspoons?|fluid ounces?|fl\.? ?oz|cups?|pints?|pts?|quarts?|qts?|gallons?|gal)`;
const LOOSE = `(?:pinch(?:es)?|dash(?:es)?|knobs?|handfuls?|sprigs?|bunch(?:es)?|cloves?|sticks?|stalks?|ribs?|rashers?|slices?|ears?|heads?|leaf|leaves)`;
const CONTAINER = `(?:cans?|tins?|jars?|cartons?|packets?|packs?|packages?|bottles?|boxes|box|bags?)`;

/** Units our amounts do not have, in those they do. */
const FOREIGN: Readonly<Record<string, readonly [number, string]>> = {
  cl: [10, 'mL'],
  centilitre: [10, 'mL'],
  centiliter: [10, 'mL'],
  dl: [100, 'mL'],
  decilitre: [100, 'mL'],
  deciliter: [100, 'mL'],
  dessertspoon: [10, 'mL'],
  // 1 US fl oz = 1/128 US gal.
  floz: [29.5735295625, 'mL'],
  fluidounce: [29.5735295625, 'mL'],
  tbs: [1, 'tbsp'],
};

/** Throws a RangeError for what is no amount, such as the 1/0 of a slip. */
function tidy(value: number): string {
  if (!(value > 0 && Number.isFinite(value))) throw new RangeError('not an amount');
  return String(Number(value.toPrecision(5)));
}

function ours(value: number, unit: string): string {
  const bare = unit.toLowerCase().replace(/[. ]/g, '');
  const foreign = FOREIGN[bare] ?? FOREIGN[bare.replace(/s$/, '')];
  if (foreign) return `${tidy(value * foreign[0])} ${foreign[1]}`;
  const { unit: known } = parseQuantity(`${tidy(value)} ${bare}`);
  const fraction = /^(cup|tbsp|tsp|pint|quart|gal)$/.test(known) ? kitchenNumber(value) : tidy(value);
  // A kitchen fraction only where it says the same.
  return `${Math.abs(parseNumber(fraction) - value) < 1e-3 ? fraction : tidy(value)} ${known}`;
}

type Amounted = { readonly amount: string | null; readonly rest: string; readonly doubts: readonly string[] };

const COUNT_WORDS: Readonly<Record<string, string>> = {
  half: '1/2',
  one: '1',
  two: '2',
  three: '3',
  four: '4',
  five: '5',
  six: '6',
  eight: '8',
  ten: '10',
  twelve: '12',
};
const COUNT_WORD = /^(?:half|one|two|three|four|five|six|eight|ten|twelve)\b/i;

const clean = (text: string): string =>
  text
    .replace(/<[^>]*>/g, ' ')
    .replace(/&nbsp;| /g, ' ')
    .replace(/&amp;/g, '&')
    .replace(/⁄/g, '/')
    .replace(/[–—−]/g, '-')
    .replace(/^[\s•*·▢-]+/, '')
    .replace(/\s+/g, ' ')
    .trim()
    .replace(COUNT_WORD, (word) => String(COUNT_WORDS[word.toLowerCase()] ?? word));

const re = (source: string): RegExp => new RegExp(`^${source}`, 'i');

/** "1 (14 oz) can", "2 x 400 g tins": so many of a stated size. */
const PACKS = re(
  String.raw`(${NUMBER})\s*(?:x|×)?\s*\(?\s*(${NUMBER})[\s-]*(${UNITS})\b\.?\s*\)?\s*${CONTAINER}?\b\s*(?:of\s+)?(.*)$`,
);
const RANGE = re(String.raw`(${NUMBER})\s*(?:-|to|or)\s*(${NUMBER})\s*(${UNITS})\b\.?\s*(?:of\s+)?(.*)$`);
const RANGE_OF = re(String.raw`(${NUMBER})\s*(?:-|to|or)\s*(${NUMBER})\s+(.*)$`);
const PLAIN = re(
  String.raw`(${NUMBER})\s*(${UNITS})\b\.?\s*(?:\/\s*${NUMBER}\s*${UNITS}\b\.?\s*)?(?:of\s+)?(.*)$`,
);
const BOTH = re(
  String.raw`(${NUMBER})\s*(${UNITS})\b\.?\s*(?:plus|\+|and)\s*(${NUMBER})\s*(${UNITS})\b\.?\s*(?:of\s+)?(.*)$`,
);
const LOOSELY = re(
  String.raw`(?:(${NUMBER})|an?)?\s*(?:small|large|good|big|generous)?\s*(${LOOSE})\b\s*(?:of\s+)?(.*)$`,
);
const COUNT = re(String.raw`(${NUMBER})\s+(.*)$`);
const INSIDE = new RegExp(
  String.raw`\(\s*(?:about|approx\.?|approximately|around)?\s*(${NUMBER})\s*(${UNITS})\b[^)]*\)`,
  'i',
);

function amountIn(text: string): Amounted {
  const packs = PACKS.exec(text);
  if (
    packs &&
    /\(|x|×|can|tin|jar|carton|pack|bottle|box|bag/i.test(
      text.slice(0, text.length - (packs[4] ?? '').length),
    )
  ) {
    const total = parseNumber(packs[1] ?? '') * parseNumber(packs[2] ?? '');
    return {
      amount: ours(total, packs[3] ?? ''),
      rest: packs[4] ?? '',
      doubts: ['counted in packs: check the weight, drained or not'],
    };
  }
  const both = BOTH.exec(text);
  if (both) {
    const total = sumOf(
      ours(parseNumber(both[1] ?? ''), both[2] ?? ''),
      ours(parseNumber(both[3] ?? ''), both[4] ?? ''),
    );
    return {
      amount: total,
      rest: both[5] ?? '',
      doubts: total ? [] : ['a volume and a weight together: write one'],
    };
  }
  const range = RANGE.exec(text);
  if (range) {
    const middle = (parseNumber(range[1] ?? '') + parseNumber(range[2] ?? '')) / 2;
    return {
      amount: ours(middle, range[3] ?? ''),
      rest: range[4] ?? '',
      doubts: ['a range: its middle was taken'],
    };
  }
  const plain = PLAIN.exec(text);
  if (plain)
    return { amount: ours(parseNumber(plain[1] ?? ''), plain[2] ?? ''), rest: plain[3] ?? '', doubts: [] };
  const inside = INSIDE.exec(text);
  if (inside) {
    const rest = text.replace(INSIDE, ' ').replace(COUNT, '$2');
    return {
      amount: ours(parseNumber(inside[1] ?? ''), inside[2] ?? ''),
      rest,
      doubts: ['the weight in brackets was taken: check it is for all of them'],
    };
  }
  const between = RANGE_OF.exec(text);
  if (between) {
    const middle = (parseNumber(between[1] ?? '') + parseNumber(between[2] ?? '')) / 2;
    return countedIn(middle, between[3] ?? '', ['a range: its middle was taken']);
  }
  const loose = LOOSELY.exec(text);
  if (loose) {
    const word = singularOf(loose[2] ?? '');
    const n = loose[1] ? parseNumber(loose[1]) : 1;
    const what = matches(loose[3] ?? '', 1)[0]?.id;
    const each = word === 'stick' && what?.includes('butter') ? 113 : LOOSE_G[word];
    if (each === undefined) return { amount: null, rest: loose[3] || word, doubts: [] };
    return {
      amount: `${tidy(n * each)} g`,
      rest: loose[3] || word,
      doubts: [`${kitchenNumber(n)} ${word} taken as ${tidy(n * each)} g: weigh yours`],
    };
  }
  const count = COUNT.exec(text);
  if (count) return countedIn(parseNumber(count[1] ?? ''), count[2] ?? '', []);
  return { amount: null, rest: text, doubts: [] };
}

/** Two amounts in the unit of the second; null when one is a weight and the other a volume. */
function sumOf(first: string, second: string): string | null {
  const [a, b] = [parseQuantity(first), parseQuantity(second)];
  if (isMass(a.unit) && isMass(b.unit)) {
    return `${tidy(b.value + gramsIn(a.value, a.unit) / MASS_UNITS[b.unit])} ${b.unit}`;
  }
  if (isMass(a.unit) || isMass(b.unit)) return null;
  return `${tidy(b.value + millilitresIn(a.value, a.unit) / VOLUME_UNITS[b.unit])} ${b.unit}`;
}

const singularOf = (word: string): string =>
  word
    .toLowerCase()
    .replace(/leaves$/, 'leaf')
    .replace(/(ch|sh)es$/, '$1')
    .replace(/s$/, '');

const SIZE: Readonly<Record<string, number>> = { small: 0.7, large: 1.4, big: 1.4 };

function countedIn(n: number, rest: string, doubts: readonly string[]): Amounted {
  const id = matches(rest.split(/[,(]/)[0] ?? rest, 1)[0]?.id;
  const each = id === undefined ? undefined : PIECE_G[id];
  if (id === undefined || each === undefined) {
    return { amount: null, rest, doubts: [...doubts, `${tidy(n)} of them: write the weight`] };
  }
  const size = SIZE[/\b(small|large|big)\b/i.exec(rest)?.[1]?.toLowerCase() ?? ''] ?? 1;
  const g = tidy(roundToScale(n * each * size * ingredient(id).edibleYield));
  return {
    amount: `${g} g`,
    rest,
    doubts: [...doubts, `${tidy(n)} taken as ${g} g trimmed: weigh yours`],
  };
}

/** The ingredient's words and what follows them: a name of the catalogue may itself hold a comma. */
function named(text: string): { readonly what: string; readonly after: readonly string[] } {
  const parts = text.split(/,|;| - /).map((t) => t.trim());
  for (let n = Math.min(3, parts.length); n > 1; n--) {
    const what = parts.slice(0, n).join(', ');
    if (matches(what, 1)[0]?.score === 1) return { what, after: parts.slice(n) };
  }
  return { what: parts[0] ?? '', after: parts.slice(1) };
}

/** "…, scooped" says how a dry measure was filled; it belongs to the amount. */
const FILLED = /,?\s*\b(scooped|spooned|sifted)\b/i;

/**
 * Reads one ingredient line, e.g. "2 1/2 cups whole milk, warmed". Total: any text gives a line, with what
 * could not be read with certainty said in `doubts`.
 */
export function readLine(text: string): ReadLine {
  const line = clean(text);
  let found: Amounted;
  try {
    found = amountIn(line);
  } catch {
    found = { amount: null, rest: line, doubts: ['its amount could not be read'] };
  }
  const brackets = [...found.rest.matchAll(/\(([^)]*)\)/g)].map((m) => m[1]?.trim() ?? '');
  const { what, after } = named(found.rest.replace(/\([^)]*\)/g, ' '));
  const filled = FILLED.exec(found.rest)?.[1]?.toLowerCase();
  const candidates = matches(what);
  const [best] = candidates;
  const doubts = [...found.doubts];
  const toTaste = /\bto taste\b/i.test(line);
  const amount =
    found.amount && filled && /cup|tbsp|tsp|pint|quart/.test(found.amount)
      ? `${found.amount}, ${filled}`
      : found.amount;
  if (!best) doubts.push('no ingredient of the catalogue is near: pick one or leave it out');
  else if (best.score < CERTAIN) doubts.push(`read as ${ingredient(best.id).name}: check`);
  if (!amount && !(toTaste && best?.id === 'salt') && !found.doubts.length)
    doubts.push('no amount: write one');
  return {
    text: line,
    amount: amount ?? (toTaste && best?.id === 'salt' ? 'to taste' : null),
    ingredient: best?.id ?? null,
    candidates,
    prep: [...after, ...brackets].join(', ').replace(FILLED, '').replace(/\s+/g, ' ').trim().slice(0, 80),
    doubts,
  };
}
