import { byThePlan, demoBatch, eventAt, eventsAt } from '../../../demo/batch';
import { inEnglish } from '../text/inWords';
import { spoken } from '../text/spoken';
import { issueWords } from '../words/issueWords';
import { BatchEvent, type EventBody } from './events';
import { RecordedPlan } from './record';
import { batchState } from './state';
import { readyAt, ticketOf } from './ticket';

const { batch, plan, start } = demoBatch('smoked-parsnip-veloute', {
  litres: 8,
  pot: 'middle-28',
  burner: 'front-right',
});
const after = (...list: (readonly [number, EventBody])[]) => batchState({ ...batch, events: eventsAt(list) });
const done = (step: number): EventBody => ({ kind: 'step-done', step });

test('the step at hand is the first neither done nor skipped, whatever the order of taps', () => {
  expect(after().current).toBe(0);
  expect(after([60, done(0)], [90, done(2)]).current).toBe(1);
  expect(after([60, done(0)], [70, { kind: 'step-skipped', step: 1, reason: 'no butter' }]).current).toBe(2);
  expect(after([60, done(2)], [80, done(0)], [90, done(1)]).current).toBe(3);
});

test('the step at hand began with the last tap that ended one', () => {
  expect(after([540, done(0)], [600, { kind: 'temperature', celsius: 80 }]).since).toBe(start + 540_000);
});

test('a withdrawn tap no longer counts, and can be made again', () => {
  const tap = eventAt(1, 60, done(0));
  const back = eventAt(2, 70, { kind: 'withdrawn', event: tap.id });
  expect(batchState({ ...batch, events: [tap, back] }).current).toBe(0);
  expect(batchState({ ...batch, events: [tap, back, eventAt(3, 80, done(0))] }).current).toBe(1);
});

test('events count by when they happened, not by when they arrived: two stations do not fight', () => {
  const early = eventAt(1, 60, done(0), 'Opener');
  const late = eventAt(2, 75, done(0), 'Closer');
  for (const events of [
    [early, late],
    [late, early],
  ]) {
    const state = batchState({ ...batch, events });
    expect(state.steps[0]?.done?.station).toBe('Closer');
    expect(state.events).toHaveLength(2);
  }
});

test('what the scale showed takes the place of what was planned, by the item', () => {
  const flour = plan.weighOut.find((l) => l.solved === 'thickness');
  const [step = 0, item = 0] = flour?.id.split('.').map(Number) ?? [];
  const state = after([400, { kind: 'weighed', step, item, g: 300 }]);
  const does = state.steps[step]?.does;
  expect(does?.kind === 'roux' && does.flour.amount).toBe(300);
  expect(does?.kind === 'roux' && does.fat.amount).toBe(
    plan.steps[step]?.step.kind === 'roux' && plan.steps[step].step.fat.amount,
  );
});

test('the colour a roux took is the one that counts', () => {
  const state = after([700, { kind: 'colour', step: 1, colour: 'brown' }]);
  expect(state.steps[1]?.does).toMatchObject({ kind: 'roux', colour: 'brown' });
});

test('an added step comes before the one it was added to, and is done under its own id', () => {
  const added = eventAt(1, 30, { kind: 'step-added', before: 2, title: 'Sieve it', minutes: 3 });
  const state = batchState({ ...batch, events: [added] });
  expect(state.steps.map((s) => s.title).slice(1, 4)).toEqual([
    plan.steps[1] && state.steps[1]?.title,
    'Sieve it',
    state.steps[3]?.planned?.title,
  ]);
  expect(state.steps[2]).toMatchObject({ key: added.id, seconds: 180, planned: null });
  const tapped = eventAt(2, 60, { kind: 'step-done', step: added.id });
  expect(batchState({ ...batch, events: [added, tapped] }).steps[2]?.done?.id).toBe(tapped.id);
});

test('a timer rings when its seconds are over and goes when it is stopped', () => {
  const timer = eventAt(1, 100, { kind: 'timer-started', name: 'stock', seconds: 600 });
  const stop = eventAt(2, 200, { kind: 'timer-stopped', timer: timer.id });
  expect(batchState({ ...batch, events: [timer] }).timers).toEqual([
    { id: timer.id, name: 'stock', endsAt: start + 700_000 },
  ]);
  expect(batchState({ ...batch, events: [timer, stop] }).timers).toEqual([]);
});

test('one device of a kind reads a pot at a time', () => {
  const pair = (device: string | null): EventBody => ({ kind: 'paired', what: 'thermometer', device });
  expect(after([1, pair('probe-1')], [2, pair('probe-2')]).paired).toEqual({
    thermometer: { device: 'probe-2', name: 'probe-2' },
  });
  expect(after([1, pair('probe-1')], [2, pair(null)]).paired).toEqual({});
});

test('from the flame to the pass, held or cooled, until it is cleared', () => {
  const all = byThePlan(plan);
  const end = (n: number, body: EventBody) => eventAt(50 + n, 4000 + n, body);
  const stage = (...more: BatchEvent[]) => batchState({ ...batch, events: [...all, ...more] }).stage;
  expect(batchState(batch).stage).toBe('cooking');
  expect(stage()).toBe('to write down');
  expect(stage(end(1, { kind: 'finished', goesTo: 'pass', score: 4 }))).toBe('over');
  expect(stage(end(1, { kind: 'finished', goesTo: 'hold' }))).toBe('hold');
  expect(stage(end(1, { kind: 'finished', goesTo: 'cool' }), end(2, { kind: 'cleared' }))).toBe('over');
});

