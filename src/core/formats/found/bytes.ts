import { strFromU8, unzipSync, zipSync } from 'fflate';
import readSheets, { type CellValue } from 'read-excel-file/universal';
import { type Message, message } from '../../message/message';
import type { FoundRecipe } from './found';
import { MOST_ROWS, type Rows, recipesInTable } from './table';

/** Largest part of a workbook, and all of it, unpacked, bytes: a kitchen's recipes are a hundredth of it. */
const MOST_PART = 24_000_000;
const MOST_WHOLE = 48_000_000;

/** Windows-1252 from 0x80 to 0x9f; a full stop where it has nothing. */
const WINDOWS = '€.‚ƒ„…†‡ˆ‰Š‹Œ.Ž..‘’“”•–—˜™š›œ.žŸ';

/** The text of a file: UTF-8, UTF-16 by its mark, or Windows-1252, which cannot fail. */
export function textOf(bytes: Uint8Array): string {
  const [a, b] = bytes;
  if (a === 0xff && b === 0xfe) return new TextDecoder('utf-16le').decode(bytes);
  if (a === 0xfe && b === 0xff) return new TextDecoder('utf-16be').decode(bytes);
  // Without a mark: every other byte of a western text is nothing.
  const head = bytes.subarray(0, 400);
  const nothing = (from: number) => head.filter((v, n) => n % 2 === from && v === 0).length;
  if (head.length > 8 && nothing(1) > head.length * 0.4) return new TextDecoder('utf-16le').decode(bytes);
  if (head.length > 8 && nothing(0) > head.length * 0.4) return new TextDecoder('utf-16be').decode(bytes);
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    // Some runtimes read it as Latin 1, which has controls where Windows has dashes and quotes.
    return new TextDecoder('windows-1252')
      .decode(bytes)
      .replace(/[\u0080-\u009f]/g, (c) => WINDOWS[c.charCodeAt(0) - 0x80] ?? c);
  }
}

type Read =
  | { readonly ok: true; readonly found: readonly FoundRecipe[] }
  | { readonly ok: false; readonly says: Message };

const cannot = (says: Message): Read => ({ ok: false, says });

/** What of a workbook is read: its cells and what they stand on. No macros, pictures or what is embedded. */
const WANTED =
  /^(?:\[Content_Types\]\.xml|_rels\/\.rels|xl\/(?:workbook|styles|sharedStrings)\.xml|xl\/_rels\/workbook\.xml\.rels|xl\/worksheets\/[^/]+\.xml)$/;

/** Its cell as a cook reads it: a figure without the dust of arithmetic, a day as a day. */
const shown = (cell: CellValue | null): string =>
  cell === null
    ? ''
    : typeof cell === 'number'
      ? String(Number(cell.toPrecision(6)))
      : cell instanceof Date
        ? cell.toISOString().slice(0, 10)
        : String(cell);

/** Whether bytes are an archive, which a workbook is. */
export const isZip = (bytes: Uint8Array): boolean => bytes[0] === 0x50 && bytes[1] === 0x4b;

/**
 * The recipes of a workbook (.xlsx), a sheet after the other: the values its formulas came to when it was saved. Its
 * macros are not read. What unpacks to more than any recipe needs is refused before it is unpacked.
 */
export async function recipesInWorkbook(bytes: Uint8Array): Promise<Read> {
  let whole = 0;
  let tooMuch: string | null = null;
  let parts: Record<string, Uint8Array>;
  try {
    parts = unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        if (!WANTED.test(name)) return false;
        whole += originalSize;
        if (originalSize > MOST_PART || whole > MOST_WHOLE) tooMuch ??= name;
        return tooMuch === null;
      },
    });
  } catch {
    return cannot(message('it cannot be unpacked: it is broken, or ends too early'));
  }
  if (tooMuch !== null)
    return cannot(
      message('{part} of it unpacks to more than {most} MB: take out what is no recipe, and send that', {
        part: tooMuch,
        most: MOST_PART / 1e6,
      }),
    );
  if (!parts['xl/workbook.xml'])
    return cannot(message('it is an archive, but no workbook: of these only .xlsx is read'));
  const sheet = Object.entries(parts).find(
    ([name, part]) =>
      name.startsWith('xl/worksheets/') && (strFromU8(part).match(/<row[\s>]/g)?.length ?? 0) > MOST_ROWS,
  );
  if (sheet)
    return cannot(
      message('a sheet of it has more than {most} rows: send the rows of the recipe alone', {
        most: MOST_ROWS,
      }),
    );
  try {
    const packed = zipSync(parts, { level: 0 });
    const sheets = await readSheets(new Uint8Array(packed).buffer);
    const found = sheets.flatMap(({ sheet: name, data }) => {
      const rows: Rows = data.map((row) => row.map((c) => shown(c as CellValue | null)));
      return recipesInTable(rows, /^(?:sheet|tabelle|feuil|hoja)\s*\d*$/i.test(name) ? '' : name);
    });
    return { ok: true, found };
  } catch {
    return cannot(message('it is no workbook that can be read: save it as .xlsx or .csv and send that'));
  }
}
