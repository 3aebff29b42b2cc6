import type { KeptRecord } from '../../contract/keep';
import { type Entry, LOUD } from '../../core/keep/written/entries';
import { message } from '../../core/message/message';
import { term } from '../../core/message/term';
import { daysAwayWords } from '../../core/record/awayWords';
import type { Words } from '../../core/text/inWords';
import { dayAndTime, timeOfDay } from '../../core/units/clock';
import { csvOf } from './csv';
import { BOLD, FIGURES, INK, type Paper, QUIET, TEXT } from './paper';
import { type Doc, pdfOf } from './pdf';

const FIELDS = [
  'at',
  'received',
  'of',
  'lot',
  'says',
  'celsius',
  'by',
  'station',
  'access',
  'said',
  'probe',
  'marks',
  'done',
  'done by',
  'done at',
  'id',
] as const;

/**
 * The record as CSV (RFC 4180): a line an entry, moments in UTC; under them what is put away of these days, and
 * its head on the last line.
 */
export function recordCsv({ entries, head, away }: KeptRecord, say: Words): string {
  const rows = entries.map((e) => ({
    at: new Date(e.at).toISOString(),
    received: e.receivedAt === null ? '' : new Date(e.receivedAt).toISOString(),
    of: e.name,
    lot: e.lot ?? '',
    says: say(e.says),
    celsius: e.celsius ?? '',
    by: e.by,
    station: e.via?.name ?? '',
    access: e.via?.access ?? '',
    said: e.via?.said ?? '',
    probe: e.probe ?? '',
    marks: e.marks.join('; '),
    done: e.done ? e.done.what || say(message('nobody has said what was done')) : '',
    'done by': e.done?.by ?? '',
    'done at': e.done?.what ? new Date(e.done.at).toISOString() : '',
    id: e.id,
  }));
  const foot = [...away.map((a) => say(daysAwayWords(a))), `head ${head.n}:${head.hash}`].map((says) => ({
    ...Object.fromEntries(FIELDS.map((f) => [f, ''])),
    says,
  }));
  return csvOf([...rows, ...foot], FIELDS);
}

/** The record as an open document: `panache.record/1`. */
export const recordJson = (record: KeptRecord, say: Words) => ({
  format: 'panache.record/1',
  ...record,
  entries: record.entries.map((e) => ({
    ...e,
    at: new Date(e.at).toISOString(),
    receivedAt: e.receivedAt === null ? null : new Date(e.receivedAt).toISOString(),
    says: say(e.says),
    done: e.done && { ...e.done, at: new Date(e.done.at).toISOString() },
  })),
});

const MARGIN = 36;
/** Points of the column that says by whom. */
const BY_WIDE = 96;
const TOMATO = '#b32a18';

/** The record being written: where on the page, and under which day. */
type Sheet = {
  readonly doc: Doc;
  readonly say: Words;
  readonly width: number;
  readonly columns: { readonly at: number; readonly of: number; readonly says: number; readonly by: number };
  y: number;
  day: string;
};

/** Points kept free for the foot of each page. */
const FOOT = 64;

const roomOn = ({ doc }: Sheet): number => doc.page.height - MARGIN - FOOT;

/** On the next page where `height` has no room on this. */
function makeRoom(sheet: Sheet, height: number): void {
  if (sheet.y + height <= roomOn(sheet)) return;
  sheet.doc.addPage();
  sheet.y = MARGIN;
}

/** What a line says, with its marks, and under it what was done about it. */
function wordsOf(e: Entry, say: Words): string {
  const marks = e.marks.map((m) => say(term(m))).join(', ');
  const line = marks ? `${say(e.says)} (${marks})` : say(e.says);
  if (!e.done) return line;
  const done = e.done.what
    ? say('{what}: {by}, {at}', {
        what: e.done.what,
        by: e.done.by,
        at: timeOfDay(new Date(e.done.at)),
      })
    : say('Nobody has said what was done.');
  return `${line}\n${done}`;
}

