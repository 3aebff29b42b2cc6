import { COUNT_WORDS, oneOf, SIZES, type Size } from '../../food/pieces';
import '../../food/load';
import { ingredient } from '../../food/catalogue';
import { parseLoosely } from './loosely';
import { QuantityError } from './parse';

const read = (text: string) => parseLoosely(text, COUNT_WORDS, Object.keys(SIZES) as Size[]);

test.each([
  ['250 g', { value: 250, unit: 'g' }],
  ['1 1/2 tbsp, scooped', { value: 1.5, unit: 'tbsp', filled: 'scooped' }],
  ['2 x 400 g', { value: 800, unit: 'g' }],
  ['2 × 400 g tins', { value: 800, unit: 'g' }],
  ['1 can (12 fl oz)', { value: 12, unit: 'fl oz' }],
  ['a bottle of 750 mL', { value: 750, unit: 'mL' }],
])('%s is measured', (text, quantity) => {
  expect(read(text)).toEqual({ kind: 'fixed', quantity });
});

test.each([
  ['1 medium', { n: 1, of: 'piece', size: 'medium' }],
  ['3 large', { n: 3, of: 'piece', size: 'large' }],
  ['10 ears', { n: 10, of: 'ear' }],
  ['1/2 stick', { n: 0.5, of: 'stick' }],
  ['a pinch', { n: 1, of: 'pinch' }],
  ['2 small heads', { n: 2, of: 'head', size: 'small' }],
  ['3 bay leaves', null],
  ['4 leaves', { n: 4, of: 'leaf' }],
])('%s is counted', (text, counted) => {
  if (counted) expect(read(text)).toEqual({ kind: 'counted', ...counted });
  else expect(() => read(text)).toThrow(QuantityError);
});

test('a range is its middle, and leaves open as much as an even law between its ends', () => {
  const cup = read('1/4–1/3 cup');
  expect(cup).toMatchObject({ kind: 'fixed', quantity: { unit: 'cup' } });
  if (cup.kind !== 'fixed') throw new Error('measured');
  expect(cup.quantity.value).toBeCloseTo(7 / 24, 6);
  // Even between a and b: σ = (b − a)/√12, of a middle (a + b)/2.
  expect(cup.off).toBeCloseTo(1 / 12 / Math.sqrt(12) / (7 / 24), 6);
  expect(read('1 1/2 to 2 cups')).toMatchObject({ quantity: { value: 1.75 } });
  expect(read('3-4 large')).toMatchObject({ kind: 'counted', n: 3.5, size: 'large' });
  expect(() => read('4–3 tbsp')).toThrow(/“4–3 tbsp” is not a range: write the smaller first/);
});

test.each(['some', '3', '0 large', '20000 large', '2 large heaps', '2 furlongs', '1 sack', '2 x 3 lids', ''])(
  '“%s” is refused',
  (text) => {
    expect(() => read(text)).toThrow(QuantityError);
  },
);

test('what one weighs goes by its size, trimmed; a stick of butter is a quarter of a pound and of celery a stalk', () => {
  const g = (id: string, word: Parameters<typeof oneOf>[1], size?: Size) =>
    oneOf(ingredient(id), word, size)?.g;
  const onion = ingredient('onion');
  expect(g('onion', 'piece')).toBeCloseTo(170 * onion.edibleYield, 6);
  expect((g('onion', 'piece', 'large') ?? 0) / (g('onion', 'piece', 'small') ?? 1)).toBeCloseTo(2, 6);
  expect(g('butter', 'stick')).toBeCloseTo(453.592 / 4, 2);
  expect(g('celery', 'stick')).toBe(45);
  expect(g('butter', 'piece')).toBeUndefined();
  expect(oneOf(onion, 'piece')?.spread).toBeLessThan(oneOf(onion, 'handful')?.spread ?? 0);
});
