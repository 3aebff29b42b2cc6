import QRCode from 'qrcode';
import { ifColdWords } from '../../core/keep/written/dates';
import type { Label, LabelSize } from '../../core/keep/written/labels';
import { message } from '../../core/message/message';
import { term } from '../../core/message/term';
import { shortDay } from '../../core/service/words/dayWords';
import type { Words } from '../../core/text/inWords';
import { timeOfDay } from '../../core/units/clock';
import { BOLD, TEXT } from './paper';
import { type Doc, pdfOf } from './pdf';

/** pt in a mm. */
export const PT = 72 / 25.4;

const BLACK = '#000000';
/** mm from a label’s edge nothing is printed in: rolls and sheets are never cut exactly. */
const EDGE = 2.5;

const NOT_WITHIN = message('not within the rule');
const NOT_TOLD = message('not told to be safe');

/** The largest size, pt, at which `text` fits `width`, from `most` down to `least`. */
function fitting(doc: Doc, text: string, font: string, width: number, most: number, least: number): number {
  for (let size = most; size > least; size -= 0.5)
    if (doc.font(font).fontSize(size).widthOfString(text) <= width) return size;
  return least;
}

const moment = (ms: number): string => {
  const d = new Date(ms);
  return `${d.getDate()}.${d.getMonth() + 1}. ${timeOfDay(d)}`;
};

/** The QR code of `url` as squares, from (x, y), `side` pt wide with its quiet zone. */
function drawCode(doc: Doc, url: string, x: number, y: number, side: number): void {
  const { modules } = QRCode.create(url, { errorCorrectionLevel: 'M' });
  const quiet = 2;
  const cell = side / (modules.size + 2 * quiet);
  for (let row = 0; row < modules.size; row++)
    for (let column = 0; column < modules.size; column++)
      if (modules.get(row, column))
        doc.rect(x + (column + quiet) * cell, y + (row + quiet) * cell, cell, cell);
  doc.fill(BLACK);
}

/** One label in its place, pt. Allergens first under the name, in capitals; the date as large as it goes. */
function drawLabel(
  doc: Doc,
  label: Label,
  url: string,
  say: Words,
  at: readonly [number, number],
  size: readonly [number, number],
): void {
  const [x, y] = [at[0] + EDGE * PT, at[1] + EDGE * PT];
  const [width, height] = [size[0] - 2 * EDGE * PT, size[1] - 2 * EDGE * PT];
  const code = Math.min(width * 0.42, height * 0.46);
  const left = width - code - 4;
  let top = y;
  const line = (text: string, font: string, pt: number, w: number, most = 2): void => {
    doc.font(font).fontSize(pt).fillColor(BLACK);
    const h = Math.min(doc.heightOfString(text, { width: w }), doc.currentLineHeight(true) * most);
    doc.text(text, x, top, { width: w, height: h + 0.5, ellipsis: true });
    top += h + 0.8;
  };
  line(label.name, BOLD, fitting(doc, label.name, BOLD, width, 13, 8.5), width, 2);
  if (label.allergens.length > 0) {
    const those = say('{those}', { those: { listed: label.allergens.map((a) => ({ loud: term(a) })) } });
    line(those, BOLD, fitting(doc, those, BOLD, width, 9, 6.5), width, 3);
  }
  const condition = ifColdWords(label);
  const dated = label.undated === null || label.undated === 'frozen';
  const useBy = label.useBy
    ? say(shortDay(label.useBy))
    : label.undated === 'frozen'
      ? say('{days, plural, one {one day} other {# days}} thawed', { days: label.daysLeft })
      : say('{why}', { why: { loud: label.undated === 'not within the rule' ? NOT_WITHIN : NOT_TOLD } });
  type Line = readonly [text: string, font: string, most: number, lines?: number];
  const lower: readonly Line[] = [
    [dated ? say('use by') : say('do not use'), dated ? TEXT : BOLD, 7],
    [useBy, BOLD, 15],
    ...(condition ? [[say(condition), BOLD, 7.5, 2] as const] : []),
    ...label.deviations.slice(0, 2).map((d) => [say(d), TEXT, 6.5, 3] as const),
    ...(label.deviations.length > 2
      ? [[say('and {count} more', { count: label.deviations.length - 2 }), TEXT, 6.5] as const]
      : []),
    [say('made {at}', { at: moment(label.madeAt) }), TEXT, 7.5],
    ...(label.cooledAt === null
      ? []
      : [[say('cold {at}', { at: moment(label.cooledAt) }), TEXT, 7.5] as const]),
    [`${say('{volume}', { volume: { ml: label.ml } })} · ${label.station}`, TEXT, 7.5],
    [label.again ? say('{code} · printed again', { code: label.code }) : label.code, BOLD, 7.5],
  ];
  const drawn = lower.map(([text, font, most, lines = 1]) => {
    // What may take several lines is as small as that needs; a single line is as large as it fits.
    const pt = lines > 1 ? most : fitting(doc, text, font, left, most, 5.5);
    doc.font(font).fontSize(pt);
    const one = doc.currentLineHeight(true);
    return { text, font, pt, lines, tall: Math.min(doc.heightOfString(text, { width: left }), one * lines) };
  });
  const tall = drawn.reduce((sum, d) => sum + d.tall + 0.8, 0);
  // The dates stand at the foot, beside the code, whatever the name above takes.
  top = Math.max(top, y + height - tall);
  for (const d of drawn) line(d.text, d.font, d.pt, left, d.lines);
  drawCode(doc, url, x + width - code, y + height - code, code);
}

/**
 * `count` labels at true scale: a page a label on a roll, a sheet as it is cut, from place `from` (0 and up) on it. `url` is what the code
 * opens on the kitchen’s own server.
 */
export async function labelsPdf(
  label: Label,
  url: string,
  { size, count, from }: { readonly size: LabelSize; readonly count: number; readonly from: number },
  say: Words,
): Promise<Uint8Array> {
  const page: [number, number] = [size.page[0] * PT, size.page[1] * PT];
  const { doc, ended } = pdfOf(label.name, { size: page, margin: 0, autoFirstPage: false });
  const [across, down] = size.grid;
  const per = across * down;
  for (let n = 0; n < count; n++) {
    const place = (from + n) % per;
    if (n === 0 || place === 0) doc.addPage({ size: page, margin: 0 });
    const at = [
      (size.margin[0] + (place % across) * size.label[0]) * PT,
      (size.margin[1] + Math.floor(place / across) * size.label[1]) * PT,
    ] as const;
    drawLabel(doc, label, url, say, at, [size.label[0] * PT, size.label[1] * PT]);
  }
  return ended();
}
