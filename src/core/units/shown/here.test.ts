import { keptOf, type ReadUnit, retyped, unitsFor } from './here';
import { METRIC, massWords, type Show, volumeWords } from './show';

const US: Show = { volume: 'gal', temperature: 'F' };

test('each unit there and back is what it was', () => {
  const all: readonly ReadUnit[] = ['celsius', 'kelvin', 'litres', 'ml', 'jug', 'g', 'kg', 'perKg', 'mm'];
  for (const show of [METRIC, US])
    for (const what of all) {
      const unit = unitsFor(show).of(what);
      expect(unit.inner(unit.shown(37.5))).toBeCloseTo(37.5, 1);
    }
});

test('a pound is 453.6 g, a quart 946.4 mL, a fluid ounce 29.57: NIST Handbook 44, from memory', () => {
  const { of } = unitsFor(US);
  expect(of('kg').inner(1)).toBeCloseTo(453.59, 2);
  expect(of('g').inner(1)).toBeCloseTo(28.35, 2);
  expect(of('ml').inner(1)).toBeCloseTo(946.35, 2);
  expect(of('jug').inner(1)).toBeCloseTo(29.574, 3);
  expect(of('perKg').inner(1)).toBeCloseTo(2.2046, 4);
  expect(of('celsius').inner(212)).toBe(100);
});

test('retyped in another unit, and kept to no more figures than were typed', () => {
  const [c, f] = [unitsFor(METRIC).of('celsius'), unitsFor(US).of('celsius')];
  expect(retyped('24', c, f)).toBe('75.2');
  expect(retyped('75,2', f, c)).toBe('24');
  expect(retyped('warm', c, f)).toBe('warm');
  expect(retyped('24', c, c)).toBe('24');
  expect(keptOf(12.3459, unitsFor(US).of('kg'))).toBe(5600);
});

test('weights and volumes in US units are read at a glance: ounces, pounds with ounces, pounds; fluid ounces, quarts, gallons', () => {
  expect([0.5, 5, 40, 453.6, 1000, 4536, 20_000].map((g) => massWords(g, US))).toEqual([
    '0.02 oz',
    '0.18 oz',
    '1.4 oz',
    '1 lb 0.0 oz',
    '2 lb 3.3 oz',
    '10.0 lb',
    '44.1 lb',
  ]);
  expect([40, 5.44].map((g) => massWords(g, METRIC))).toEqual(['40 g', '5.4 g']);
  expect([30, 600, 1000, 3700, 3800].map((ml) => volumeWords(ml, US))).toEqual([
    '1.0 fl oz',
    '20 fl oz',
    '1.1 qt',
    '3.9 qt',
    '1.0 gal',
  ]);
});
