import { NOTHING } from '../src/core/food/composition';
import {
  componentDensity,
  conductivityOf,
  heatCapacityOf,
  heatHeldBy,
  volumeOf,
} from '../src/core/food/thermal';

/**
 * Choi, Y. & Okos, M. R. (1986), as in ASHRAE Handbook — Refrigeration, "Thermal properties of foods".
 * Polynomials are transcribed in the design; the anchor values of water below are from general steam
 * tables, from memory.
 */
describe('Choi & Okos', () => {
  test.each([
    ['water', 25, 4.18, 0.02, 997, 3, 0.607, 0.01],
    ['water', 90, 4.205, 0.02, 965, 4, 0.675, 0.012],
  ] as const)('%s at %d °C against steam tables', (c, t, cp, dcp, rho, drho, k, dk) => {
    expect(Math.abs(heatCapacityOf(c, t) - cp)).toBeLessThan(dcp);
    expect(Math.abs(componentDensity(c, t) - rho)).toBeLessThan(drho);
    expect(Math.abs(conductivityOf(c, t) - k)).toBeLessThan(dk);
  });

  test.each([
    ['protein', 2.0082 + 1.2089e-3 * 20 - 1.3129e-6 * 400, 1329.9 - 0.5184 * 20],
    ['fat', 1.9842 + 1.4733e-3 * 20 - 4.8008e-6 * 400, 925.59 - 0.41757 * 20],
    ['starch', 1.5488 + 1.9625e-3 * 20 - 5.9399e-6 * 400, 1599.1 - 0.31046 * 20],
    ['fibre', 1.8459 + 1.8306e-3 * 20 - 4.6509e-6 * 400, 1311.5 - 0.36589 * 20],
    ['ash', 1.0926 + 1.8896e-3 * 20 - 3.6817e-6 * 400, 2423.8 - 0.28063 * 20],
  ] as const)('%s at 20 °C against its polynomial', (c, cp, rho) => {
    expect(heatCapacityOf(c, 20)).toBeCloseTo(cp, 9);
    expect(componentDensity(c, 20)).toBeCloseTo(rho, 6);
  });

  /**
   * Whole milk: about 3.9 kJ/(kg·K) and 1.03 g/mL near 20 °C, dairy-science textbooks, from memory.
   * Adding volumes makes it 1.0365, 0.6 % heavy, since dissolved sugar takes less room; 1 % is asked.
   */
  test('whole milk', () => {
    const milk = { ...NOTHING, water: 881, protein: 32, fat: 33, sugars: 48, ash: 7 };
    const mass = 1001;
    expect(Math.abs(heatHeldBy(milk, 20) / mass - 3.9)).toBeLessThan(0.06);
    expect(Math.abs(mass / volumeOf(milk, 20) - 1.03)).toBeLessThan(0.0103);
  });
});
