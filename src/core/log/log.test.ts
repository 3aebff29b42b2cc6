import { byThePlan, demoBatch, eventAt } from '../../../demo/batch';
import { demoFile } from '../../../demo/demo';
import type { KeepEvent } from '../keep/events';
import { lotState } from '../keep/safe/fold';
import { USUAL_KEEPING } from '../kitchen/keeping';
import { predict } from '../plan/predict';
import { Recipe } from '../recipe/recipe';
import { dayOf, dayStart } from '../units/clock';
import { asCooked } from './asCooked';
import { calibrationOf } from './calibration';
import { givenOut, proposedFor } from './given';
import { type Logged, landedFirst, loggedOf } from './logged';
import { storyOf } from './story';
import { weekOf } from './week';

const OF = demoBatch('cockle-and-leek-chowder', { litres: 12, pot: 'tall-steel-36', burner: 'front-left' });
const END = Math.round(OF.plan.seconds);
const cup = (n: number, seconds: number, reading: number) =>
  eventAt(n, seconds, {
    kind: 'flow',
    test: { kind: 'cup', orifice: 4 },
    readings: [reading, reading],
    celsius: 80,
  });
const finished = eventAt(990, END + 600, { kind: 'finished', goesTo: 'pass', yieldMl: 11_800, score: 4 });
const corrected = eventAt(950, END + 200, {
  kind: 'corrected',
  faults: ['thin'],
  title: 'Cornstarch slurry',
  predicted: 150,
  low: 120,
  high: 180,
});
const slurry = eventAt(951, END + 220, {
  kind: 'put-in',
  ingredient: 'cornstarch',
  g: 30,
});

describe('a batch as it is logged', () => {
  test('untouched and in its band it landed the first time; corrected it did not, and what was read first is kept', () => {
    const good = loggedOf({
      ...OF.batch,
      events: [...byThePlan(OF.plan), cup(900, END + 100, 50), finished],
    });
    expect(landedFirst(good)).toBe(true);
    expect(good.firstMeasured).toBe(good.measured);
    const put = loggedOf({
      ...OF.batch,
      events: [
        ...byThePlan(OF.plan),
        cup(900, END + 100, 32),
        corrected,
        slurry,
        cup(960, END + 400, 50),
        finished,
      ],
    });
    expect(landedFirst(put)).toBe(false);
    expect(put.firstMeasured).toBeLessThan(0.7 * put.measured!);
    expect(put).toMatchObject({ corrections: ['Cornstarch slurry'], putIn: 1, yieldMl: 11_800, score: 4 });
    expect(put.cost).toBeGreaterThan(good.cost!);
    expect(put.rightCost).toBeCloseTo(put.cost! - good.cost!, 2);
  });

  test('not tested it landed nowhere that is known', () => {
    const b = loggedOf({ ...OF.batch, events: [...byThePlan(OF.plan), finished] });
    expect([b.measured, b.landed, landedFirst(b)]).toEqual([null, null, null]);
  });

  test('what was foreseen is the plan’s own middle', () => {
    const b = loggedOf({ ...OF.batch, events: [] });
    expect(b.foreseen!.at / OF.plan.found.bowlViscosity).toBeCloseTo(1, 1);
    expect(b.foreseen!.high / b.foreseen!.low).toBeGreaterThan(1.5);
  });
});

describe('its story', () => {
  const story = storyOf({
    ...OF.batch,
    events: [...byThePlan(OF.plan), cup(900, END + 100, 32), corrected, slurry, finished],
  })!;

  test('plan and truth end on one clock, and readings and corrections stand at their moments', () => {
    expect(story.planned.at(-1)!.seconds).toBeCloseTo(END, -1);
    expect(story.happened.at(-1)!.seconds).toBe(END + 600);
    expect(story.readings.map((r) => [r.what, r.seconds])).toEqual([['bowlViscosity', END + 100]]);
    expect(story.marks.filter((m) => m.kind !== 'step').map((m) => [m.kind, m.seconds])).toEqual([
      ['correction', END + 200],
      ['put in', END + 220],
    ]);
  });

  test('thin as it was read it is believed thin, and the slurry brings it up', () => {
    const at = (seconds: number) => story.happened.findLast((p) => p.seconds <= seconds)!.bowlViscosity;
    expect(at(END + 190)).toBeLessThan(0.75 * story.planned.at(-1)!.bowlViscosity);
    expect(at(END + 600)).toBeGreaterThan(1.2 * at(END + 190));
    expect(story.causes[0]?.made).toBe('thinner');
  });
});

