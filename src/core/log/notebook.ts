import Papa from 'papaparse';
import { BANDS, type Band, type BandLimits, bandOf, middleOf } from '../flow/bands';
import { ingredient } from '../food/catalogue';
import { readLine } from '../food/lines/readLine';
import { type Message, message } from '../message/message';
import { amountOf, gramsGiven } from '../recipe/amountOf';
import { VOLUME_UNITS } from '../units/quantity';
import { parseNumber } from '../units/typed/parse';

/** A batch out of a notebook. Volumes mL, viscosities mPa·s in the bowl. */
export type PastBatch = {
  /** Line of the file, the heading being 1. */
  readonly line: number;
  /** “2025-03-14”. */
  readonly day: string;
  readonly soup: string;
  /** The recipe it is a batch of; null where the house has none of that name. */
  readonly recipeId: string | null;
  readonly ml: number;
  /** What went in, g, as far as it was written. */
  readonly amounts: readonly { readonly ingredient: string; readonly g: number }[];
  /** By a test, or by the band somebody wrote down; null where nobody did. */
  readonly bowl: { readonly at: number; readonly by: 'test' | 'band'; readonly band: Band } | null;
  readonly pot: string;
  readonly role: string;
  readonly score: number | null;
  readonly note: string;
};

/** What is wrong with a line: which, at what column, what stands there and what may. */
export type PastProblem = {
  readonly line: number;
  readonly column: string;
  readonly given: string;
  readonly allowed: Message;
};

/** A notebook as it was read: nothing of it is taken before somebody has looked. */
export type NotebookRead = {
  readonly batches: readonly PastBatch[];
  readonly problems: readonly PastProblem[];
  /** Columns that were understood, as they were written, and those that were not. */
  readonly columns: { readonly read: readonly string[]; readonly left: readonly string[] };
};

const COLUMNS = {
  date: ['date', 'day', 'when', 'made', 'cooked', 'made-on'],
  soup: ['soup', 'recipe', 'name', 'what', 'dish', 'batch'],
  litres: ['litres', 'liters', 'litre', 'l', 'volume', 'yield', 'amount', 'made-l', 'size'],
  gallons: ['gallons', 'gallon', 'gal'],
  viscosity: ['viscosity', 'mpa.s', 'mpas', 'mpa·s', 'mpa-s', 'reading', 'measured', 'viscosity-mpa.s'],
  band: ['band', 'consistency', 'thickness', 'landed', 'came-out'],
  amounts: ['amounts', 'ingredients', 'went-in', 'weights'],
  pot: ['pot', 'pan', 'vessel'],
  role: ['role', 'cook', 'who', 'by'],
  score: ['score', 'mark', 'rating'],
  note: ['note', 'notes', 'remark', 'remarks', 'comment'],
} as const;
type Column = keyof typeof COLUMNS;

const plain = (text: string): string =>
  text.trim().toLowerCase().replace(/[_()]/g, ' ').trim().replace(/\s+/g, '-');

/** Which column a heading is; null of one nobody knows. */
const columnOf = (heading: string): Column | null =>
  (Object.keys(COLUMNS) as Column[]).find((c) =>
    (COLUMNS[c] as readonly string[]).includes(plain(heading)),
  ) ?? null;

/** Most lines of a notebook. */
export const MOST_LINES = 100_000;
/** Problems told at most: of more, how many there are. */
export const MOST_TOLD = 200;

const two = (n: number): string => String(n).padStart(2, '0');

const isDay = (y: number, m: number, d: number): boolean => {
  const date = new Date(Date.UTC(y, m - 1, d));
  return date.getUTCFullYear() === y && date.getUTCMonth() === m - 1 && date.getUTCDate() === d;
};

type DateOrder = 'dmy' | 'mdy';

const SLASHED = /^(\d{1,2})[./-](\d{1,2})[./-](\d{2}|\d{4})$/;
const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];

/**
 * A day as people write it: 2025-03-14, 14.3.2025, 3/14/25 or 14 March 2025; null where it is none. Of two figures that may
 * both be a month the order of the whole file decides.
 */