function drawRow(sheet: Sheet, e: Entry): void {
  const { doc, columns } = sheet;
  const here = dayAndTime(new Date(e.at)).split(',')[0] ?? '';
  const words = wordsOf(e, sheet.say);
  const bad = e.marks.some((m) => LOUD.has(m));
  const by = [e.by, e.via && e.via.name !== e.by ? e.via.name : '', e.probe].filter(Boolean).join(', ');
  doc.font(TEXT).fontSize(9.5);
  const tall = doc.heightOfString(by, { width: BY_WIDE });
  doc.font(bad ? BOLD : TEXT);
  const height = Math.max(
    tall,
    doc.heightOfString(words, { width: columns.by - columns.says - 8 }),
    doc.heightOfString(e.name, { width: columns.says - columns.of - 8 }),
  );
  makeRoom(sheet, height + (here === sheet.day ? 0 : 22));
  if (here !== sheet.day) {
    sheet.day = here;
    doc
      .font(BOLD)
      .fontSize(12)
      .fillColor(INK)
      .text(here, MARGIN, sheet.y + 6);
    sheet.y = doc.y + 4;
  }
  const { y } = sheet;
  doc
    .font(FIGURES)
    .fontSize(9.5)
    .fillColor(INK)
    .text(timeOfDay(new Date(e.at)), columns.at, y, { lineBreak: false });
  doc
    .font(bad ? BOLD : TEXT)
    .fillColor(bad ? TOMATO : INK)
    .text(words, columns.says, y, { width: columns.by - columns.says - 8 });
  doc
    .font(TEXT)
    .fillColor(INK)
    .text(e.name, columns.of, y, { width: columns.says - columns.of - 8 });
  doc.fillColor(QUIET).text(by, columns.by, y, { width: BY_WIDE });
  sheet.y += height + 3;
}

/** What stands after the lines: days that are put away, and who signed. */
function drawEnd(sheet: Sheet, record: KeptRecord): void {
  const { doc, say, width } = sheet;
  const write = (text: string, color: string) => {
    doc
      .font(BOLD)
      .fontSize(10)
      .fillColor(color)
      .text(text, MARGIN, sheet.y + 8, { width });
    sheet.y = doc.y;
  };
  makeRoom(sheet, 40);
  for (const away of record.away) write(say(daysAwayWords(away)), TOMATO);
  for (const s of record.signed)
    write(
      say('Signed off by {by}, {at}. {note}', { by: s.by, at: dayAndTime(new Date(s.at)), note: s.note }),
      INK,
    );
}

/** On every page its number, when it was printed, and the head it can be held against. */
function drawFeet({ doc, say, width }: Sheet, record: KeptRecord): void {
  const { start, count } = doc.bufferedPageRange();
  for (let n = start; n < start + count; n++) {
    doc.switchToPage(n);
    doc.page.margins.bottom = 0;
    doc.font(TEXT).fontSize(8).fillColor(QUIET);
    doc.text(
      say('Page {n} of {count}. Printed {at}. Head of the record {head}', {
        n: n + 1,
        count,
        at: dayAndTime(new Date(record.madeAt)),
        head: `${record.head.n}:${record.head.hash}`,
      }),
      MARGIN,
      doc.page.height - MARGIN - 26,
      { width, lineBreak: true },
    );
    doc.text(
      say('Figures of the rules are from memory; the local food code and those responsible for it decide.'),
      MARGIN,
      doc.page.height - MARGIN - 6,
      { width },
    );
  }
}

/** The record on paper: what was over a limit, late, missing or thrown away stands out by a word of its own. */
export async function recordPdf(record: KeptRecord, paper: Paper, say: Words): Promise<Uint8Array> {
  const title = say('Record of {kitchen}, {from} to {to}', {
    kitchen: record.kitchen,
    from: record.from,
    to: record.to,
  });
  const { doc, ended } = pdfOf(title, { size: paper, margin: MARGIN, bufferPages: true });
  const width = doc.page.width - 2 * MARGIN;
  doc.font(BOLD).fontSize(18).fillColor(INK).text(title, MARGIN, MARGIN, { width });
  const columns = { at: MARGIN, of: MARGIN + 52, says: MARGIN + 170, by: MARGIN + width - BY_WIDE };
  const sheet: Sheet = { doc, say, width, columns, y: doc.y + 8, day: '' };
  for (const e of record.entries) drawRow(sheet, e);
  if (record.entries.length === 0)
    doc.font(TEXT).fontSize(11).text(say('Nothing was written down in these days.'), MARGIN, sheet.y);
  drawEnd(sheet, record);
  drawFeet(sheet, record);
  return ended();
}
