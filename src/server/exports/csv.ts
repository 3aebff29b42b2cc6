import Papa from 'papaparse';

/** Signs by which a spreadsheet takes what follows for a formula, of any width. */
const SIGN = '[=+\\-@＝＋－﹢﹣＠﹦﹫]';
/** What does not show before it. */
const UNSEEN = '[\\s\\p{Cc}\\p{Cf}]*';

/**
 * What a spreadsheet may take for a formula, whatever stands before it: signs of any width, after spaces, line
 * ends or what does not show.
 */
const FORMULA = new RegExp(`^${UNSEEN}${SIGN}`, 'u');
/** The same where a spreadsheet parts cells at another sign than a comma. */
const PARTED = new RegExp(`([;\\t|])(?=${UNSEEN}${SIGN})`, 'gu');

/** What stands before all that shows is for {@link FORMULA}. */
const LEAD = new RegExp(`^${UNSEEN}`, 'u');

const harmless = (value: unknown): unknown => {
  if (typeof value !== 'string') return value;
  const lead = LEAD.exec(value)?.[0] ?? '';
  return lead + value.slice(lead.length).replace(PARTED, "$1'");
};

/**
 * Rows as CSV (RFC 4180), with a line that names their fields. Text that a spreadsheet would take for a formula is
 * made harmless, wherever it parts cells.
 */
export function csvOf(
  rows: readonly Readonly<Record<string, unknown>>[],
  fields?: readonly string[],
): string {
  const data = rows.map((r) => Object.fromEntries(Object.entries(r).map(([k, v]) => [k, harmless(v)])));
  return `${Papa.unparse(fields ? { fields: [...fields], data } : data, { escapeFormulae: FORMULA })}\r\n`;
}
