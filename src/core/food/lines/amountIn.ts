import { type Message, message } from '../../message/message';
import { term } from '../../message/term';
import { kitchenNumber } from '../../units/measure';
import { gramsIn, isMass, MASS_UNITS, millilitresIn, VOLUME_UNITS } from '../../units/quantity';
import { roundToScale } from '../../units/shown/round';
import { singular } from '../../units/typed/loosely';
import { parseNumber, parseQuantity } from '../../units/typed/parse';
import { ingredient } from '../catalogue';
import { POURED } from '../ingredient';
import { COUNT_WORDS, type CountWord, oneOf, SIZES, type Size } from '../pieces';
import { matches } from './match';

/** The amount a line of a recipe begins or ends with, and what is left of the line. */
export type Amounted = {
  /** As our recipes write it: "2 cup", "340 g", "3 large"; null where there is none that can be read. */
  readonly amount: string | null;
  readonly rest: string;
  /** Why somebody should look at it; empty where it was read with certainty. */
  readonly doubts: readonly Message[];
};

const NUMBER = String.raw`(?:\d+\s+\d+\/\d+|\d+\/\d+|\d{1,3}(?:,\d{3})+\.\d+|\d*[.,]?\d+\s*[¼½¾⅓⅔⅛⅜⅝⅞]?|[¼½¾⅓⅔⅛⅜⅝⅞])`;
const UNITS = String.raw`(?:kilograms?|kilos?|kgs?|grams?|gms?|gr|g|ounces?|oz|pounds?|lbs?|millilit(?:re|er)s?|mls?|centilit(?:re|er)s?|cl|decilit(?:re|er)s?|dl|lit(?:re|er)s?|ltrs?|l|teaspoons?|tsps?|tablespoons?|tblsps?|tbsps?|tbs|dessertspoons?|dsp|fluid ounces?|fl\.? ?oz|cups?|pints?|pts?|quarts?|qts?|gallons?|gals?)`;
const UNIT = String.raw`(${UNITS})(?![a-z])\.?`;
const LOOSE = `(?:pinch(?:es)?|dash(?:es)?|knobs?|handfuls?|sprigs?|bunch(?:es)?|cloves?|sticks?|stalks?|ribs?|rashers?|slices?|ears?|heads?|bulbs?|leaf|leaves|glugs?|splash(?:es)?|drizzles?|squeezes?|grinds?|grindings?|turns?|twists?|cubes?|fillets?|cans?|tins?|jars?|cartons?|tetra ?paks?|packets?|packs?|packages?|bags?|pots?|tubs?)`;
const CONTAINER = `(?:cans?|tins?|jars?|cartons?|packets?|packs?|packages?|bottles?|boxes|box|bags?|tubs?|pots?|blocks?)`;
/** Adjectives of an amount; what they change of it is less than it is sure. */
const ABOUT = `(?:small|medium|large|big|good|generous|heaped|heaping|rounded|level|scant|fat|thick|thin|little|tiny|fresh|whole)`;

/** Units our amounts do not have, in those they do. */
const FOREIGN: Readonly<Record<string, readonly [number, string]>> = {
  cl: [10, 'mL'],
  centilitre: [10, 'mL'],
  centiliter: [10, 'mL'],
  dl: [100, 'mL'],
  decilitre: [100, 'mL'],
  deciliter: [100, 'mL'],
  dessertspoon: [10, 'mL'],
  dsp: [10, 'mL'],
  floz: [1, 'fl oz'],
  fluidounce: [1, 'fl oz'],
  tbs: [1, 'tbsp'],
  tblsp: [1, 'tbsp'],
  gm: [1, 'g'],
  ltr: [1, 'L'],
  gal: [1, 'gal'],
  ml: [1, 'mL'],
};

