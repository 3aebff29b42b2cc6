import { BatchEvent } from './events';
import type { Batch } from './record';
import { batchState } from './state';
import { ticketOf } from './ticket';

const uuid = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
const done = (n: number, step: number, at = '2026-01-31T16:10:00Z'): BatchEvent => ({
  id: uuid(n),
  at,
  station: 'Early',
  body: { kind: 'step-done', step },
});
const withdrawn = (n: number, of: number): BatchEvent => ({
  id: uuid(n),
  at: '2026-01-31T16:11:00Z',
  station: 'Early',
  body: { kind: 'withdrawn', event: uuid(of) },
});

test('the step at hand is the first not done, whatever the order of taps', () => {
  expect(batchState(4, []).current).toBe(0);
  expect(batchState(4, [done(1, 0), done(2, 2)]).current).toBe(1);
  expect(batchState(3, [done(1, 2), done(2, 0), done(3, 1)]).current).toBe(3);
});

test('a withdrawn tap no longer counts, and can be made again', () => {
  expect(batchState(4, [done(1, 0), withdrawn(2, 1)]).current).toBe(0);
  expect(batchState(4, [done(1, 0), withdrawn(2, 1), done(3, 0)]).current).toBe(1);
});

test('an event without a client-made id, or of an unknown kind, is none', () => {
  expect(BatchEvent.safeParse({ ...done(1, 0), id: '17' }).success).toBe(false);
  expect(BatchEvent.safeParse({ ...done(1, 0), body: { kind: 'burnt' } }).success).toBe(false);
  expect(BatchEvent.safeParse(done(1, -1)).success).toBe(false);
});

test('a ticket counts from the last tap and goes when all is done', () => {
  const step = {
    title: 'Simmer',
    details: [],
    look: '',
    reason: '',
    startsAt: 0,
    seconds: 600,
    celsius: 95,
    volumeMl: 4000,
  };
  const batch: Batch = {
    id: uuid(9),
    recipeId: 'r',
    recipeVersion: 1,
    startedAt: '2026-01-31T16:00:00Z',
    serveAt: null,
    events: [done(1, 0)],
    plan: {
      recipeName: 'Soup',
      litres: 4,
      viscosity: 150,
      band: 'Coating',
      vesselId: 'v',
      vesselName: 'V',
      burnerName: 'B',
      seconds: 1200,
      steps: [step, { ...step, title: 'Season' }],
      cautions: [],
    },
  };
  expect(ticketOf(batch)).toMatchObject({ doing: 'Season', step: 2, until: '2026-01-31T16:20:00.000Z' });
  expect(ticketOf({ ...batch, events: [] })?.until).toBe('2026-01-31T16:10:00.000Z');
  expect(ticketOf({ ...batch, events: [done(1, 0), done(2, 1)] })).toBeNull();
});