test('as it was cooked is a recipe that comes to the same pot', () => {
  const dust = OF.plan.steps.findIndex((s) => s.step.kind === 'dust');
  const batch = {
    ...OF.batch,
    events: [
      ...byThePlan(OF.plan),
      eventAt(500, 1, { kind: 'weighed', step: dust, item: 0, g: 400 }),
      slurry,
      finished,
    ],
  };
  const body = asCooked(demoFile('cockle-and-leek-chowder'), batch)!;
  const recipe = Recipe.parse(body);
  expect(recipe.yieldLitres).toBe(11.8);
  expect(JSON.stringify(body)).toContain('"400 g"');
  expect(recipe.steps.at(-1)).toMatchObject({ kind: 'add', items: [{ ingredient: 'cornstarch' }] });
  const { vessel, burner, kitchen } = batch.plan.cooked!;
  const made = predict(recipe, 1, { vessel, burner, kitchen });
  expect(made.serving.volumeMl / OF.plan.found.volumeMl).toBeCloseTo(1, 1);
});

describe('brackets judged', () => {
  const judged = (miss: number, spread = 0.1) => ({
    what: 'viscosity' as const,
    read: 100,
    miss,
    spread,
    missUnlearned: 3 * miss,
    spreadUnlearned: 0.3,
  });
  test('what lies just within 1.2816 standard deviations is held, just beyond is not', () => {
    const { viscosity, litres } = calibrationOf([judged(0.128), judged(-0.128), judged(0.1285), judged(0.3)]);
    expect(viscosity).toMatchObject({ n: 4, held: 2 });
    expect(litres.n).toBe(0);
  });
  test('the error is the root of the mean square', () => {
    expect(calibrationOf([judged(0.3), judged(-0.4)]).viscosity.error).toBeCloseTo(Math.sqrt(0.125), 9);
    expect(calibrationOf([judged(0.3), judged(-0.4)]).viscosity.errorUnlearned).toBeCloseTo(
      3 * Math.sqrt(0.125),
      9,
    );
  });
  test('by handbook a normal law holds 50 % within 0.6745: 0.0674 of 0.1 is held there, 0.0675 is not', () => {
    const at = (miss: number) => calibrationOf([judged(miss)]).curve.find((p) => p.meant === 0.5)!.held;
    expect([at(0.0674), at(0.0675)]).toEqual([1, 0]);
  });
});

const logged = (more: Partial<Logged> & { day: string }): Logged & { day: string } => ({
  ...loggedOf({ ...OF.batch, events: [...byThePlan(OF.plan), finished] }),
  ...more,
});

