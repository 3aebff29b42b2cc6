import { boilingPoint, pressureAt, saturationPressure } from '../src/core/heat/steam';
import { reference } from './reference';

type Psychrolib = {
  SI: number;
  SetUnitSystem(system: number): void;
  GetSatVapPres(celsius: number): number;
  GetStandardAtmPressure(metres: number): number;
  GetTDewPointFromVapPres(dryBulb: number, vapourPressure: number): number;
};

const psychrolib = reference<Psychrolib>('psychrolib');

/** The reference library psychrolib (ASHRAE Handbook — Fundamentals 2017, chapter 1). */
describe('psychrolib', () => {
  beforeAll(() => psychrolib.SetUnitSystem(psychrolib.SI));

  test.each([5, 20, 24, 40, 57, 65, 80, 90, 95, 100])('saturation pressure at %d °C within 0.01 %%', (t) => {
    expect(Math.abs(saturationPressure(t) / psychrolib.GetSatVapPres(t) - 1)).toBeLessThan(1e-4);
  });

  test.each([0, 5, 500, 1600, 3000])('standard pressure at %d m within 0.01 %%', (m) => {
    expect(Math.abs(pressureAt(m) / psychrolib.GetStandardAtmPressure(m) - 1)).toBeLessThan(1e-4);
  });

  test.each([0, 5, 500, 1600, 3000])(
    'boiling point at %d m within 0.02 °C: where psychrolib’s own curve meets the pressure',
    (m) => {
      const pressure = psychrolib.GetStandardAtmPressure(m);
      let low = 80;
      let high = 105;
      while (high - low > 1e-5) {
        const middle = (low + high) / 2;
        if (psychrolib.GetSatVapPres(middle) < pressure) low = middle;
        else high = middle;
      }
      expect(Math.abs(boilingPoint(pressureAt(m)) - low)).toBeLessThan(0.02);
    },
  );
});
