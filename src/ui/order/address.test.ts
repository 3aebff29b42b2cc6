import { demoRecipe } from '../../../demo/demo';
import type { House } from '../../core/kitchen/house';
import { USUAL_KEEPING } from '../../core/kitchen/keeping';
import { planFor } from '../../core/plan/plan';
import { STANDARD_KITCHEN as kitchen } from '../../core/pot/kitchen';
import { spoken } from '../../core/text/spoken';
import { METRIC } from '../../core/units/shown/show';
import { levelsOf } from '../plan/levels';
import { addressOf, orderFrom } from './address';

const recipes = [demoRecipe('cockle-and-leek-chowder'), demoRecipe('smoked-parsnip-veloute')];
const vessel = { material: 'stainless steel' as const, massG: 3000 };
const house: House = {
  show: METRIC,
  currency: '',
  roles: ['Opener'],
  funnels: [],
  keeping: USUAL_KEEPING,
  revision: 1,
  id: 'h',
  name: 'House',
  kitchen,
  vessels: [
    { ...vessel, id: 'small', name: 'Small', diameterMm: 260, heightMm: 76 },
    { ...vessel, id: 'large', name: 'Large', diameterMm: 420, heightMm: 433 },
  ],
  burners: [{ id: 'ring', name: 'Ring', kind: 'gas', powerW: 9000 }],
};
const stores = { house, recipes };

test('an empty address gets the house’s first soup in a pot that holds it', () => {
  expect(orderFrom({}, stores)).toMatchObject({
    recipeId: 'cockle-and-leek-chowder',
    litres: 12,
    vesselId: 'large',
    burnerId: 'ring',
    target: 153,
  });
  expect(orderFrom({ litres: '2' }, stores)?.vesselId).toBe('small');
});

test('nonsense in an address falls back, part by part', () => {
  const order = orderFrom(
    {
      recipe: 'gruel',
      litres: '-4',
      target: 'thick',
      pot: 'bath',
      rule: 'by ear',
      at: 'noon',
      colour: 'brown',
    },
    stores,
  );
  expect(order).toMatchObject({
    recipeId: 'cockle-and-leek-chowder',
    litres: 12,
    target: 153,
    vesselId: 'large',
    serveAt: '18:30',
    colour: 'brown',
  });
  expect(order?.rule).toBeUndefined();
});

test('a order comes back from its own address', () => {
  const order = orderFrom(
    {
      recipe: 'smoked-parsnip-veloute',
      litres: '8',
      target: '200',
      pot: 'large',
      rule: 'volume',
      colour: 'white',
      at: '19:45',
    },
    stores,
  )!;
  const query = Object.fromEntries(new URL(addressOf(order), 'http://x').searchParams);
  expect(orderFrom(query, stores)).toEqual(order);
});

test('a kitchen without pots or soups has nothing to order for', () => {
  expect(orderFrom({}, { house: { ...house, vessels: [] }, recipes })).toBeNull();
  expect(orderFrom({}, { house, recipes: [] })).toBeNull();
});

test('the wall is marked at the pass and at each stage that moves the level; marks that fall together are one', () => {
  const setup = { vessel: house.vessels[1]!, burner: house.burners[0]!, kitchen };
  const levels = levelsOf(planFor(recipes[0]!, { litres: 12, target: 153 }, setup));
  expect(spoken(levels).map((l) => l.label)).toEqual(['at the pass', 'liquid in', 'potato in']);
  expect(levels[0]?.ml).toBeCloseTo(12_000, -2);
  expect(levels[1]?.ml).toBeLessThan(7000);
  expect(levels[2]?.ml).toBeGreaterThan(levels[1]?.ml ?? 0);
});

test('a way of thickening, its share and what mends a warning come back from the address', () => {
  const order = orderFrom(
    { way: 'slurry.cornstarch', share: '0.5', butter: '20', longer: '5', liquid: '80', dairy: 'last' },
    stores,
  )!;
  expect(order).toMatchObject({
    way: 'slurry.cornstarch',
    share: 0.5,
    moreFat: 20,
    moreSimmer: 5,
    liquidAt: 80,
    dairy: 'last',
  });
  const query = Object.fromEntries(new URL(addressOf(order), 'http://x').searchParams);
  expect(orderFrom(query, stores)).toEqual(order);
  expect(orderFrom({ way: 'sawdust', share: '7' }, stores)).not.toHaveProperty('way');
  const blended = { house, recipes: [demoRecipe('haddock-and-sweetcorn-chowder')] };
  expect(orderFrom({ way: 'slurry.cornstarch', share: '0.5' }, blended)).not.toHaveProperty('way');
});