describe('what was given out', () => {
  const keep = (n: number, body: KeepEvent['body']): KeepEvent => ({
    id: `00000000-0000-4000-9000-00000000000${n}`,
    at: new Date(Date.UTC(2026, 0, 31, 18, n)).toISOString(),
    station: 'Closer',
    body,
  });
  const put = keep(0, {
    kind: 'put by',
    what: 'soup',
    name: 'Chowder',
    madeAt: '2026-01-31T17:00:00.000Z',
    ml: 10_000,
    allergens: [],
    container: { kind: 'pot', vessel: 'tall-steel-36' },
    place: 'bath',
  });
  const lot = (...events: KeepEvent[]) => lotState({ id: 'x', events: [put, ...events] }, USUAL_KEEPING)!;

  test('of what was kept hot, what is neither left nor thrown away was served', () => {
    const b = logged({ id: 'a', day: '2026-01-31', yieldMl: 10_000, goesTo: 'hold', cost: 20 });
    const state = lot(
      keep(1, { kind: 'taken', ml: 6000 }),
      keep(2, { kind: 'thrown away', ml: 1500, why: 'left over' }),
    );
    const [row] = givenOut([b], new Map([['a', state]]), [
      { day: '2026-01-31', recipeId: b.recipeId, name: b.name, ml: 12_000 },
    ]);
    expect(row).toMatchObject({
      plannedMl: 12_000,
      madeMl: 10_000,
      servedMl: 6000,
      keptMl: 2500,
      thrownMl: 1500,
      cost: 20,
      thrownCost: 3,
    });
  });

  test('what was put by on its own is kept, not served', () => {
    const b = logged({ id: 'a', day: '2026-01-31', yieldMl: 10_000, goesTo: 'hold' });
    const state = lot(
      keep(1, { kind: 'parted', ml: 4000, into: '00000000-0000-4000-9000-0000000000aa' }),
      keep(2, { kind: 'used up' }),
    );
    const [row] = givenOut([b], new Map([['a', state]]), []);
    expect(row).toMatchObject({ servedMl: 6000, keptMl: 4000, thrownMl: 0 });
  });

  test('to the pass all of it was served, in the bin none', () => {
    const rows = givenOut(
      [
        logged({ id: 'a', day: '2026-01-30', goesTo: 'pass', yieldMl: 9000 }),
        logged({ id: 'b', day: '2026-01-31', goesTo: 'bin', yieldMl: 9000 }),
      ],
      new Map(),
      [],
    );
    expect(rows.map((r) => [r.servedMl, r.thrownMl])).toEqual([
      [9000, 0],
      [0, 9000],
    ]);
  });

  test('tomorrow is told by the same weekday alone, from three days on, with its spread', () => {
    const day = (d: string, ml: number) =>
      givenOut([logged({ id: d, day: d, goesTo: 'pass', yieldMl: ml })], new Map(), []);
    const thursdays = ['2026-01-08', '2026-01-15', '2026-01-22'];
    const before = [...thursdays.flatMap((d, n) => day(d, 9000 + n * 1000)), ...day('2026-01-23', 99_000)];
    const [told] = proposedFor('2026-01-29', before);
    expect(told).toMatchObject({ days: 3, ml: 10_000 });
    // Three days with a standard deviation of 1 L: the next one’s is a little more.
    expect(told!.high - told!.ml).toBeCloseTo(1.2816 * 1000 * Math.sqrt(4 / 3), 0);
    expect(proposedFor('2026-01-29', before.slice(0, 2))).toEqual([]);
    expect(proposedFor('2026-01-30', before)).toEqual([]);
  });
});

test('a week counts landed, put right, late and thrown away, each once', () => {
  const b = { band: 'Coating' as const, measured: 150 };
  const all = [
    logged({ day: '2026-01-26', ...b, landed: 'Coating', lateSeconds: 299, score: 5 }),
    logged({ day: '2026-01-27', ...b, landed: 'Light', lateSeconds: 301, score: 2 }),
    logged({
      day: '2026-01-28',
      ...b,
      landed: 'Coating',
      corrections: ['Slurry'],
      rightCost: 0.5,
      score: null,
    }),
    logged({
      day: '2026-01-29',
      band: 'Coating',
      measured: null,
      landed: null,
      lateSeconds: null,
      score: null,
    }),
  ];
  const given = givenOut(
    [logged({ day: '2026-01-26', id: 'z', goesTo: 'bin', yieldMl: 4000, cost: 8 })],
    new Map(),
    [],
  );
  expect(weekOf({ from: '2026-01-26', to: '2026-02-01' }, all, given, 3)).toMatchObject({
    batches: 4,
    measured: 3,
    landedFirst: 1,
    putRight: 1,
    rightCost: 0.5,
    late: 1,
    thrownMl: 4000,
    thrownCost: 8,
    limitsMissed: 3,
    score: 3.5,
  });
});

describe('a kitchen’s day', () => {
  test('ends at its hour: until then it is the evening before', () => {
    expect(dayOf(new Date(2026, 1, 1, 3, 59), 4)).toBe('2026-01-31');
    expect(dayOf(new Date(2026, 1, 1, 4, 0), 4)).toBe('2026-02-01');
    expect(dayOf(new Date(2026, 1, 1, 0, 30))).toBe('2026-02-01');
    expect(new Date(dayStart('2026-02-01', 4)).getHours()).toBe(4);
  });
});
