import { viscosity } from '../src/core/flow/viscosity';
import { componentDensity } from '../src/core/food/thermal';

/**
 * Viscosity of cream at 60 °C by fat: Steffe, J. F. (1996), Rheological Methods in Food Process
 * Engineering, 2nd ed., appendix. Values from memory. The model is held to 4 %.
 */
test.each([
  [10, 1.07],
  [20, 1.71],
  [30, 2.89],
  [40, 5.1],
])('cream of %d %% fat: %d mPa·s at 60 °C', (percent, published) => {
  const fat = percent / 100 / componentDensity('fat', 60);
  const serum = (1 - percent / 100) / 1015;
  expect(Math.abs(viscosity(0, fat / (fat + serum), 60) / published - 1)).toBeLessThan(0.04);
});

/** Viscosity of water: 1.002 at 20 °C, 0.467 at 60 °C, 0.282 at 100 °C mPa·s, CRC Handbook, from memory. */
test.each([
  [20, 1.002],
  [60, 0.467],
  [100, 0.282],
])('water at %d °C', async (celsius, published) => {
  const { waterViscosity } = await import('../src/core/flow/viscosity');
  expect(Math.abs(waterViscosity(celsius) / published - 1)).toBeLessThan(0.015);
});
