import { ingredient } from '../../food/catalogue';
import { POURED } from '../../food/ingredient';
import { COUNT_WORDS, oneOf, SIZES, type Size } from '../../food/pieces';
import { type Message, message } from '../../message/message';
import { term } from '../../message/term';
import { kitchenNumber } from '../../units/measure';
import { gramsIn, isMass, MASS_UNITS, millilitresIn, VOLUME_UNITS } from '../../units/quantity';
import { roundToScale } from '../../units/shown/round';
import { singular } from '../../units/typed/loosely';
import { parseNumber, parseQuantity } from '../../units/typed/parse';
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
  readonly doubts: readonly Message[];
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
  floz: [1, 'fl oz'],
  fluidounce: [1, 'fl oz'],
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
  return `${/^(cup|tbsp|tsp|pint|quart|gal)$/.test(known) ? kitchenOrTidy(value) : tidy(value)} ${known}`;
}

/** A kitchen fraction where it says the same. */
function kitchenOrTidy(value: number): string {
  const fraction = kitchenNumber(value);
  return Math.abs(parseNumber(fraction) - value) < 1e-3 ? fraction : tidy(value);
}

/** Whether the words speak of something that is poured: not a cheese, nor a soured cream. */
function isPoured(words: string): boolean {
  const id = matches(words.split(/[,(]/)[0] ?? words, 1)[0]?.id;
  if (id === undefined) return false;
  const { group, thickener } = ingredient(id);
  return POURED.has(group) && thickener === undefined;
}

type Amounted = {
  readonly amount: string | null;
  readonly rest: string;
  readonly doubts: readonly Message[];
};

const NUMBER_WORDS: Readonly<Record<string, string>> = {
  half: '1/2',
  'a quarter': '1/4',
  'a dozen': '12',
  'a couple of': '2',
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
const COUNT_WORD = /^(?:half|a quarter|a dozen|a couple of|one|two|three|four|five|six|eight|ten|twelve)\b/i;

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
    .replace(COUNT_WORD, (word) => String(NUMBER_WORDS[word.toLowerCase()] ?? word))
    // "half a stick", "a quarter of a cup": so much of one.
    .replace(/^(1\/[24])\s+(?:of\s+)?an?\s+/, '$1 ');

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
    const rest = packs[4] ?? '';
    // Beside something poured, the ounces on a can are of volume.
    const fluid = /^(?:oz|ounces?)$/i.test(packs[3] ?? '') && isPoured(rest);
    return {
      amount: ours(total, fluid ? 'fl oz' : (packs[3] ?? '')),
      rest,
      doubts: [
        fluid
          ? message(
              'ounces on a can of something poured: read as fluid ounces; if they are of weight, write oz',
            )
          : message('counted in packs: check the weight, drained or not'),
      ],
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
      doubts: total ? [] : [message('a volume and a weight together: write one')],
    };
  }
  const range = RANGE.exec(text);
  if (range) {
    const [low, high] = [parseNumber(range[1] ?? ''), parseNumber(range[2] ?? '')];
    // In one unit of ours: what ours would turn into another is read by its middle.
    const [from, to] = [ours(low, range[3] ?? ''), ours(high, range[3] ?? '')];
    const [a, b] = [from, to].map((t) => /^(\S+) (.*)$/.exec(t));
    const spans = high > low && a?.[2] !== undefined && a[2] === b?.[2];
    return {
      amount: spans ? `${a[1]}–${to}` : ours((low + high) / 2, range[3] ?? ''),
      rest: range[4] ?? '',
      doubts: [message('a range: the plan takes its middle, and counts the doubt')],
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
      doubts: [message('the weight in brackets was taken: check it is for all of them')],
    };
  }
  const between = RANGE_OF.exec(text);
  if (between) {
    const [low, high] = [parseNumber(between[1] ?? ''), parseNumber(between[2] ?? '')];
    const range = high > low ? `${tidy(low)}–${tidy(high)}` : null;
    return countedIn(
      (low + high) / 2,
      between[3] ?? '',
      [message('a range: the plan takes its middle')],
      range,
    );
  }
  const loose = LOOSELY.exec(text);
  if (loose) {
    const word = singular(loose[2] ?? '');
    const n = loose[1] ? parseNumber(loose[1]) : 1;
    const what = matches(loose[3] || word, 1)[0]?.id;
    const of = COUNT_WORDS.find((w) => w === word);
    const one = what !== undefined && of !== undefined ? oneOf(ingredient(what), of) : null;
    if (!one) return { amount: null, rest: loose[3] || word, doubts: [] };
    return {
      amount: `${kitchenOrTidy(n)} ${word}`,
      rest: loose[3] || word,
      doubts: [
        message('{n} {one} taken as {g}: weigh yours', {
          n: kitchenNumber(n),
          one: term(word),
          g: { g: roundToScale(n * one.g) },
        }),
      ],
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

const isSize = (word: string): word is Size => word in SIZES;

/** So many of a thing, or between so many (`range`). */
function countedIn(
  n: number,
  rest: string,
  doubts: readonly Message[],
  range: string | null = null,
): Amounted {
  const id = matches(rest.split(/[,(]/)[0] ?? rest, 1)[0]?.id;
  const said = /\b(small|medium|large|big)\b/i.exec(rest)?.[1]?.toLowerCase().replace('big', 'large') ?? '';
  const size = isSize(said) ? said : 'medium';
  const one = id === undefined ? null : oneOf(ingredient(id), 'piece', size);
  if (!one)
    return {
      amount: null,
      rest,
      doubts: [...doubts, message('{n} of them: write the weight', { n: tidy(n) })],
    };
  const g = roundToScale(n * one.g);
  return {
    amount: `${range ?? kitchenOrTidy(n)} ${size}`,
    rest,
    doubts: [...doubts, message('{n} taken as {g} trimmed: weigh yours', { n: tidy(n), g: { g } })],
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
    found = { amount: null, rest: line, doubts: [message('its amount could not be read')] };
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
  if (!best) doubts.push(message('no ingredient of the catalogue is near: pick one or leave it out'));
  else if (best.score < CERTAIN)
    doubts.push(message('read as {name}: check', { name: term(ingredient(best.id).name) }));
  if (!amount && !(toTaste && best?.id === 'salt') && !found.doubts.length)
    doubts.push(message('no amount: write one'));
  return {
    text: line,
    amount: amount ?? (toTaste && best?.id === 'salt' ? 'to taste' : null),
    ingredient: best?.id ?? null,
    candidates,
    prep: [...after, ...brackets].join(', ').replace(FILLED, '').replace(/\s+/g, ' ').trim().slice(0, 80),
    doubts,
  };
}
