import { inflateSync } from 'node:zlib';
import jsQR from 'jsqr';
import { demoHouse } from '../demo/demo';
import { lotState } from '../src/core/keep/safe/fold';
import { LOT, line, lotOf, putBy, START } from '../src/core/keep/testKit';
import { codeOf, LABEL_SIZES, labelOf } from '../src/core/keep/written/labels';
import { inEnglish } from '../src/core/text/inWords';
import { labelsPdf } from '../src/server/exports/labelsPdf';

const house = demoHouse();
const URL_ = `http://192.168.1.20:3000/record/${LOT}`;

const state = lotState(
  lotOf(
    line(
      0,
      putBy({
        name: 'Cockle and leek chowder',
        allergens: ['milk', 'molluscs', 'celery', 'wheat'],
        celsius: 80,
      }),
    ),
    line(100, { kind: 'cooled', place: 'fridge' }),
    line(110, { kind: 'moved', place: 'fridge', container: { kind: 'pans', pan: 'tub-2', count: 4 } }),
  ),
  house.keeping,
);
if (!state) throw new Error('nothing kept');
const label = labelOf(state, house, START + 120 * 60_000);

type Drawn = {
  readonly page: readonly [number, number];
  readonly squares: readonly (readonly [number, number, number, number])[];
};

/** The pages of a PDF with the rectangles drawn on each, in mm from its upper left corner. */
function drawnIn(pdf: Uint8Array): readonly Drawn[] {
  const text = Buffer.from(pdf).toString('latin1');
  const MM = 25.4 / 72;
  const objects = new Map<string, string>();
  for (const m of text.matchAll(/(\d+) 0 obj\n([\s\S]*?)endobj/g)) objects.set(m[1] ?? '', m[2] ?? '');
  return [...objects.values()]
    .filter((body) => /\/Type \/Page\n/.test(body))
    .map((body) => {
      const [width = 0, height = 0] = (/\/MediaBox \[0 0 ([\d.]+) ([\d.]+)\]/.exec(body) ?? [])
        .slice(1)
        .map(Number);
      const content = objects.get(/\/Contents (\d+) 0 R/.exec(body)?.[1] ?? '') ?? '';
      const stream = /stream\n([\s\S]*?)\nendstream/.exec(content)?.[1] ?? '';
      const code = inflateSync(Buffer.from(stream, 'latin1')).toString('latin1');
      const squares = [...code.matchAll(/([\d.]+) ([\d.]+) ([\d.]+) ([\d.]+) re/g)].map(
        (m) => m.slice(1).map((v) => Number(v) * MM) as unknown as [number, number, number, number],
      );
      return { page: [width * MM, height * MM], squares };
    });
}

/** What a scanner sees of some squares: black on white, four dots to a module. */
function seen(squares: Drawn['squares']) {
  const cell = Math.min(...squares.map((s) => s[2]));
  const [left, top] = [Math.min(...squares.map((s) => s[0])), Math.min(...squares.map((s) => s[1]))];
  const side = Math.round((Math.max(...squares.map((s) => s[0] + s[2])) - left) / cell);
  const quiet = 4;
  const scale = 4;
  const size = (side + 2 * quiet) * scale;
  const pixels = new Uint8ClampedArray(size * size * 4).fill(255);
  for (const [x, y] of squares) {
    const [column, row] = [Math.round((x - left) / cell) + quiet, Math.round((y - top) / cell) + quiet];
    for (let dy = 0; dy < scale; dy++)
      for (let dx = 0; dx < scale; dx++) {
        const at = ((row * scale + dy) * size + column * scale + dx) * 4;
        pixels.fill(0, at, at + 3);
      }
  }
  return { pixels, size, cell };
}

describe.each(LABEL_SIZES)('$id', (size) => {
  const make = (count: number, from = 0) => labelsPdf(label, URL_, { size, count, from }, inEnglish);

  test('its page is as large as it says, to a tenth of a millimetre', async () => {
    const [first] = drawnIn(await make(1));
    expect(first?.page[0]).toBeCloseTo(size.page[0], 1);
    expect(first?.page[1]).toBeCloseTo(size.page[1], 1);
  });

  test('the code on it is read back by a decoder, and large enough to be', async () => {
    const [first] = drawnIn(await make(1));
    const { pixels, size: side, cell } = seen(first?.squares ?? []);
    expect(jsQR(pixels, side, side)?.data).toBe(URL_);
    // ISO/IEC 18004 leaves it to the reader; a quarter of a millimetre is what phones and print heads of 203 dpi
    // manage (common practice, no source).
    expect(cell).toBeGreaterThan(0.25);
  });

  test('every label stands inside its own part of the sheet', async () => {
    const per = size.grid[0] * size.grid[1];
    const pages = drawnIn(await make(per + 1));
    expect(pages).toHaveLength(2);
    const [width, height] = size.label;
    for (const [x, y, w, h] of pages.flatMap((p) => p.squares)) {
      const [inX, inY] = [(x - size.margin[0]) % width, (y - size.margin[1]) % height];
      expect(inX).toBeGreaterThan(2);
      expect(inX + w).toBeLessThan(width - 2);
      expect(inY).toBeGreaterThan(2);
      expect(inY + h).toBeLessThan(height - 2);
    }
  });
});

test('a sheet begun before goes on at the place named', async () => {
  const [a4] = LABEL_SIZES;
  const [page] = drawnIn(await labelsPdf(label, URL_, { size: a4, count: 1, from: 4 }, inEnglish));
  // The fifth place of three across: second row, second column.
  const x = Math.min(...(page?.squares ?? []).map((s) => s[0]));
  const y = Math.min(...(page?.squares ?? []).map((s) => s[1]));
  expect(Math.floor(x / 70)).toBe(1);
  expect(Math.floor(y / 49.5)).toBe(1);
});

test('what stands on it: name, dates, allergens, how much in each, its code', () => {
  expect(label).toMatchObject({
    name: 'Cockle and leek chowder',
    useBy: '2026-11-27',
    allergens: ['milk', 'molluscs', 'celery', 'wheat'],
    ml: 2000,
    code: codeOf(LOT),
    again: false,
  });
  expect(codeOf('ab12cd34-0000-4000-8000-000000000001')).toBe('AB12-CD34');
});
