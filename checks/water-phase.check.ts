import { bandOf } from '../src/core/flow/bands';
import { cook, pour, roux, simmer, TO_SIMMER, taste } from './pots';

/** Starch swells in water: what fat takes of the room is none of it, and its droplets thicken besides. */
const BLEND = { kind: 'puree', fraction: 1, tool: 'stick blender', minutes: 0 };
const sauce = (liquid: string, flour: number) =>
  taste(cook([roux(flour, flour), pour(liquid, 1000), TO_SIMMER, simmer(5)]));

/**
 * The same white sauce on milk, half cream and heavy cream: each is thicker than the one before, as handbooks thin a
 * cream sauce with milk and take less flour for it. Common practice, no source.
 */
test.each([20, 33, 50, 66])('%d g of flour a litre: the richer its liquid, the thicker', (flour) => {
  const [stock, milk, half, heavy] = ['vegetable-stock', 'whole-milk', 'half-and-half', 'heavy-cream'].map(
    (l) => sauce(l, flour).bowlViscosity,
  ) as [number, number, number, number];
  expect(milk).toBeGreaterThan(stock * 1.2);
  expect(half).toBeGreaterThan(milk * 1.4);
  expect(heavy).toBeGreaterThan(half * 3);
});

/**
 * Home-economics table on milk: 1, 2 and 3 tbsp of flour to a cup are thin, medium and thick; from memory. On cream
 * two thirds of the flour do as much (common practice, no source): a medium sauce is then Hearty as on milk.
 */
test('half cream wants four fifths of the flour that milk wants; heavy cream a third to a half', () => {
  const { bowlViscosity: milk } = sauce('whole-milk', 66);
  const sameAs = (liquid: string): number => {
    let [low, high] = [1, 100];
    for (let i = 0; i < 20; i++) {
      const middle = (low + high) / 2;
      if (sauce(liquid, middle).bowlViscosity > milk) high = middle;
      else low = middle;
    }
    return low / 66;
  };
  expect(sameAs('half-and-half')).toBeGreaterThan(0.75);
  expect(sameAs('half-and-half')).toBeLessThan(0.92);
  expect(sameAs('heavy-cream')).toBeGreaterThan(0.3);
  expect(sameAs('heavy-cream')).toBeLessThan(0.5);
  expect(bandOf(milk)).toBe('Hearty');
});

describe('butter in a soup of two litres', () => {
  const veloute = [roux(90, 90), pour('vegetable-stock', 2000), TO_SIMMER, simmer(10)];
  const butter = (more: object = {}) => ({
    kind: 'add',
    items: [{ ingredient: 'butter', amount: 300, celsius: 20 }],
    ...more,
  });
  const thick = (...steps: readonly Record<string, unknown>[]) =>
    taste(cook([...veloute, ...steps])).bowlViscosity;
  const plain = thick();
  const cool = { kind: 'rest', minutes: 12, lid: 'off' };

  test('300 g blended in makes it thicker than the same blended without: it thinned', () => {
    expect(thick(butter(), BLEND)).toBeGreaterThan(1.2 * thick(BLEND));
  });

  test('whisked in off the heat by pieces it thickens; floating it does not', () => {
    expect(thick(cool, butter({ gradually: true, offHeat: true }))).toBeGreaterThan(1.2 * plain);
    expect(thick(butter())).toBeLessThan(plain);
    expect(thick(butter())).toBeGreaterThan(0.85 * plain);
  });

  test('boiled again it runs out, and thickens no more; oil was never taken up', () => {
    const mounted = butter({ gradually: true, offHeat: true });
    const boiled = [cool, mounted, { kind: 'bring-to', to: 'boil', flame: 1, lid: 'on' }];
    expect(thick(...boiled)).toBeLessThan(1.1 * plain);
    expect(cook([...veloute, ...boiled]).freeFat).toBeCloseTo(cook([...veloute, butter()]).freeFat, 0);
    const oil = { ...mounted, items: [{ ingredient: 'rapeseed-oil', amount: 240, celsius: 20 }] };
    expect(cook([...veloute, cool, oil]).mounted).toBe(0);
  });
});
