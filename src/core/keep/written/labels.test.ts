import { demoHouse } from '../../../../demo/demo';
import type { KeepEvent } from '../events';
import { lotState } from '../safe/fold';
import { line, lotOf, putBy, START, WELL } from '../testKit';
import { LABEL_SIZES, labelOf } from './labels';

const house = demoHouse();

/** ISO 216 and ANSI/ASME Y14.1: what paper there is, mm. */
const PAPER: Readonly<Record<string, readonly [number, number]>> = { A4: [210, 297], Letter: [215.9, 279.4] };

test.each(LABEL_SIZES)(
  'labels of $id fill its page to the edges it leaves',
  ({ id, page, label, grid, margin }) => {
    // A roll is as wide as it is called, and has one label to the piece.
    expect([page[0], page[1]]).toEqual(PAPER[id] ?? [Number(id.replace('roll ', '')), 46]);
    if (!(id in PAPER))
      expect([grid, margin]).toEqual([
        [1, 1],
        [0, 0],
      ]);
    for (const n of [0, 1] as const) {
      expect(grid[n] * label[n] + 2 * margin[n]).toBeCloseTo(page[n], 9);
      expect(Number.isInteger(grid[n])).toBe(true);
      // A sheet of the printer's own paper is cut to its edge, or all around alike.
      expect(margin[n]).toBe(id === 'Letter' ? [6.35, 12.7][n] : 0);
    }
  },
);

// The demo kitchen keeps things for five days.
test('a label says what one of its pans holds, and whether there was one before', () => {
  const of = (...events: readonly KeepEvent[]) => {
    const state = lotState(lotOf(...events), house.keeping);
    if (!state) throw new Error('nothing kept');
    return labelOf(state, house, START + 300 * 60_000);
  };
  expect(of(...WELL)).toMatchObject({ ml: 2000, again: false, useBy: '2026-11-27' });
  expect(of(line(0, putBy({ place: 'fridge' })))).toMatchObject({ ml: 8000 });
  const printed = line(210, { kind: 'labelled', count: 4, size: 'A4', again: false });
  expect(of(...WELL, printed).again).toBe(true);
});