function dayIn(text: string, order: DateOrder): string | null {
  const t = text.trim();
  const iso = /^(\d{4})-(\d{1,2})-(\d{1,2})(?:[T ].*)?$/.exec(t);
  const slashed = SLASHED.exec(t);
  const named = /^(\d{1,2})\.? ([a-z]{3})[a-z]*\.?,? (\d{4})$/i.exec(t);
  const american = /^([a-z]{3})[a-z]*\.? (\d{1,2}),? (\d{4})$/i.exec(t);
  const month = (name: string | undefined): number => MONTHS.indexOf((name ?? '').toLowerCase()) + 1;
  let found: [number, number, number] | null = null;
  if (iso) found = [Number(iso[1]), Number(iso[2]), Number(iso[3])];
  else if (slashed) {
    const [a, b] = [Number(slashed[1]), Number(slashed[2])];
    const year = Number(slashed[3]) + ((slashed[3] ?? '').length === 2 ? 2000 : 0);
    const dayFirst = a > 12 || (b <= 12 && order === 'dmy');
    found = dayFirst ? [year, b, a] : [year, a, b];
  } else if (named) found = [Number(named[3]), month(named[2]), Number(named[1])];
  else if (american) found = [Number(american[3]), month(american[1]), Number(american[2])];
  if (!found || !isDay(...found) || found[0] < 1990) return null;
  return `${found[0]}-${two(found[1])}-${two(found[2])}`;
}

/** Whether the dates of a file that can only be one way round are the day or the month first; the day where none says. */
function orderOf(texts: readonly string[]): DateOrder {
  let [day, month] = [0, 0];
  for (const text of texts) {
    const m = SLASHED.exec(text.trim());
    if (!m) continue;
    if (Number(m[1]) > 12) day++;
    if (Number(m[2]) > 12) month++;
  }
  return month > day ? 'mdy' : 'dmy';
}

/** mL of “12”, “12 L”, “3.2 gal”, “800 ml”; null where it is none, or none a pot could hold. */
function volumeIn(text: string, unit: 'L' | 'gal'): number | null {
  const m = /^([\d.,\s/½¼¾⅓⅔]+?)\s*(l|litres?|liters?|ml|gal(?:lons?)?|qt|quarts?)?\.?$/i.exec(text.trim());
  if (!m) return null;
  const value = parseNumber((m[1] ?? '').trim());
  const named = (m[2] ?? unit).toLowerCase();
  const each = named.startsWith('ml')
    ? 1
    : named.startsWith('g')
      ? VOLUME_UNITS.gal
      : named.startsWith('q')
        ? VOLUME_UNITS.quart
        : 1000;
  const ml = value * each;
  return ml >= 50 && ml <= 600_000 ? ml : null;
}

const bandIn = (text: string): Band | null =>
  BANDS.find((b) => b.toLowerCase() === text.trim().toLowerCase()) ?? null;

type House = {
  readonly limits: BandLimits;
  readonly recipes: readonly { readonly id: string; readonly name: string }[];
  /** Today: nothing was cooked after it. */
  readonly today: string;
};

/** Amounts of a cell such as “450 g flour; 2 L milk”: what can be read of them. */
function amountsIn(text: string): PastBatch['amounts'] {
  return text
    .split(/[;\n]/)
    .filter((part) => part.trim() !== '')
    .flatMap((part) => {
      const line = readLine(part);
      if (!line.ingredient || !line.amount) return [];
      try {
        const g = gramsGiven(ingredient(line.ingredient), amountOf(line.amount));
        return g !== null && g > 0 ? [{ ingredient: line.ingredient, g }] : [];
      } catch (error) {
        // What cannot be weighed is left out: the rest of the batch is still one.
        if (error instanceof RangeError) return [];
        throw error;
      }
    });
}

