import type { GivenOpened, WeekOpened } from '../../contract/log';
import type { Logged } from '../../core/log/logged';
import { shortDay } from '../../core/service/words/dayWords';
import type { Words } from '../../core/text/inWords';
import { spaced } from '../../core/units/shown/format';
import { type Show, volumeWords } from '../../core/units/shown/show';
import { csvOf } from './csv';
import { BOLD, FIGURES, INK, type Paper, QUIET, TEXT } from './paper';
import { pdfOf } from './pdf';

const LOG_FIELDS = [
  'id',
  'started',
  'finished',
  'soup',
  'recipe',
  'version',
  'pot',
  'burner',
  'role',
  'asked mL',
  'yield mL',
  'target mPa.s',
  'band',
  'foreseen',
  'foreseen low',
  'foreseen high',
  'measured first',
  'measured',
  'landed',
  'corrections',
  'put in',
  'planned s',
  'took s',
  'late s',
  'cost',
  'unpriced',
  'goes to',
  'score',
  'note',
] as const;

/** The log as CSV (RFC 4180): a line a batch, moments in UTC, metric units; what is not known is empty. */
export const logCsv = (batches: readonly Logged[]): string =>
  csvOf(
    batches.map((b) => ({
      id: b.id,
      started: b.startedAt,
      finished: b.finishedAt ?? '',
      soup: b.name,
      recipe: b.recipeId,
      version: b.recipeVersion,
      pot: b.pot,
      burner: b.burner,
      role: b.role,
      'asked mL': Math.round(b.askedMl),
      'yield mL': b.yieldMl ?? '',
      'target mPa.s': Math.round(b.target),
      band: b.band,
      foreseen: b.foreseen ? Math.round(b.foreseen.at) : '',
      'foreseen low': b.foreseen ? Math.round(b.foreseen.low) : '',
      'foreseen high': b.foreseen ? Math.round(b.foreseen.high) : '',
      'measured first': b.firstMeasured === null ? '' : Math.round(b.firstMeasured),
      measured: b.measured === null ? '' : Math.round(b.measured),
      landed: b.landed ?? '',
      corrections: b.corrections.join('; '),
      'put in': b.putIn,
      'planned s': Math.round(b.plannedSeconds),
      'took s': b.tookSeconds === null ? '' : Math.round(b.tookSeconds),
      'late s': b.lateSeconds === null ? '' : Math.round(b.lateSeconds),
      cost: b.cost === null ? '' : Math.round(b.cost * 100) / 100,
      unpriced: b.unpriced,
      'goes to': b.goesTo ?? '',
      score: b.score ?? '',
      note: b.note,
    })),
    LOG_FIELDS,
  );

/** The log as an open document: `panache.log/1`. */
export const logJson = (batches: readonly Logged[], kitchen: string) => ({
  format: 'panache.log/1',
  kitchen,
  batches,
});

/** What was given out as CSV: a line a day and soup, mL. */
export const givenCsv = ({ given }: GivenOpened): string =>
  csvOf(
    given.map((g) => ({
      day: g.day,
      soup: g.name,
      'planned mL': Math.round(g.plannedMl),
      'made mL': Math.round(g.madeMl),
      'served mL': Math.round(g.servedMl),
      'kept mL': Math.round(g.keptMl),
      'thrown away mL': Math.round(g.thrownMl),
      cost: Math.round(g.cost * 100) / 100,
      'cost thrown away': Math.round(g.thrownCost * 100) / 100,
      unpriced: g.unpriced,
    })),
    [
      'day',
      'soup',
      'planned mL',
      'made mL',
      'served mL',
      'kept mL',
      'thrown away mL',
      'cost',
      'cost thrown away',
      'unpriced',
    ],
  );

const MARGIN = 48;

/** A week on one page of paper. */
export async function weekPdf(
  { week: w, kitchen, currency }: WeekOpened,
  paper: Paper,
  say: Words,
  show: Show,
): Promise<Uint8Array> {
  const title = say('{kitchen}, {from} to {to}', { kitchen, from: shortDay(w.from), to: shortDay(w.to) });
  const { doc, ended } = pdfOf(title, { size: paper, margin: MARGIN });
  const width = doc.page.width - 2 * MARGIN;
  const money = (x: number): string => `${currency}${spaced(x, 2)}`;
  doc.font(BOLD).fontSize(22).fillColor(INK).text(title, MARGIN, MARGIN, { width });
  const figures: readonly (readonly [string, string])[] = [
    [say('Batches'), say('{n}, {ml} made', { n: w.batches, ml: volumeWords(w.madeMl, show) })],
    [say('Landed the first time'), say('{n} of {of}', { n: w.landedFirst, of: w.measured })],
    [say('Put right'), say('{n}, {cost} of what went in', { n: w.putRight, cost: money(w.rightCost) })],
    [
      say('Thrown away'),
      say('{ml}, {cost}', { ml: volumeWords(w.thrownMl, show), cost: money(w.thrownCost) }),
    ],
    [say('Late'), say('{n} of {of}', { n: w.late, of: w.wanted })],
    [say('Stands out in the record'), String(w.limitsMissed)],
    [say('Cost'), money(w.cost)],
    [say('Score'), w.score === null ? say('none') : say('{score} of 5', { score: spaced(w.score, 1) })],
  ];
  let y = doc.y + 14;
  for (const [what, says] of figures) {
    doc.font(TEXT).fontSize(13).fillColor(QUIET).text(what, MARGIN, y, { width: 200 });
    doc
      .font(FIGURES)
      .fontSize(14)
      .fillColor(INK)
      .text(says, MARGIN + 210, y, { width: width - 210 });
    y = Math.max(doc.y, y + 20) + 4;
  }
  y += 12;
  const columns = [0, 0.44, 0.56, 0.7, 0.88].map((share) => MARGIN + share * width);
  const row = (cells: readonly string[], font: string): void => {
    for (const [n, cell] of cells.entries())
      doc
        .font(n === 0 ? font : font === BOLD ? BOLD : FIGURES)
        .fontSize(11)
        .fillColor(INK)
        .text(cell, columns[n] ?? MARGIN, y, {
          width: (columns[n + 1] ?? MARGIN + width) - (columns[n] ?? 0) - 6,
        });
    y = Math.max(doc.y, y + 15) + 3;
    doc
      .moveTo(MARGIN, y - 2)
      .lineTo(MARGIN + width, y - 2)
      .lineWidth(0.5)
      .strokeColor(QUIET)
      .stroke();
  };
  row([say('Soup'), say('Batches'), say('Made'), say('Landed the first time'), say('Put right')], BOLD);
  for (const s of w.bySoup.slice(0, 24))
    row(
      [
        s.name,
        String(s.batches),
        volumeWords(s.madeMl, show),
        say('{n} of {of}', { n: s.landedFirst, of: s.measured }),
        String(s.putRight),
      ],
      TEXT,
    );
  return ended();
}
