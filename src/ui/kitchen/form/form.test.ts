import { demoKitchen } from '../../../../demo/demo';
import { KitchenFile } from '../../../core/kitchen/kitchenFile';
import { inEnglish } from '../../../core/text/inWords';
import { issueWords } from '../../../core/words/issueWords';
import { inUnits, kitchenFieldOf, kitchenForm, kitchenOf } from './form';

const kitchen = demoKitchen();

test('the kitchen goes through its form and comes out as it was, but for the last digit of salt', () => {
  const { products, ...rest } = kitchenOf(kitchenForm(kitchen), kitchen);
  const { products: before, ...restBefore } = kitchen;
  expect(rest).toEqual(restBefore);
  expect(products).toHaveLength(before.length);
  for (const [n, p] of products.entries()) {
    const was = before[n];
    expect({ ...p, sodium: undefined }).toEqual({ ...was, sodium: undefined });
    if (was?.sodium !== undefined) expect(p.sodium).toBeCloseTo(was.sodium, 1);
  }
});

test('air in °F comes out in °C; new things get ids of their own', () => {
  const form = { ...kitchenForm(kitchen), temperature: 'F', air: '77' };
  form.vessels = [
    ...form.vessels,
    {
      id: '',
      name: 'Deep 42',
      diameterCm: '40',
      heightCm: '40',
      material: 'aluminium',
      massKg: '6',
      lossFactor: '',
    },
  ];
  const file = KitchenFile.parse(kitchenOf(form, kitchen));
  expect(file.airCelsius).toBeCloseTo(25, 9);
  expect(file.vessels.at(-1)).toMatchObject({ id: 'deep-42-2', diameterMm: 400, massG: 6000 });
});

describe('a change of units', () => {
  const us = { volume: 'gal', temperature: 'F' };
  const priced = {
    ...kitchen,
    airCelsius: 24,
    products: kitchen.products.map((p) => ({ ...p, packG: 737, pricePerKg: 4.35 })),
    keeping: { ...kitchen.keeping, tightened: { hot: 63, cold: 4, reheat: 75 } },
  };

  test('converts what is shown', () => {
    const form = inUnits(kitchenForm(priced), us);
    expect(form.air).toBe('75.2');
    expect(form.keeping).toMatchObject({ hot: '145.4', cold: '39.2', reheat: '167' });
    expect(Number(form.vessels[0]?.massKg) * 0.45359237).toBeCloseTo(
      (priced.vessels[0]?.massG ?? 0) / 1000,
      4,
    );
    expect(Number(form.products[0]?.packG) * 28.349523125).toBeCloseTo(737, 2);
    expect(Number(form.products[0]?.pricePerKg) / 0.45359237).toBeCloseTo(4.35, 4);
    const fridge = form.keeping.places.find((p) => p.kind === 'fridge');
    expect(fridge?.celsius).toBe(
      String(
        Number(
          ((priced.keeping.places.find((p) => p.kind === 'fridge')?.celsius ?? 0) * 1.8 + 32).toFixed(1),
        ),
      ),
    );
  });

  test('and changes nothing that is kept, there, saved, opened again and back', () => {
    const { show, ...before } = priced;
    const there = kitchenOf(inUnits(kitchenForm(priced), us), priced);
    const { show: shown, ...kept } = there;
    expect(shown).toEqual(us);
    const bare = (k: typeof kept | typeof before) => ({
      ...k,
      products: k.products.map((p) => ({ ...p, sodium: 0 })),
    });
    expect(bare(kept)).toEqual(bare(before));
    const back = kitchenOf(
      inUnits(kitchenForm(KitchenFile.parse(there)), { volume: 'L', temperature: 'C' }),
      priced,
    );
    expect(bare({ ...back })).toEqual({ ...bare(before), show });
  });

  test('what is no number stays as it was typed', () => {
    expect(inUnits({ ...kitchenForm(priced), air: 'warm' }, us).air).toBe('warm');
    expect(inUnits({ ...kitchenForm(priced), air: '' }, us).air).toBe('');
  });
});

test('what is typed wrong stays, and its place finds its field', () => {
  const form = { ...kitchenForm(kitchen), altitudeM: 'high', humidityPercent: '140' };
  const first = form.vessels[0];
  if (first) first.diameterCm = '-3';
  const wrong = KitchenFile.safeParse(kitchenOf(form, kitchen)).error?.issues ?? [];
  expect(wrong.map((i) => kitchenFieldOf(`kitchen.${i.path.join('.')}`))).toEqual(
    expect.arrayContaining(['altitudeM', 'humidityPercent', 'vessels.0.diameterCm']),
  );
  expect(kitchenFieldOf('kitchen.roles.0')).toBe('roles');
});

test('bands that do not climb, two pots alike, no burner: all said at once', () => {
  const file = {
    ...kitchen,
    bandLimits: [90, 25, 260, 800],
    vessels: [kitchen.vessels[0], kitchen.vessels[0]],
    burners: [],
  };
  const said = KitchenFile.safeParse(file)
    .error?.issues.map((i) => inEnglish(issueWords(i)))
    .join('; ');
  expect(said).toMatch(/above the one before/);
  expect(said).toMatch(/two pots are called/);
  expect(said).toMatch(/at least one burner/);
});
