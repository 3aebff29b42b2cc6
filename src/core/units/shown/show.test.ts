import { degrees, degreesApart, degreesFrom, exactDegrees, METRIC, volumeIn, volumeWords } from './show';

const us = { volume: 'gal', temperature: 'F' } as const;

test('a metric kitchen reads what was written', () => {
  expect(degrees(84.6, METRIC)).toBe('85 °C');
  expect(volumeWords(12_000, METRIC)).toBe('12.0 L');
});

test('a US kitchen reads the same in its own', () => {
  expect(degreesFrom(57, 21, us)).toBe('135 to 70 °F');
  expect(degrees(-18, us)).toBe('0 °F');
  expect(degrees(100, us)).toBe('212 °F');
  expect(volumeIn(3785.411784 * 3, us)).toEqual({ figure: '3.0', unit: 'gal' });
  expect(volumeWords(946.352946, us)).toBe('1.0 qt');
});

test('under nothing has a minus, and what rounds to nothing has none', () => {
  expect([degrees(-18.2, METRIC), exactDegrees(-0.26, METRIC), degreesApart(-0.31, METRIC)]).toEqual([
    '−18 °C',
    '−0.3 °C',
    '−0.3 °C',
  ]);
  expect([degrees(-0.3, METRIC), exactDegrees(-0.04, METRIC)]).toEqual(['0 °C', '0.0 °C']);
});
