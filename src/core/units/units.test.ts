import { countdown, nextTime } from './clock';
import { asKitchenMeasure, densityOf, kitchenNumber, toGrams, toMillilitres } from './measure';
import { duration, litres, spaced } from './shown/format';
import { roundToScale } from './shown/round';
import { toCelsius, toFahrenheit } from './temperature';
import { parseNumber, parseQuantity } from './typed/parse';

const flour = { scooped: 0.599, spooned: 0.509, sifted: 0.479 };

describe('reading amounts as cooks type them', () => {
  test.each([
    ['250 g', { value: 250, unit: 'g' }],
    ['1 300 g', { value: 1300, unit: 'g' }],
    ['1 1/2 tbsp, scooped', { value: 1.5, unit: 'tbsp', filled: 'scooped' }],
    ['2½ cups', { value: 2.5, unit: 'cup' }],
    ['0,5 L', { value: 0.5, unit: 'L' }],
    ['2 metric cups', { value: 2, unit: 'metric cup' }],
    ['3 pounds', { value: 3, unit: 'lb' }],
    ['1 gallon', { value: 1, unit: 'gal' }],
  ])('%s', (text, expected) => {
    expect(parseQuantity(text)).toEqual(expected);
  });

  test.each([
    ['some flour', /not an amount/],
    ['3 handfuls', /not a unit Panache knows: use g, kg/],
    ['0 g', /no amount above zero/],
    ['-2 g', /not an amount/],
    ['1/0 cup', /no amount above zero/],
  ])('%s is refused and says why', (text, why) => {
    expect(() => parseQuantity(text)).toThrow(why);
  });

  test('numbers with fractions and glyphs', () => {
    expect(parseNumber('1 1/2')).toBe(1.5);
    expect(parseNumber('¾')).toBe(0.75);
    expect(parseNumber('12,5')).toBe(12.5);
    expect(parseNumber('twelve')).toBeNaN();
  });
});

describe('measures and weights', () => {
  test('a cup of flour weighs what its filling makes it weigh', () => {
    const cup = (filled?: 'scooped' | 'spooned' | 'sifted') =>
      toGrams({ value: 1, unit: 'cup', ...(filled && { filled }) }, flour);
    expect(cup('scooped')).toBeGreaterThan(cup('spooned'));
    expect(cup('spooned')).toBeGreaterThan(cup('sifted'));
    expect(cup()).toBe(cup('spooned'));
  });

  test('grams and millilitres are inverse', () => {
    const ml = toMillilitres({ value: 500, unit: 'g' }, 1.02);
    expect(toGrams({ value: ml, unit: 'mL' }, 1.02)).toBeCloseTo(500, 6);
  });

  test('a density without any figure is an error, not a guess', () => {
    expect(() => densityOf({})).toThrow(RangeError);
  });

  test('the kitchen measure beside a weight', () => {
    expect(asKitchenMeasure(120.4, flour)).toBe('1 cup');
    expect(asKitchenMeasure(7.5, flour)).toBe('1 tbsp');
    expect(asKitchenMeasure(0.1, flour)).toBe('a pinch');
    expect(kitchenNumber(1.52)).toBe('1½');
    expect(kitchenNumber(0.97)).toBe('1');
  });
});

test('scale rounding gets coarser as the load grows', () => {
  expect(roundToScale(3.14)).toBe(3.1);
  expect(roundToScale(312.6)).toBe(313);
  expect(roundToScale(1203)).toBe(1205);
  expect(roundToScale(8437)).toBe(8440);
});

test('°C and °F', () => {
  expect(toFahrenheit(100)).toBe(212);
  expect(toCelsius(165)).toBeCloseTo(73.9, 1);
});

test('figures are written to be read', () => {
  expect(spaced(1300)).toBe('1\u00a0300');
  expect(spaced(-12.34, 1)).toBe('−12.3');
  expect(litres(12_040)).toBe('12.0');
  expect(litres(382)).toBe('0.38');
  expect(duration(72 * 60)).toBe('1 h 12 min');
});

test('the clock', () => {
  expect(countdown(250)).toBe('04:10');
  expect(countdown(-20)).toBe('+00:20');
  expect(countdown(3720)).toBe('1:02:00');
  const evening = new Date(2026, 0, 31, 19, 0);
  expect(nextTime('18:30', evening)?.getDate()).toBe(1);
  expect(nextTime('25:00', evening)).toBeNull();
});

test.each(['8 fl oz', '8 fl. oz', '8 floz', '8 fluid ounces', '8 FL OZ'])(
  '%s is a measure of what is poured, a 128th of a gallon each',
  (text) => {
    const quantity = parseQuantity(text);
    expect(quantity).toEqual({ value: 8, unit: 'fl oz' });
    expect(toMillilitres(quantity, 1)).toBeCloseTo((3785.411784 * 8) / 128, 6);
    expect(toGrams(quantity, 1.03)).toBeCloseTo(236.588 * 1.03, 2);
  },
);

test('an ounce alone stays a weight', () => {
  expect(parseQuantity('8 oz')).toEqual({ value: 8, unit: 'oz' });
});
