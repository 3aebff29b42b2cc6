import type { Ticket } from '../../../core/batch/ticket';
import { urgencyOf, urgentFirst } from './urgent';

const NOW = Date.parse('2026-11-26T18:00:00Z');
const at = (minutes: number) => new Date(NOW + minutes * 60_000).toISOString();
const ticket = (id: string, minutes: number, more: Partial<Ticket> = {}): Ticket => ({
  id,
  name: id,
  doing: 'Simmer',
  step: 1,
  steps: 9,
  until: at(minutes),
  startedAt: at(0),
  readyAt: at(60),
  finished: false,
  celsius: 90,
  by: 'model',
  timers: [],
  tooCold: false,
  trouble: null,
  ...more,
});
const timer = (minutes: number) =>
  ({ id: 't', name: 'Rice', endsAt: NOW + minutes * 60_000 }) as Ticket['timers'][number];

test('what wants somebody comes first: ringing, too cold, troubled, late; the rest by what ends next', () => {
  const all = [
    ticket('in an hour', 60),
    ticket('soon', 3),
    ticket('late', -2),
    ticket('later still', -9),
    ticket('not followed', 20, { trouble: { text: 'Not followed: by the plan' } }),
    ticket('cold', 30, { tooCold: true }),
    ticket('rings', 40, { timers: [timer(-1)] }),
    ticket('will ring', 50, { timers: [timer(1)] }),
  ];
  expect(urgentFirst(all, NOW).map((t) => t.id)).toEqual([
    'rings',
    'cold',
    'not followed',
    'later still',
    'late',
    'soon',
    'will ring',
    'in an hour',
  ]);
  expect(urgencyOf(ticket('on time', 0.1), NOW)).toBeNull();
  expect(urgencyOf(ticket('due', 0), NOW)).toBe('late');
});
