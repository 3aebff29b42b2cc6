import { BatchEvent } from './events';

const ID = '00000000-0000-4000-8000-000000000009';
const long = (n: number) => 'x'.repeat(n);
const line = (body: unknown) =>
  BatchEvent.safeParse({ id: ID, at: '2026-01-31T16:10:00Z', station: 'Opener', body });
const flow = (test: object, readings: readonly unknown[] = [20], celsius: unknown = 65) => ({
  kind: 'flow',
  test,
  readings,
  celsius,
});
const funnel = (more: object) =>
  flow({ kind: 'funnel', name: 'G', funnel: { a: 1, b: 0 }, orificeMm: 7, ml: 150, ...more });
const corrected = (more: object) => ({
  kind: 'corrected',
  faults: [],
  title: 'T',
  predicted: 100,
  low: 80,
  high: 120,
  ...more,
});
const added = (more: object) => ({ kind: 'step-added', before: 0, title: 'Sieve it', ...more });
const weighed = (more: object) => ({ kind: 'weighed', step: 0, item: 0, g: 10, ...more });
const put = (more: object) => ({ kind: 'put-in', ingredient: 'water', g: 10, ...more });
const finished = (more: object) => ({ kind: 'finished', goesTo: 'pass', ...more });

/** What the record takes at its bounds, and what it does not just over them. The same for every station and every archive. */
test.each<
  [what: string, of: (value: never) => unknown, within: readonly unknown[], over: readonly unknown[]]
