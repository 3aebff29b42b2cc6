import Papa from 'papaparse';
import type { FoundRecipe, SourceLine } from './found';
import { recipesInText } from './prose';

/** Cells of a sheet, row by row, as they are shown. */
export type Rows = readonly (readonly string[])[];

const WHAT = /^(?:ingredients?|items?|what|products?|commodity|description|name)$/i;
const QUANTITY = /^(?:q(?:ua)?n?ti?ty|qty\.?|amounts?|how much|weight|volume|measure|net)$/i;
const UNIT = /^(?:units?|uom|u\/m|measure)$/i;
const PREP = /^(?:prep(?:aration)?|notes?|how|cut|comments?|method|processing)$/i;
/** A column of a scaled sheet: "10", "for 50", "x 4", "100 portions", "20 L". */
const SCALE =
  /^(?:for\s+|x\s*|×\s*|serves\s+|yield\s+)?(\d{1,4}(?:[.,]\d+)?)\s*(?:x|×|portions?|pax|covers|people|servings?|l|litres?|liters?|qts?|gal)?$/i;
const UNIT_IN_HEAD = /\(\s*(kg|g|ml|l|oz|lb)\s*\)/i;

type Columns = {
  readonly at: number;
  readonly what: number;
  readonly quantities: readonly { readonly column: number; readonly label: string; readonly unit: string }[];
  readonly unit: number;
  readonly prep: number;
};

/** Where a sheet says what stands in which column; null where it does not. */
function columnsOf(rows: Rows): Columns | null {
  for (const [at, row] of rows.slice(0, 30).entries()) {
    const heads = row.map((c) => c.trim());
    const what = heads.findIndex((h) => WHAT.test(h.replace(UNIT_IN_HEAD, '').trim()));
    if (what < 0) continue;
    const quantities = heads.flatMap((h, column) => {
      const label = h.replace(UNIT_IN_HEAD, '').trim();
      const unit = UNIT_IN_HEAD.exec(h)?.[1] ?? '';
      return column !== what && (QUANTITY.test(label) || SCALE.test(label)) ? [{ column, label, unit }] : [];
    });
    if (quantities.length === 0) continue;
    return {
      at,
      what,
      quantities,
      unit: heads.findIndex((h, n) => n !== what && UNIT.test(h) && !quantities.some((q) => q.column === n)),
      prep: heads.findIndex((h, n) => n !== what && PREP.test(h)),
    };
  }
  return null;
}

const METHOD = /^(?:method|directions?|instructions?|preparation|procedure|steps?)\b\s*:?$/i;

/** An amount as a line begins with it: "2.5 kg Onions, diced". */
function lineOf(row: readonly string[], c: Columns, q: Columns['quantities'][number]): string {
  const cell = (n: number) => (n < 0 ? '' : (row[n] ?? '').trim());
  const amount = cell(q.column);
  // A figure as a spreadsheet keeps it has more places than anyone weighs.
  const figure = /^\d+\.\d{4,}$/.test(amount) ? String(Number(Number(amount).toPrecision(4))) : amount;
  const unit = /[a-z]/i.test(figure) || figure === '' ? '' : cell(c.unit) || q.unit;
  const prep = cell(c.prep);
  return [[figure, unit, cell(c.what)].filter(Boolean).join(' '), prep].filter(Boolean).join(', ');
}

/**
 * The recipe of a sheet: by its headed columns, one of amounts for each size it is scaled to; or, where it has no
 * heads, its rows read as lines. `name` is what the sheet is called.
 */
export function recipesInTable(rows: Rows, name: string): readonly FoundRecipe[] {
  const filled = rows.filter((r) => r.some((c) => c.trim() !== ''));
  const columns = columnsOf(filled);
  const joined = (row: readonly string[]) =>
    row
      .map((c) => c.trim())
      .filter(Boolean)
      .join(' ');
  if (!columns) {
    const found = recipesInText(filled.map(joined).join('\n'));
    return found.map((f) => ({ ...f, name: f.name || name }));
  }
  const before = filled.slice(0, columns.at).map(joined);
  const after = filled.slice(columns.at + 1);
  const ends = after.findIndex((r) => METHOD.test(joined(r)));
  const bought = (ends < 0 ? after : after.slice(0, ends)).filter(
    (r) =>
      (r[columns.what] ?? '').trim() !== '' &&
      !/^(?:total|yield|cost|sum)\b/i.test((r[columns.what] ?? '').trim()),
  );
  const instructions = ends < 0 ? [] : after.slice(ends + 1).map(joined);
  const scales = columns.quantities.map((q) => ({
    label: q.label,
    ingredients: bought.map((r) => lineOf(r, columns, q)),
  }));
  const [first] = scales;
  const title = before.find((l) => !/^(?:serves|makes|yields?|portions?|date|by)\b/i.test(l));
  const yieldText = before.find((l) => /^(?:serves|makes|yields?|portions?)\b.*\d/i.test(l)) ?? '';
  if (!first || first.ingredients.length === 0) return [];
  const source: SourceLine[] = [
    ...before.map((text) => ({
      text,
      as: text === title ? ('name' as const) : text === yieldText ? ('yield' as const) : ('note' as const),
    })),
    { text: joined(filled[columns.at] ?? []), as: 'heading' },
    ...(ends < 0 ? after : after.slice(0, ends)).map((r) => ({
      text: joined(r),
      as: bought.includes(r) ? ('ingredient' as const) : ('note' as const),
    })),
    ...(ends < 0 ? [] : [{ text: joined(after[ends] ?? []), as: 'heading' as const }]),
    ...instructions.map((text) => ({ text, as: 'method' as const })),
  ];
  return [
    {
      name: (title ?? name).slice(0, 80),
      yieldText: yieldText || (scales.length > 1 ? first.label : ''),
      ingredients: first.ingredients,
      instructions,
      source,
      ...(scales.length > 1 && { scales }),
    },
  ];
}

/** Rows of a sheet that are worth reading. */
export const MOST_ROWS = 2000;

/** The rows of a text that is a table, by comma, semicolon or tab; null where its first lines are none. */
export function csvRows(text: string): Rows | null {
  const { data, meta } = Papa.parse<string[]>(text, { skipEmptyLines: 'greedy', preview: MOST_ROWS });
  if (!meta.delimiter || data.length < 2) return null;
  const wide = data.slice(0, 12).filter((r) => r.length > 1);
  // A sentence has commas too: a table has about as many in each of its lines.
  const widths = new Set(wide.map((r) => r.length));
  const even = wide.length >= Math.min(12, data.length) * 0.6 && widths.size <= 3;
  return even && columnsOf(data) ? data : null;
}
