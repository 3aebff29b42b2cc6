import { demoHouse } from '../../../demo/demo';
import { componentDensity } from '../food/thermal';
import type { Vessel } from '../heat/vessel';
import { putAllIn } from '../pot/contents/contents';
import { cook, heatTo } from '../pot/cook';
import { emptyPot } from '../pot/pot';
import { fitWaterTest, ImplausibleReading, WaterTest } from './waterTest';

const { vessels, burners, kitchen } = demoHouse();
const vessel = vessels[2]!;
const burner = burners[0]!;

/** What a cook would read if the pot lost `loss` times the model and `watts` reached it. */
function readings(loss: number, watts: number, by: 'weight' | 'level') {
  const real: Vessel = { ...vessel, lossFactor: loss };
  const fill = (celsius: number) =>
    putAllIn(
      { ...emptyPot(real, { ...burner, intoPotW: watts }, celsius), celsius },
      [{ ingredient: 'water', amount: 12 * componentDensity('water', celsius), celsius }],
      kitchen,
    );
  const heated = heatTo(fill(15), 90, { flame: 1, lid: 'off' }, kitchen);
  const kept = cook(fill(95), { flame: 1, lid: 'off', hold: 95 }, kitchen, { forSeconds: 1800 });
  const mm =
    kept.pot.evaporated / componentDensity('water', 95) / (Math.PI * (vessel.diameterMm / 2000) ** 2);
  const test = {
    litres: 12,
    startCelsius: 15,
    heatedTo: 90,
    heatMinutes: heated.pot.seconds / 60,
    keptAt: 95,
    keptMinutes: 30,
    by,
    before: by === 'weight' ? 17_000 : 118,
    after: by === 'weight' ? 17_000 - kept.pot.evaporated : 118 - mm,
  };
  return WaterTest.parse(test);
}

test.each([
  [1, 2800, 'weight'],
  [0.7, 1900, 'weight'],
  [1.6, 5200, 'level'],
] as const)('a pot of loss %s on %s W, read by %s, is found again', (loss, watts, by) => {
  const found = fitWaterTest(readings(loss, watts, by), vessel, burner, kitchen);
  expect(Math.abs(found.lossFactor / loss - 1)).toBeLessThan(0.01);
  expect(Math.abs(found.intoPotW / watts - 1)).toBeLessThan(0.01);
  expect(found.efficiency).toBeCloseTo(found.intoPotW / burner.powerW, 9);
});

test.each([
  [{ keptAt: 98 }, 'keptAt', /97 °C or less: at the boil/],
  [{ after: 16_990 }, 'after', /10 g gone where/],
  [{ after: 9000 }, 'after', /read it again, lid off/],
  [{ heatMinutes: 0.5 }, 'heatMinutes', /no burner of/],
] as const)('%j cannot be, and is named', (wrong, field, why) => {
  const test = { ...readings(1, 2800, 'weight'), ...wrong };
  let error: unknown;
  try {
    fitWaterTest(test, vessel, burner, kitchen);
  } catch (e) {
    error = e;
  }
  expect(error).toBeInstanceOf(ImplausibleReading);
  expect(error).toMatchObject({ field, message: expect.stringMatching(why) });
});

test('on a mountain water boils lower, and so must the test', () => {
  const high = { ...kitchen, altitudeM: 2500 };
  expect(() => fitWaterTest(readings(1, 2800, 'weight'), vessel, burner, high)).toThrow(
    /at the boil \(91\.\d °C here\)/,
  );
});

test('the form of the readings: a gain of water or a short climb is refused', () => {
  const good = readings(1, 2800, 'weight');
  const issues = (wrong: object) =>
    WaterTest.safeParse({ ...good, ...wrong }).error?.issues.map((i) => i.path[0]);
  expect(issues({ after: good.before })).toEqual(['after']);
  expect(issues({ startCelsius: 60, heatedTo: 70 })).toEqual(['heatedTo']);
  expect(issues({ litres: 'ten', keptMinutes: 1 })).toEqual(['litres', 'keptMinutes']);
});