test('what cannot be is no event: its field and what it may be are said', () => {
  const wrong = (body: unknown, id = eventAt(1, 0, done(0)).id) =>
    BatchEvent.safeParse({ id, at: '2026-01-31T16:10:00Z', station: 'Opener', body }).error?.issues.map(
      (i) => `${i.path.join('.')}: ${inEnglish(issueWords(i))}`,
    );
  expect(wrong(done(0), '17')?.[0]).toMatch(/^id/);
  expect(wrong({ kind: 'burnt' })?.[0]).toMatch(/^body/);
  expect(wrong(done(-1))).toHaveLength(1);
  expect(wrong({ kind: 'temperature', celsius: 900 })).toEqual([
    'body.celsius: temperature is a number from −45 to 200 °C',
  ]);
  expect(wrong({ kind: 'depth', mm: -4 })).toEqual(['body.mm: depth is a number from 1 to 1200 mm']);
  expect(wrong({ kind: 'flow', test: { kind: 'cup', orifice: 4 }, readings: [-3], celsius: 65 })).toEqual([
    'body.readings.0: reading is a number from 0.05 to 3600',
  ]);
  expect(wrong({ kind: 'timer-started', name: ' ', seconds: 60 })).toEqual([
    'body.name: the timer’s name is empty',
  ]);
});

test('a ticket counts from the last tap, shows what was measured, and goes when all is over', () => {
  const [first, second] = batch.plan.steps;
  const ticket = (events: readonly BatchEvent[], minutes = 10) =>
    spoken(ticketOf({ ...batch, events }, start + minutes * 60_000));
  expect(ticket([])).toMatchObject({
    doing: first?.title,
    step: 1,
    until: new Date(start + (first?.seconds ?? 0) * 1000).toISOString(),
    by: 'plan',
  });
  expect(ticket([eventAt(1, 500, done(0))])).toMatchObject({
    doing: second?.title,
    until: new Date(start + (500 + (second?.seconds ?? 0)) * 1000).toISOString(),
  });
  const probed = [eventAt(1, 540, { kind: 'temperature', celsius: 71 })];
  expect(ticket(probed)).toMatchObject({ celsius: 71, by: 'reading' });
  expect(ticket(probed, 60)?.by).toBe('plan');
  // Kept hot: the last reading says whether it is hot enough, however old it is.
  const kept = (celsius: number) =>
    ticket(
      [
        eventAt(1, 600, { kind: 'finished', goesTo: 'hold' }),
        eventAt(2, 660, { kind: 'temperature', celsius }),
      ],
      40,
    )?.tooCold;
  expect([kept(56), kept(57)]).toEqual([true, false]);
  expect(ticket([eventAt(1, 540, { kind: 'temperature', celsius: 20 })])?.tooCold).toBe(false);
  // A step has been ended since: the model knows better than the reading, and without one it still stands.
  const later = [...probed, eventAt(2, 560, done(0))];
  const model = { celsius: 88, endsAt: start + 900_000 };
  expect(spoken(ticketOf({ ...batch, events: later }, start + 600_000, model))).toMatchObject({
    celsius: 88,
    by: 'model',
    until: new Date(model.endsAt).toISOString(),
  });
  expect(ticket(later)).toMatchObject({ celsius: 71, by: 'reading' });
  const all = byThePlan(plan);
  expect(ticket(all)?.doing).toBe('Done: write it down');
  const held = eventAt(60, 3000, { kind: 'finished', goesTo: 'hold' });
  expect(ticket([...all, held])).toMatchObject({
    doing: 'Held: probe by',
    until: new Date(start + 3000_000 + 3_600_000).toISOString(),
  });
  expect(ticket([...all, eventAt(60, 3000, { kind: 'finished', goesTo: 'pass' })])).toBeNull();
});

test('a pot is ready when the steps to come are done after the one at hand, and by so much later as that is late', () => {
  const { steps } = batch.plan;
  const total = Math.floor(steps.reduce((sum, s) => sum + s.seconds, 0) * 1000);
  const [first] = steps;
  const firstEnds = start + (first?.seconds ?? 0) * 1000;
  // Whenever it is worked out, it says the same; how late it is by now is for whoever looks.
  for (const minutes of [0, 10, 300]) {
    const ticket = ticketOf({ ...batch, events: [] }, start + minutes * 60_000);
    if (!ticket) throw new Error('no ticket');
    expect(Date.parse(ticket.readyAt)).toBe(start + total);
    expect(readyAt(ticket, start)).toBe(start + total);
    expect(readyAt(ticket, firstEnds)).toBe(start + total);
    expect(readyAt(ticket, firstEnds + 12 * 60_000)).toBe(start + total + 12 * 60_000);
  }
  // What is done was ready when its last step was, however long ago.
  const over = total / 1000 + 60;
  const held = eventAt(60, over, { kind: 'finished', goesTo: 'hold' });
  const done = ticketOf({ ...batch, events: [...byThePlan(plan), held] }, start + 9000_000);
  expect(done && readyAt(done, start + 9_000_000_000)).toBe(start + total);
});

test('a record keeps all the model needs, and reads back the same', () => {
  const stored: unknown = JSON.parse(JSON.stringify(batch.plan));
  expect(RecordedPlan.parse(stored)).toEqual(stored);
  expect(batch.plan.steps.every((s) => s.does)).toBe(true);
  const { cooked: _cooked, ...before } = stored as Record<string, unknown>;
  expect(RecordedPlan.safeParse(before).success).toBe(true);
});
