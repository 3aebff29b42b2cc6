import { spoken } from '../../core/text/spoken';
import { heardOf, NO_DEVICES, STALE, standingOf } from './devices';

const LISTED = heardOf(
  NO_DEVICES,
  { kind: 'devices', devices: [{ id: 'p', kind: 'thermometer', name: 'Probe', unit: '°C' }] },
  0,
);
const one = (d: typeof LISTED) => d.all.find((x) => x.id === 'p');

test('a reading is fresh, then stale, and says so', () => {
  const d = heardOf(LISTED, { kind: 'reading', device: 'p', value: 71.2, unit: '°C' }, 1000);
  expect(spoken(standingOf(one(d), 1400))).toEqual({ value: 71.2, says: 'seen 0 s ago' });
  expect(spoken(standingOf(one(d), 1000 + STALE + 3000))).toEqual({ value: null, says: 'stale: 8 s old' });
});

test('a fault hides the value until the next good reading', () => {
  let d = heardOf(LISTED, { kind: 'reading', device: 'p', value: 71, unit: '°C' }, 1000);
  d = heardOf(d, { kind: 'fault', device: 'p', says: 'sends what cannot be: 9e9 °C' }, 2000);
  expect(spoken(standingOf(one(d), 2100))).toEqual({ value: null, says: 'sends what cannot be: 9e9 °C' });
  d = heardOf(d, { kind: 'reading', device: 'p', value: 72, unit: '°C' }, 3000);
  expect(standingOf(one(d), 3100).value).toBe(72);
});

test('lost with its bridge, found again with it, its last value not taken for new', () => {
  let d = heardOf(LISTED, { kind: 'reading', device: 'p', value: 71, unit: '°C' }, 1000);
  d = heardOf(d, { kind: 'bridge', state: 'lost' }, 2000);
  expect(spoken(standingOf(one(d), 2100))).toEqual({ value: null, says: 'lost' });
  d = heardOf(d, { kind: 'devices', devices: [{ id: 'p', kind: 'thermometer', name: 'Probe' }] }, 60_000);
  expect(standingOf(one(d), 60_100).value).toBeNull();
});

test('a device no longer listed is kept by name, as lost', () => {
  const d = heardOf(LISTED, { kind: 'devices', devices: [] }, 1000);
  expect(one(d)).toMatchObject({ name: 'Probe', here: false });
});

test.each([
  null,
  17,
  'reading',
  {},
  { kind: 'reading', device: 'p', value: 'ERR' },
  { kind: 'reading', device: 'p', value: Number.NaN },
  { kind: 'devices', devices: 'none' },
  { kind: 'devices', devices: [null, 4, { id: 1 }, { id: 'x', name: 'X', kind: 'toaster' }] },
])('nonsense changes no value: %j', (news) => {
  const d = heardOf(heardOf(LISTED, { kind: 'reading', device: 'p', value: 71, unit: '°C' }, 0), news, 100);
  expect(d.all.every((x) => x.id === 'p' && x.value === 71)).toBe(true);
});
