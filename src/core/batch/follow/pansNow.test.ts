import { demoBatch, eventAt } from '../../../../demo/batch';
import type { BatchEvent, EventBody } from '../events';
import { ticketOf } from '../ticket';
import { stepEndsAt } from './ahead';
import { follow } from './follow';
import { beginsAt, dueStep, pansEnd, pansNow } from './pansNow';

const CARROT = demoBatch('roast-carrot-cream', { litres: 6, pot: 'middle-28', burner: 'front-left' });
const { plan } = CARROT;

/** The batch followed after these, each [minutes, body], and how its pans stand at `at` minutes. */
function standing(list: readonly (readonly [number, EventBody])[], at: number) {
  const events: BatchEvent[] = list.map(([m, body], n) => eventAt(n + 1, m * 60, body));
  const f = follow({ ...CARROT.batch, events });
  if (!f) throw new Error('it is followed');
  const now = CARROT.start + at * 60_000;
  const pans = pansNow(f, pansEnd(f), now);
  return { f, pans, due: dueStep(f, pans, now), now, batch: { ...CARROT.batch, events } };
}
const of = (pans: ReturnType<typeof standing>['pans'], name: string) => {
  const pan = pans.find((p) => p.name === name);
  if (!pan) throw new Error(`there is no ${name}`);
  return pan;
};
const roast = plan.steps.findIndex((s) => s.step.kind === 'roast');
const sweat = plan.steps.findIndex((s) => s.step.kind === 'sweat');
const BEGUN: readonly (readonly [number, EventBody])[] = [[0, { kind: 'step-begun', step: roast }]];

test('what goes by itself is watched until something is to be begun, and comes up when it is over', () => {
  const early = standing(BEGUN, 2);
  expect(early.due).toBe(roast);
  expect(early.f.state.current).toBe(sweat);
  const starts = (plan.steps[sweat]?.startsAt ?? 0) / 60;
  expect(beginsAt(early.f, sweat)).toBe(CARROT.start + starts * 60_000);
  expect(standing(BEGUN, starts + 1).due).toBe(sweat);
  const over = standing([...BEGUN, [starts + 8, { kind: 'step-done', step: sweat }]], 37);
  expect(of(over.pans, 'tray').endsAt).toBeLessThan(over.now);
  expect(over.due).toBe(roast);
  // Also before what is to be begun by then.
  const cream = plan.steps.findIndex((s) => s.pan === 'cream pan');
  const later = (plan.steps[cream]?.startsAt ?? 0) / 60 + 1;
  const both = standing([...BEGUN, [starts + 8, { kind: 'step-done', step: sweat }]], later);
  expect(both.f.state.current).toBe(cream);
  expect(beginsAt(both.f, cream)).toBeLessThan(both.now);
  expect(both.due).toBe(roast);
});

test('each pan says its own heat, what is under way in it and when that is over; empty ones say nothing', () => {
  const { pans, now } = standing(BEGUN, 20);
  expect(pans.map((p) => p.name)).toEqual(['', 'tray', 'cream pan']);
  expect(of(pans, 'tray').pot.celsius).toBeGreaterThan(80);
  // A minute to have it ready, thirty-five in the oven.
  expect(((of(pans, 'tray').endsAt ?? 0) - now) / 60_000).toBeCloseTo(16, 0);
  expect(of(pans, 'cream pan')).toMatchObject({ empty: true, step: null, since: null });
});

test('what waits says since when; read by hand it is as hot as it was read, and the soup is not', () => {
  const done = standing([...BEGUN, [36, { kind: 'step-done', step: roast }]], 39.1);
  expect(of(done.pans, 'tray').since).toBe(CARROT.start + 36 * 60_000);
  const read = standing(
    [
      ...BEGUN,
      [36, { kind: 'step-done', step: roast }],
      [39, { kind: 'pan-temperature', pan: 'tray', celsius: 61 }],
    ],
    39.1,
  );
  expect(of(read.pans, 'tray').pot.celsius).toBeCloseTo(61, 0);
  expect(of(read.pans, '').pot.celsius).toBeCloseTo(of(done.pans, '').pot.celsius, 0);
  // Nor does the rail take it for the soup's.
  expect(ticketOf(read.batch, read.now)?.by).toBe('plan');
});

test('the rail says when a soup of several pans is ready: its plan, moved by what runs late, not the sum of all steps', () => {
  const on = standing(BEGUN, 1);
  const ready = (minutes: number, late: number) => {
    const { batch, f } = standing([...BEGUN, [minutes, { kind: 'step-done', step: sweat }]], minutes + 0.1);
    const t = ticketOf(batch, CARROT.start + minutes * 60_000, { celsius: 60, endsAt: stepEndsAt(f) });
    return (Date.parse(t?.readyAt ?? '') - CARROT.start) / 60_000 - plan.seconds / 60 - late;
  };
  const sum = plan.steps.reduce((s, x) => s + x.seconds, 0);
  expect(sum).toBeGreaterThan(plan.seconds * 1.15);
  expect(Math.abs(ready(35, 0))).toBeLessThan(3);
  expect(on.f.state.stage).toBe('cooking');
  // What is done beside it meanwhile is not counted after it.
  const early = ticketOf(on.batch, on.now, { celsius: 20, endsAt: stepEndsAt(on.f) });
  const readyIn = (Date.parse(early?.readyAt ?? '') - CARROT.start) / 1000;
  expect(Math.abs(readyIn - plan.seconds)).toBeLessThan(180);
});

test('tapped ahead of its plan a pan that is on goes on at once, and nothing waits for a clock', () => {
  const pour = plan.steps.findIndex((s) => s.step.kind === 'pour' && s.step.from === 'tray');
  const early = standing(
    [
      ...BEGUN,
      [5, { kind: 'step-done', step: roast }],
      [6, { kind: 'step-done', step: sweat }],
      [7, { kind: 'step-done', step: pour }],
    ],
    7.1,
  );
  expect(early.f.state.steps[early.f.state.current]?.does?.kind).toBe('add');
  // A minute to have the stock ready, and one to pour it.
  expect((stepEndsAt(early.f) - early.now) / 60_000).toBeLessThan(4);
  expect(early.due).toBe(early.f.state.current);
});
