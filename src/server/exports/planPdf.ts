import type { PlanSheet } from '../../core/formats/sheet';
import { inEnglish, type Words } from '../../core/text/inWords';
import { BOLD, FIGURES, INK, type Paper, QUIET, TEXT } from './paper';
import { type Doc, pdfOf } from './pdf';

const MARGIN = 34;
const GAP = 18;
/** Share of the page's width the weigh-out takes. */
const LEFT_SHARE = 0.46;
const RULE = '#c3cfc4';
const BUTTER = '#f4c534';

/** Sizes tried until everything stands on one page; the smallest is still read at arm's length. */
const SCALES = [1.15, 1.05, 1, 0.93, 0.86, 0.8, 0.74] as const;

/** Letters the shipped fonts lack, in letters they have. */
const plain = (text: string): string =>
  text
    .replace(/\u00a0/g, ' ')
    .replace(/⁻¹/g, '-1')
    .replace(/(\d?)([⅓⅔])/g, (_m, whole, sign) => `${whole && `${whole} `}${sign === '⅓' ? '1/3' : '2/3'}`);

/** Writing at one size; without `real` only measured. Each gives the height it takes, pt. */
function penOf(doc: Doc, scale: number, real: boolean) {
  const size = (pt: number): number => pt * scale;
  return {
    doc,
    real,
    size,
    write: (text: string, x: number, y: number, w: number, f: string, pt: number, color = INK): number => {
      doc.font(f).fontSize(size(pt));
      const words = plain(text);
      const h = doc.heightOfString(words, { width: w });
      if (real) doc.fillColor(color).text(words, x, y, { width: w });
      return h;
    },
    rule: (x: number, y: number, w: number, color = RULE, thick = 0.7): void => {
      if (real)
        doc
          .moveTo(x, y)
          .lineTo(x + w, y)
          .lineWidth(thick)
          .strokeColor(color)
          .stroke();
    },
  };
}
type Pen = ReturnType<typeof penOf>;

/** What it is, for whom and on what fire. Returns where it ends, pt, as all of these do. */
function drawHead({ write, rule, size }: Pen, sheet: PlanSheet, width: number): number {
  let y = MARGIN;
  y += write(sheet.title, MARGIN, y, width, BOLD, 22);
  y += write(sheet.order, MARGIN, y + 2, width, TEXT, 12.5) + 2;
  if (sheet.beside.length > 0) y += write(sheet.beside.join(' · '), MARGIN, y + 2, width, TEXT, 10.5) + 2;
  y += write(sheet.fire, MARGIN, y + 2, width, TEXT, 10.5, QUIET) + 8;
  rule(MARGIN, y, width, INK, 1.6);
  return y + size(7);
}

/** What is weighed, each with a box to tick; the dose on butter. */
function drawWeighOut(pen: Pen, sheet: PlanSheet, say: Words, top: number, left: number): number {
  const { doc, real, size, write, rule } = pen;
  const figureWidth = size(70);
  const box = size(13);
  let y = top;
  y += write(say('Weigh out, in the order you need it'), MARGIN, y, left, BOLD, 11.5, QUIET) + size(3);
  for (const l of sheet.lines) {
    const x = MARGIN + box + size(6);
    const words = x + figureWidth + size(8);
    const w = MARGIN + left - words;
    if (real) {
      doc
        .rect(MARGIN, y + size(2), box, box)
        .lineWidth(1.2)
        .strokeColor(INK)
        .stroke();
      if (l.dose) doc.rect(x, y, figureWidth, size(19)).fill(BUTTER);
      doc.font(FIGURES).fontSize(size(15)).fillColor(INK);
      doc.text(plain(`${l.figure} ${l.unit}`), x, y + size(1), {
        width: figureWidth - size(2),
        align: 'right',
        lineBreak: false,
      });
    }
    const name = l.dose ? say('{what} (the dose)', { what: l.name }) : l.name;
    let h = write(name, words, y + size(1), w, BOLD, 11.5);
    if (l.aside) h += write(l.aside, words, y + size(1) + h, w, TEXT, 9.5, QUIET);
    y += Math.max(size(20), h + size(4));
    rule(MARGIN, y, left);
    y += size(2.5);
  }
  return y;
}

/** Its steps by the clock. */
function drawClock(pen: Pen, sheet: PlanSheet, say: Words, top: number, x0: number, right: number): number {
  const { doc, real, size, write, rule } = pen;
  const clockWidth = size(50);
  let y = top;
  y += write(say('By the clock'), x0, y, right, BOLD, 11.5, QUIET) + size(3);
  for (const s of sheet.steps) {
    const x = x0 + clockWidth;
    const w = right - clockWidth;
    if (real)
      doc
        .font(FIGURES)
        .fontSize(size(13))
        .fillColor(INK)
        .text(s.at, x0, y + size(0.5), { lineBreak: false });
    let h = write(s.takes ? `${s.title}, ${s.takes}` : s.title, x, y, w, BOLD, 11.5);
    if (s.details) h += write(s.details, x, y + h, w, TEXT, 10);
    if (s.look) h += write(say('Look for {look}', { look: s.look }), x, y + h, w, TEXT, 9.5, QUIET);
    y += h + size(3);
    rule(x0, y, right);
    y += size(2.5);
  }
  return y;
}

/** Draws the sheet at one size; without `real` only measures. Returns the height it takes, pt. */
function draw(doc: Doc, sheet: PlanSheet, say: Words, scale: number, real: boolean): number {
  const pen = penOf(doc, scale, real);
  const { size, write } = pen;
  const width = doc.page.width - 2 * MARGIN;
  const left = (width - GAP) * LEFT_SHARE;
  const right = width - GAP - left;
  const top = drawHead(pen, sheet, width);
  const leftEnds = drawWeighOut(pen, sheet, say, top, left);
  let y = Math.max(leftEnds, drawClock(pen, sheet, say, top, MARGIN + left + GAP, right)) + size(6);
  for (const b of sheet.bowl)
    y += write(say('For the bowl: {what}', { what: b }), MARGIN, y, width, TEXT, 10) + size(1.5);
  for (const c of sheet.cautions) y += write(`! ${c}`, MARGIN, y, width, TEXT, 10) + size(1.5);
  y += size(3);
  y += write(
    say(
      'Doses are predictions: taste and look. Time and temperature rules follow the code named in Panache; the local food code and those responsible for it decide.',
    ),
    MARGIN,
    y,
    width,
    TEXT,
    8.5,
    QUIET,
  );
  return y;
}

/** The plan as a PDF: one page for a normal soup, as large as it goes, and one before it for a stock made for it. */
export async function planPdf(sheet: PlanSheet, paper: Paper, say: Words = inEnglish): Promise<Uint8Array> {
  const { doc, ended } = pdfOf(sheet.title, { size: paper, margin: 0 });
  const room = doc.page.height - MARGIN;
  const page = (one: PlanSheet) => {
    const scale = SCALES.find((s) => draw(doc, one, say, s, false) <= room) ?? SCALES.at(-1) ?? 0.74;
    draw(doc, one, say, scale, true);
  };
  if (sheet.first) {
    page(sheet.first);
    doc.addPage({ size: paper, margin: 0 });
  }
  page(sheet);
  return ended();
}
