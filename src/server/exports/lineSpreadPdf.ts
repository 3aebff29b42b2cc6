import type { SpreadSheet } from '../../core/flow/readings/sheet';
import { FIGURES, INK, type Paper, QUIET, TEXT } from './paper';
import { pdfOf } from './pdf';

/** Points to a millimetre. */
const MM = 72 / 25.4;

/** The line-spread sheet at true scale, one page. */
export async function lineSpreadPdf(sheet: SpreadSheet, paper: Paper): Promise<Uint8Array> {
  const { doc, ended } = pdfOf('Line-spread sheet', { size: paper, margin: 0 });
  const { width, height } = doc.page;
  const [x, y] = [width / 2, 112 * MM];
  for (const { radius, labelled } of sheet.rings) {
    doc
      .circle(x, y, radius * MM)
      .lineWidth(labelled ? 0.9 : 0.4)
      .strokeColor(INK)
      .stroke();
    if (labelled) {
      doc.font(FIGURES).fontSize(9).fillColor(INK);
      for (const side of [-1, 1])
        doc.text(String(radius), x + side * radius * MM - 10, y + 1.5, {
          width: 20,
          align: 'center',
          lineBreak: false,
        });
    }
  }
  for (const [dx, dy] of [
    [1, 0],
    [0, 1],
  ] as const)
    doc
      .moveTo(x - dx * 97 * MM, y - dy * 97 * MM)
      .lineTo(x + dx * 97 * MM, y + dy * 97 * MM)
      .lineWidth(0.4)
      .strokeColor(QUIET)
      .stroke();
  const text = (words: string, at: number, size = 11, font = TEXT) =>
    doc
      .font(font)
      .fontSize(size)
      .fillColor(INK)
      .text(words, 18 * MM, at, { width: width - 36 * MM });
  text(
    `Ring on the cross, ${sheet.ml} mL of soup at ${sheet.celsius} °C in it. Lift straight up; after ${sheet.seconds} s read the radius, mm, on four sides.`,
    213 * MM,
  );
  text(sheet.bands.map((b) => `${b.band} ${b.from} to ${b.to}`).join('   '), 224 * MM, 11, FIGURES);
  text('Print at 100 %, not “fit to page”. This line is 100 mm:', 234 * MM);
  const at = Math.min(height - 20 * MM, 244 * MM);
  doc
    .moveTo(18 * MM, at)
    .lineTo(118 * MM, at)
    .lineWidth(1.2)
    .strokeColor(INK)
    .stroke();
  for (const mm of [18, 118])
    doc
      .moveTo(mm * MM, at - 2 * MM)
      .lineTo(mm * MM, at + 2 * MM)
      .stroke();
  return ended();
}
