import type { KeepBody, KeepEvent } from './events';
import type { Lot } from './lot';

export const LOT = '00000000-0000-4000-8000-000000000001';
export const START = Date.UTC(2026, 10, 23, 10);

let n = 0;

/** A line `minutes` after the start. */
export const line = (minutes: number, body: KeepBody, more: Partial<KeepEvent> = {}): KeepEvent => ({
  id: `00000000-0000-4000-8000-${String(++n + 100).padStart(12, '0')}`,
  at: new Date(START + minutes * 60_000).toISOString(),
  station: 'Closer',
  body,
  ...more,
});

export const putBy = (more: Partial<Extract<KeepBody, { kind: 'put by' }>> = {}): KeepBody => ({
  kind: 'put by',
  what: 'soup',
  name: 'Leek',
  madeAt: new Date(START).toISOString(),
  ml: 8000,
  allergens: ['milk'],
  container: { kind: 'pot', vessel: 'middle-28' },
  place: 'worktop',
  ...more,
});

/** Set to cool in four shallow pans. */
export const pansTo = (place: string): KeepBody => ({
  kind: 'set to cool',
  way: { into: { kind: 'pans', pan: 'full-65', count: 4 }, place },
});

export const lotOf = (...events: readonly KeepEvent[]): Lot => ({ id: LOT, events });
export const read = (minutes: number, celsius: number): KeepEvent =>
  line(minutes, { kind: 'temperature', celsius });

/** On the worktop at the start, cooled in the blast within every limit and put away. */
export const PUT = line(0, putBy({ place: 'worktop' }));
export const WELL: readonly KeepEvent[] = [
  PUT,
  read(1, 84),
  line(2, pansTo('blast')),
  read(30, 55),
  read(90, 20),
  read(200, 4),
  line(201, { kind: 'cooled', place: 'fridge' }),
];
