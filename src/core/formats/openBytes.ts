import { message } from '../message/message';
import { isZip, recipesInWorkbook, textOf } from './found/bytes';
import { asRecipes, type OpenedFile, openFile } from './openFile';

const SIGNS: readonly (readonly [sign: string, what: string])[] = [
  ['%PDF', 'PDF'],
  ['\x89PNG', 'PNG'],
  ['\xff\xd8\xff', 'JPEG'],
  ['GIF8', 'GIF'],
  ['RIFF', 'WebP'],
  ['\xd0\xcf\x11\xe0', 'xls'],
];

const refused = (says: ReturnType<typeof message>): OpenedFile => ({
  kind: 'refused',
  problems: [{ place: message('file'), says }],
});

/**
 * Finds out what the bytes of a file are and reads it: a workbook by its sheets, anything else as the text it is.
 * Pictures and PDF are refused by name: what they show is not read.
 */
export async function openBytes(bytes: Uint8Array): Promise<OpenedFile> {
  if (isZip(bytes)) {
    const read = await recipesInWorkbook(bytes);
    return read.ok ? asRecipes(read.found) : refused(read.says);
  }
  const begins = String.fromCharCode(...bytes.subarray(0, 4));
  const [, what] = SIGNS.find(([sign]) => begins.startsWith(sign)) ?? [];
  if (what === 'xls')
    return refused(
      message('it is a workbook of the old kind (.xls): save it as .xlsx or .csv and send that'),
    );
  if (what)
    return refused(
      message(
        'it is a {what}: what a picture or a printed page shows is not read; copy its text and paste it',
        {
          what,
        },
      ),
    );
  return openFile(textOf(bytes));
}