/** What keeps a table from being a notebook: columns it lacks, more lines than are read. */
function lacking(
  heading: readonly string[],
  at: (c: Column) => number,
  lines: number,
): readonly PastProblem[] {
  const problems: PastProblem[] = [];
  const missing = (['date', 'soup'] as const).filter((c) => at(c) < 0);
  if (at('litres') < 0 && at('gallons') < 0)
    problems.push({
      line: 1,
      column: 'litres',
      given: heading.join(', '),
      allowed: message('a column for the litres, or gallons, of each batch'),
    });
  for (const c of missing)
    problems.push({
      line: 1,
      column: c,
      given: heading.join(', '),
      allowed: message('a column with {what}', {
        what: c === 'date' ? message('the date') : message('the soup'),
      }),
    });
  if (lines > MOST_LINES)
    problems.push({
      line: MOST_LINES + 2,
      column: '',
      given: '',
      allowed: message('at most {most} lines: part the file', { most: MOST_LINES }),
    });
  return problems;
}

/** Reads a notebook kept as a table. Total: what is wrong is told with its line, the rest is read. */
export function readNotebook(text: string, house: House): NotebookRead {
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), {
    skipEmptyLines: 'greedy',
    preview: MOST_LINES + 2,
  });
  const [heading = [], ...rows] = data;
  const columns = heading.map(columnOf);
  const at = (c: Column): number => columns.indexOf(c);
  const read = heading.filter((_, n) => columns[n] !== null);
  const left = heading.filter((h, n) => columns[n] === null && h.trim() !== '');
  const problems: PastProblem[] = [...lacking(heading, at, rows.length)];
  if (problems.length > 0) return { batches: [], problems, columns: { read, left } };
  const order = orderOf(rows.map((r) => r[at('date')] ?? ''));
  const named = new Map(house.recipes.map((r) => [plain(r.name), r.id]));
  const batches: PastBatch[] = [];
  for (const [n, row] of rows.entries()) {
    const line = n + 2;
    const cell = (c: Column): string => (at(c) < 0 ? '' : (row[at(c)] ?? '').trim());
    const found: PastProblem[] = [];
    const wrong = (column: Column, allowed: Message) =>
      found.push({ line, column: heading[at(column)] ?? column, given: cell(column), allowed });
    const day = dayIn(cell('date'), order);
    if (!day) wrong('date', message('a date such as 2026-01-31, 31.1.2026 or 31 Jan 2026'));
    else if (day > house.today)
      wrong('date', message('a day that has been, up to {today}', { today: house.today }));
    const soup = cell('soup').slice(0, 80);
    if (soup === '') wrong('soup', message('the name of the soup'));
    const litres = cell('litres') === '' ? null : volumeIn(cell('litres'), 'L');
    const ml = litres ?? (cell('gallons') === '' ? null : volumeIn(cell('gallons'), 'gal'));
    if (ml === null)
      wrong(at('litres') >= 0 ? 'litres' : 'gallons', message('a volume such as 12, 12 L, 800 mL or 3 gal'));
    const viscosity =
      cell('viscosity') === '' ? null : parseNumber(cell('viscosity').replace(/\s*mpa.*$/i, ''));
    if (viscosity !== null && !(viscosity >= 1 && viscosity <= 20_000))
      wrong('viscosity', message('mPa·s in the bowl, 1 to 20 000'));
    const band = cell('band') === '' ? null : bandIn(cell('band'));
    if (cell('band') !== '' && !band)
      wrong('band', message('one of {bands}', { bands: { or: BANDS.map((b) => message('{b}', { b })) } }));
    const score = cell('score') === '' ? null : parseNumber(cell('score'));
    if (score !== null && !(score >= 1 && score <= 5)) wrong('score', message('1 to 5'));
    if (found.length > 0 || !day || ml === null) {
      problems.push(...found);
      continue;
    }
    batches.push({
      line,
      day,
      soup,
      recipeId: named.get(plain(soup)) ?? null,
      ml,
      amounts: amountsIn(cell('amounts')),
      bowl:
        viscosity !== null
          ? { at: viscosity, by: 'test', band: bandOf(viscosity, house.limits) }
          : band
            ? { at: middleOf(band, house.limits), by: 'band', band }
            : null,
      pot: cell('pot').slice(0, 60),
      role: cell('role').slice(0, 30),
      score: score === null ? null : Math.round(score),
      note: cell('note').slice(0, 1000),
    });
  }
  return { batches, problems, columns: { read, left } };
}