>([
  ['step', (step) => ({ kind: 'step-done', step }), [0, 80, ID], [-1, 81, 0.5, 'soon']],
  ['step under way', (step) => ({ kind: 'step-begun', step }), [0, 80, ID], [-1, 81]],
  ['reason', (reason) => ({ kind: 'step-skipped', step: 0, reason }), ['x', long(200)], ['', long(201)]],
  ['before which step', (before) => added({ before }), [0, 81], [-1, 82]],
  ['a step’s title', (title) => added({ title }), ['x', long(120)], ['', long(121)]],
  ['minutes of a step', (minutes) => added({ minutes }), [0, 600], [-1, 601]],
  ['part', (part) => ({ kind: 'part-done', step: 0, part }), [0, 99], [-1, 100]],
  ['item of a step', (item) => weighed({ item }), [0, 40], [-1, 41]],
  ['step weighed for', (step) => weighed({ step }), [0, 80], [-1, 81, ID]],
  ['weight, g', (g) => weighed({ g }), [0, 2e6], [-0.1, 2e6 + 1]],
  ['scale', (from) => weighed({ from }), ['', long(60)], [long(61)]],
  ['put in, g', (g) => put({ g }), [0.1, 2e5], [0, 2e5 + 1]],
  ['put in at, °C', (celsius) => put({ celsius }), [-25, 100], [-25.1, 100.1]],
  ['a food', (ingredient) => put({ ingredient }), ['water'], ['sawdust', '']],
  ['colour of which step', (step) => ({ kind: 'colour', step, colour: 'blond' }), [0, 80], [-1, 81]],
  ['temperature, °C', (celsius) => ({ kind: 'temperature', celsius }), [-45, 200], [-45.1, 200.1]],
  [
    'of a pan, °C',
    (celsius) => ({ kind: 'pan-temperature', pan: 'tray', celsius }),
    [-45, 200],
    [-45.1, 200.1],
  ],
  ['level, mm', (mm) => ({ kind: 'depth', mm }), [1, 1200], [0.9, 1200.1]],
  ['volume, mL', (ml) => ({ kind: 'volume', ml }), [20, 600_000], [19, 600_001]],
  ['on the scale, g', (g) => ({ kind: 'mass', g }), [20, 600_000], [19, 600_001]],
  ['name of a funnel', (name) => funnel({ name }), ['x', long(60)], ['', long(61)]],
  ['opening of a funnel, mm', (orificeMm) => funnel({ orificeMm }), [1, 30], [0.9, 30.1]],
  ['measure of a funnel, mL', (ml) => funnel({ ml }), [5, 2000], [4.9, 2000.1]],
  ['ring, mL', (ml) => flow({ kind: 'line spread', ml, seconds: 30 }), [5, 500], [4.9, 500.1]],
  ['wait of a spread, s', (seconds) => flow({ kind: 'line spread', ml: 50, seconds }), [1, 600], [0.9, 601]],
  ['trough, mm²', (mm2) => flow({ kind: 'trough', mm2, seconds: 30 }), [50, 20_000], [49, 20_001]],
  ['wait of a trough, s', (seconds) => flow({ kind: 'trough', mm2: 100, seconds }), [1, 600], [0.9, 601]],
  [
    'spoon wide, mm',
    (widthMm) => flow({ kind: 'spoon', widthMm, heightMm: 60, seconds: 5 }),
    [5, 300],
    [4.9, 300.1],
  ],
  [
    'spoon high, mm',
    (heightMm) => flow({ kind: 'spoon', widthMm: 40, heightMm, seconds: 5 }),
    [5, 300],
    [4.9, 300.1],
  ],
  [
    'wait of a spoon, s',
    (seconds) => flow({ kind: 'spoon', widthMm: 40, heightMm: 60, seconds }),
    [1, 120],
    [0.9, 120.1],
  ],
  ['a cup’s opening', (orifice) => flow({ kind: 'cup', orifice }), [3, 4, 5, 6], [2, 7]],
  ['a reading', (reading) => flow({ kind: 'cup', orifice: 4 }, [reading]), [0.05, 3600], [0.04, 3601]],
  ['readings', (n) => flow({ kind: 'cup', orifice: 4 }, Array(n).fill(20)), [1, 9], [0, 10]],
  ['test at, °C', (celsius) => flow({ kind: 'cup', orifice: 4 }, [20], celsius), [1, 100], [0.9, 100.1]],
  ['left in a syringe, mL', (mlLeft) => ({ kind: 'syringe', mlLeft, flows: true }), [0, 10], [-0.1, 10.1]],
  [
    'syringe at, °C',
    (celsius) => ({ kind: 'syringe', mlLeft: 4, flows: true, celsius }),
    [1, 100],
    [0.9, 100.1],
  ],
  ['a timer, s', (seconds) => ({ kind: 'timer-started', name: 'stock', seconds }), [1, 86_400], [0, 86_401]],
  ['its name', (name) => ({ kind: 'timer-started', name, seconds: 60 }), ['x', long(60)], ['', long(61)]],
  [
    'a device',
    (device) => ({ kind: 'paired', what: 'scale', device }),
    ['x', long(60), null],
    ['', long(61)],
  ],
  ['faults', (n) => corrected({ faults: Array(n).fill('thin') }), [0, 20], [21]],
  ['a correction', (title) => corrected({ title }), ['x', long(160)], ['', long(161)]],
  ['what is predicted, mPa·s', (predicted) => corrected({ predicted }), [0.1, 100_000], [0, 100_001]],
  ['its bracket', (low) => corrected({ low }), [0.1, 100_000], [0, 100_001]],
  ['and to', (high) => corrected({ high }), [0.1, 100_000], [0, 100_001]],
  ['yield, mL', (yieldMl) => finished({ yieldMl }), [0, 600_000], [-1, 600_001]],
  ['how it tasted', (score) => finished({ score }), [1, 5], [0, 6, 2.5]],
  ['for whoever cooks it next', (note) => finished({ note }), ['', long(1000)], [long(1001)]],
  ['a note', (text) => ({ kind: 'note', text }), ['x', long(1000)], ['', long(1001)]],
])('%s: what can be is taken, what cannot is not', (_what, of, within, over) => {
  for (const value of within) expect([value, line(of(value as never)).success]).toEqual([value, true]);
  for (const value of over) expect([value, line(of(value as never)).success]).toEqual([value, false]);
});
