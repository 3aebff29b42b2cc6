import { degrees, inDegrees, METRIC, volumeIn, volumeWords } from './show';

const us = { volume: 'gal', temperature: 'F' } as const;

test('a metric kitchen reads what was written', () => {
  expect(inDegrees('Bring to 85 °C', METRIC)).toBe('Bring to 85 °C');
  expect(degrees(84.6, METRIC)).toBe('85 °C');
  expect(volumeWords(12_000, METRIC)).toBe('12.0 L');
});

test('a US kitchen reads the same in its own', () => {
  expect(inDegrees('57 to 21 °C within 2 h, to 5 °C within 6 h', us)).toBe(
    '135 to 70 °F within 2 h, to 41 °F within 6 h',
  );
  expect(inDegrees('in at −18 °C', us)).toBe('in at 0 °F');
  expect(degrees(100, us)).toBe('212 °F');
  expect(volumeIn(3785.411784 * 3, us)).toEqual({ figure: '3.0', unit: 'gal' });
  expect(volumeWords(946.352946, us)).toBe('1.0 qt');
});