/** Words of a loose measure that are another's. */
const SAME_AS: Readonly<Record<string, CountWord>> = {
  tin: 'can',
  'tetra pak': 'carton',
  tetrapak: 'carton',
  pack: 'packet',
  package: 'packet',
  bag: 'packet',
  tub: 'packet',
  pot: 'packet',
  bulb: 'head',
  grinding: 'grind',
  turn: 'grind',
  twist: 'grind',
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

const NUMBER_WORDS: Readonly<Record<string, string>> = {
  half: '1/2',
  'a half': '1/2',
  'a quarter': '1/4',
  'three quarters': '3/4',
  'a dozen': '12',
  'half a dozen': '6',
  'a couple of': '2',
  'a couple': '2',
  'a few': '3',
  'a third': '1/3',
  'one and a half': '1 1/2',
  'two and a half': '2 1/2',
  one: '1',
  two: '2',
  three: '3',
  four: '4',
  five: '5',
  six: '6',
  seven: '7',
  eight: '8',
  nine: '9',
  ten: '10',
  twelve: '12',
};
const COUNT_WORD = new RegExp(
  `^(?:${Object.keys(NUMBER_WORDS)
    .sort((a, b) => b.length - a.length)
    .join('|')})\\b`,
  'i',
);

const ENTITIES: Readonly<Record<string, string>> = {
  nbsp: ' ',
  amp: '&',
  frac12: '½',
  frac14: '¼',
  frac34: '¾',
  ndash: '–',
  mdash: '–',
  deg: '°',
  times: '×',
  rsquo: '’',
  eacute: 'é',
  egrave: 'è',
  icirc: 'î',
};

const A_UNIT = new RegExp(String.raw`^an?\s+(?:${ABOUT}\s+)?(?=${UNITS}\b)`, 'i');

/** "2 dozen", "one dozen": how many that is. */
const inDozens = (line: string): string =>
  line.replace(/^(\d{1,3}|one|two|three|four)\s+dozen\b/i, (_, n: string) =>
    String(12 * Number(NUMBER_WORDS[n.toLowerCase()] ?? n)),
  );

/** A line without what a page or a list puts round it, its first number written in figures. */
export const cleaned = (text: string): string =>
  text
    .replace(/<[^>]*>/g, ' ')
    .replace(/&#(\d{2,5});/g, (_, n: string) => String.fromCodePoint(Number(n)))
    .replace(/&([a-z]+\d*);/gi, (all, name: string) => ENTITIES[name.toLowerCase()] ?? all)
    .replace(/[\u00a0\u2009\u202f]/g, ' ')
    .replace(/⁄/g, '/')
    .replace(/[–—−]/g, '-')
    .replace(/^[\s•*·▢□☐◦‣●-]+/, '')
    .replace(/^\[[ x]?\]\s*/i, '')
    .replace(/\s+/g, ' ')
    .trim()
    .replace(
      /^(?:about|approx(?:imately)?\.?|around|roughly|circa|ca\.?|c\.|~|up to|at least|another|a generous|a scant|generous|scant|between)\s*(?=[\d¼½¾⅓⅔⅛⅜⅝⅞]|an?\b|one|two|three|half)/i,
      '',
    )
    .replace(COUNT_WORD, (word) => String(NUMBER_WORDS[word.toLowerCase()] ?? word))
    // "juice of 2 lemons": so many of what it is of.
    .replace(/^(?:the\s+)?(juice|yolks?) (?:of|from) ((?:\d\S*|an?|half an?)\s+)(lemon|egg)s?/i, '$2$3 $1')
    // "a cup of cream", "a scant pint": one of it.
    .replace(A_UNIT, '1 ')
    // "half a stick", "a quarter of a cup": so much of one.
    .replace(/^(\d\/\d)\s+(?:of\s+)?an?\s+/, '$1 ');

const re = (source: string): RegExp => new RegExp(`^${source}`, 'i');
const OF = String.raw`\s*(?:of\s+)?(.*)$`;

/** "1 (14 oz) can", "2 x 400 g tins": so many of a stated size. */
const PACKS = re(
  String.raw`(${NUMBER})(?:\s*[x×]\s*|\s*\(|\s+)\s*\(?(${NUMBER})[\s-]*${UNIT}\s*\)?\s*${CONTAINER}?\b${OF}`,
);
/** "2 cans (400 g each) tomatoes". */
const PACKS_AFTER = re(
  String.raw`(${NUMBER})\s*${CONTAINER}\s*\(\s*(${NUMBER})[\s-]*${UNIT}(?:\s*each)?\s*\)${OF}`,
);
const RANGE = re(String.raw`(${NUMBER})\s*(?:${UNITS})?\s*(?:-|to|or|and)\s*(${NUMBER})\s*${UNIT}${OF}`);
const RANGE_OF = re(String.raw`(${NUMBER})\s*(?:-|to|or|and)\s*(${NUMBER})\s+(.*)$`);
const OTHER_UNIT = String.raw`(?:\s*[\/,]\s*${NUMBER}\s*${UNITS}(?![a-z])\.?(?:\s*${NUMBER}\s*${UNITS}(?![a-z])\.?)?)?`;
const PLAIN = re(String.raw`(${NUMBER})\s*(?:${ABOUT}\s+)?${UNIT}${OTHER_UNIT}${OF}`);
const BOTH = re(String.raw`(${NUMBER})\s*${UNIT}\s*(?:plus|\+|and|&)?\s*(${NUMBER})\s*${UNIT}${OF}`);
const LOOSELY = re(
  String.raw`(?:(${NUMBER})|an?|the|some)?\s*(?:${ABOUT}\s+)*(?:\d+(?:[.,]\d+)?[ -]?(?:cm|inch|in|mm)\b[ -]?)?(?:${ABOUT}\s+)*(${LOOSE})(?![a-z])${OF}`,
);
const COUNT = re(String.raw`(?:(${NUMBER})|an?(?=\s+(?:${ABOUT}\s+)*[a-z]))\s+(.*)$`);
const BARE = re(`(${NUMBER})$`);
const INSIDE = new RegExp(
  String.raw`\(\s*(?:about|approx\.?|approximately|around|roughly|ca\.?|total|weighing)?\s*(${NUMBER})\s*(${UNITS})(?![a-z])[^)]*\)`,
  'i',
);
/** "plain flour, 60 g", "Stock 1 litre": the amount last. */
const LAST = new RegExp(
  String.raw`^(\D*?[a-z)])[\s:,.-]+((?:${NUMBER})\s*(?:-\s*(?:${NUMBER})\s*)?(?:${UNITS})(?![a-z])\.?|(?:${NUMBER}))$`,
  'i',
);

/** The amount of a line that begins with it. Throws a RangeError for a number that is none. */
function atStart(text: string): Amounted {
  const packs = PACKS_AFTER.exec(text) ?? PACKS.exec(text);
  if (
    packs &&
    /\(|x|×|can|tin|jar|carton|pack|bottle|box|bag|tub|pot|block/i.test(
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
  if (plain) {
    const heaped = /\b(heaped|heaping|rounded|generous)\b/i.test(text.slice(0, 24));
    return {
      amount: ours(parseNumber(plain[1] ?? ''), plain[2] ?? ''),
      rest: plain[3] ?? '',
      doubts: heaped ? [message('heaped: taken as level; weigh yours')] : [],
    };
  }
  const inside = INSIDE.exec(text);
  if (inside) {
    const rest = text.replace(INSIDE, ' ').replace(COUNT, '$2').replace(LOOSELY, '$3');
    return {
      amount: ours(parseNumber(inside[1] ?? ''), inside[2] ?? ''),
      rest: rest.trim() === '' ? text.replace(INSIDE, ' ') : rest,
      doubts: [message('the weight in brackets was taken: check it is for all of them')],
    };
  }
  const between = RANGE_OF.exec(text);
  if (between) {
    const [low, high] = [parseNumber(between[1] ?? ''), parseNumber(between[2] ?? '')];
    const range = high > low ? `${tidy(low)}–${tidy(high)}` : null;
    const doubts = [message('a range: the plan takes its middle')];
    const loose = LOOSELY.exec(`1 ${between[3] ?? ''}`);
    return (
      (loose && looselyIn((low + high) / 2, loose[2] ?? '', loose[3] ?? '', doubts, range)) ??
      countedIn((low + high) / 2, between[3] ?? '', doubts, range)
    );
  }
  const loose = LOOSELY.exec(text);
  const asLoose =
    loose && looselyIn(loose[1] ? parseNumber(loose[1]) : 1, loose[2] ?? '', loose[3] ?? '', [], null);
  if (asLoose) return asLoose;
  const bare = BARE.exec(text);
  if (bare) return countedIn(parseNumber(bare[1] ?? ''), '', []);
  const count = COUNT.exec(text);
  if (count) return countedIn(count[1] ? parseNumber(count[1]) : 1, count[2] ?? '', []);
  return { amount: null, rest: text, doubts: [] };
}

/** So many of a loose measure; null where what it is of cannot be counted so, and is better counted as it is. */
function looselyIn(
  n: number,
  said: string,
  after: string,
  doubts: readonly Message[],
  range: string | null,
): Amounted | null {
  const bare = singular(said);
  const of = COUNT_WORDS.find((w) => w === (SAME_AS[bare] ?? bare));
  if (of === undefined) return null;
  // "4 garlic cloves" says it last; "a stick of celery" first.
  const rest = after.trim() === '' || /^[,(]/.test(after) ? `${bare}${after}` : after;
  const what = matches(rest.split(/[,(]/)[0] ?? rest, 1)[0]?.id;
  const one = what === undefined ? null : oneOf(ingredient(what), of);
  if (!one && after.trim() === '' && what === undefined)
    return { amount: `${range ?? kitchenOrTidy(n)} ${of}`, rest: '', doubts };
  if (!one) return { amount: null, rest, doubts };
  return {
    amount: `${range ?? kitchenOrTidy(n)} ${of}`,
    rest,
    doubts: [
      ...doubts,
      message('{n} {one} taken as {g}: weigh yours', {
        n: kitchenNumber(n),
        one: term(of),
        g: { g: roundToScale(n * one.g) },
      }),
    ],
  };
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

/** So many of a thing, or between so many (`range`); of what is not said, so many of whatever it is. */
function countedIn(
  n: number,
  rest: string,
  doubts: readonly Message[],
  range: string | null = null,
): Amounted {
  const id = matches(rest.split(/[,(]/)[0] ?? rest, 1)[0]?.id;
  const said = /\b(small|medium|large|big)\b/i.exec(rest)?.[1]?.toLowerCase().replace('big', 'large') ?? '';
  const size = isSize(said) ? said : 'medium';
  // "2 leeks, sliced", "4 garlic cloves", "2 celery sticks": counted by the word that stands last.
  const last = singular(/([a-z]+)\s*$/i.exec(rest.split(/[,(]/)[0] ?? '')?.[1] ?? '');
  const by = COUNT_WORDS.find((w) => w === (SAME_AS[last] ?? last));
  const word = id !== undefined && by && oneOf(ingredient(id), by) && by !== 'leaf' ? by : 'piece';
  const one = id === undefined ? null : oneOf(ingredient(id), word, size);
  if (!one)
    return {
      amount: rest === '' ? `${range ?? kitchenOrTidy(n)} ${size}` : null,
      rest,
      doubts: [...doubts, message('{n} of them: write the weight', { n: tidy(n) })],
    };
  const g = roundToScale(n * one.g);
  return {
    amount: `${range ?? kitchenOrTidy(n)} ${word === 'piece' ? size : word}`,
    rest,
    doubts: [...doubts, message('{n} taken as {g} trimmed: weigh yours', { n: tidy(n), g: { g } })],
  };
}

/**
 * Reads the amount a line begins with, or ends with where it begins with none: measures, kitchen fractions, ranges,
 * packs, counts and loose words. Total: what cannot be read gives `amount: null` and says why.
 */
export function amountIn(line: string): Amounted {
  try {
    const counted = inDozens(line);
    const first = atStart(counted);
    if (first.amount !== null || first.rest !== counted) return first;
    const last = LAST.exec(line);
    if (!last) return first;
    const again = atStart(`${last[2]} ${last[1]}`);
    return again.amount === null ? first : again;
  } catch {
    return { amount: null, rest: line, doubts: [message('its amount could not be read')] };
  }
}
