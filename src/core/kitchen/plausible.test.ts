import { demoKitchen } from '../../../demo/demo';
import { inEnglish } from '../text/inWords';
import { KitchenFile } from './kitchenFile';
import { askedOfKitchen } from './plausible';

const kitchen = demoKitchen();
const asked = (more: Partial<KitchenFile>) =>
  askedOfKitchen(KitchenFile.parse({ ...kitchen, ...more })).map((m) => inEnglish(m));

test('of the demo’s kitchen nothing is asked', () => {
  expect(asked({})).toEqual([]);
});

test('what a unit typed for another makes is asked about: air, power, a pot, a fridge', () => {
  expect(asked({ airCelsius: 52 })).toEqual(['Air of 52 °C: really?']);
  expect(asked({ altitudeM: 4200 })).toEqual(['4200 m above the sea: really?']);
  const [pot] = kitchen.vessels;
  const [burner] = kitchen.burners;
  if (!pot || !burner) throw new Error('the demo has a pot and a burner');
  expect(asked({ vessels: [{ ...pot, massG: 200 }] })[0]).toMatch(/weighs 0\.2 kg empty: really\?$/);
  expect(asked({ vessels: [{ ...pot, diameterMm: 90, heightMm: 60 }] })[0]).toMatch(
    /holds 0\.38 L: really\?$/,
  );
  expect(asked({ burners: [{ ...burner, kind: 'induction', powerW: 18_000 }] })).toEqual([
    `${burner.name} has 18 kW: really?`,
  ]);
  const places = kitchen.keeping.places.map((p) => (p.kind === 'fridge' ? { ...p, celsius: 40 } : p));
  expect(asked({ keeping: { ...kitchen.keeping, places } })).toEqual(['Fridge is kept at 40 °C: really?']);
  expect(asked({ saltPercent: 2 })).toEqual(['2 % of salt in the soup: really?']);
});
