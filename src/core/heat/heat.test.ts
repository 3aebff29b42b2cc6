import { heatInto } from './burner';
import { advanceLag, type Cut, centreTemperature, softeningIn, startLag } from './softening';
import { boilingPoint, latentHeat, pressureAt } from './steam';
import { depthOf, losingArea, rimVolume, type Vessel, volumeAt } from './vessel';
import { airSideFlux, openSurfaceFlux } from './waterLoss';

const pot: Vessel = {
  id: 'p',
  name: 'P',
  diameterMm: 300,
  heightMm: 200,
  material: 'stainless steel',
  massG: 3000,
};
const room = { pressure: 101_325, celsius: 24, humidity: 0.5 };

test('depth and volume are inverse, and the rim is where the wall ends', () => {
  expect(depthOf(pot, volumeAt(pot, 87))).toBeCloseTo(87, 9);
  expect(depthOf(pot, rimVolume(pot))).toBeCloseTo(200, 9);
  expect(losingArea(pot, 1e9)).toBeCloseTo(losingArea(pot, rimVolume(pot)), 9);
});

describe('water loss', () => {
  const perHour = (diameterMm: number, celsius = 95, viscosity = 0.3) =>
    openSurfaceFlux(celsius, room, diameterMm, viscosity) * 3.6;

  test('at 95 °C a thin liquid gives off about 17 kg/(m²·h), a 30 cm pot near 1.2 kg/h', () => {
    expect(perHour(300)).toBeGreaterThan(15);
    expect(perHour(300)).toBeLessThan(20);
    expect(perHour(300) * Math.PI * 0.15 ** 2).toBeGreaterThan(1.05);
    expect(perHour(300) * Math.PI * 0.15 ** 2).toBeLessThan(1.4);
  });

  test('without the liquid film the answer would be about three times too high', () => {
    const ratio = airSideFlux(95, room, 300) / openSurfaceFlux(95, room, 300, 0.3);
    expect(ratio).toBeGreaterThan(2);
    expect(ratio).toBeLessThan(4);
  });

  test('grows with temperature, falls with viscosity and humidity', () => {
    expect(perHour(300, 95)).toBeGreaterThan(perHour(300, 85));
    expect(perHour(300, 85)).toBeGreaterThan(perHour(300, 60));
    expect(perHour(300, 95, 100)).toBeLessThan(perHour(300, 95, 1));
    expect(openSurfaceFlux(60, { ...room, humidity: 1 }, 300, 1)).toBeLessThan(
      openSurfaceFlux(60, room, 300, 1),
    );
  });

  test('heat through the liquid equals heat carried off as vapour', () => {
    const flux = openSurfaceFlux(90, room, 280, 5);
    // The surface temperature that carries this flux on the air side must also drive it through the liquid.
    let surface = 24;
    while (airSideFlux(surface, room, 280) < flux) surface += 0.001;
    expect(900 * 5 ** -0.2 * (90 - surface)).toBeCloseTo(flux * latentHeat(surface), -2);
  });

  test('nothing leaves a liquid in equilibrium with its air', () => {
    expect(openSurfaceFlux(24, { ...room, humidity: 1 }, 300, 1)).toBe(0);
  });
});

test('water boils sooner up a hill', () => {
  expect(boilingPoint(pressureAt(0))).toBeCloseTo(99.97, 1);
  expect(boilingPoint(pressureAt(2000))).toBeLessThan(94);
});

test('a burner gives its efficiency’s share at its flame', () => {
  expect(heatInto({ id: 'b', name: 'B', kind: 'gas', powerW: 5000 }, 0.5)).toBe(1000);
});

describe('a piece in hot liquid', () => {
  const cube: Cut = { shape: 'cube', edgeMm: 20 };

  test('starts at its own temperature and ends at the liquid’s', () => {
    const lag = startLag(cube, 10, 95);
    expect(centreTemperature(lag, cube, 95)).toBeCloseTo(10, 6);
    expect(centreTemperature(advanceLag(lag, cube, 3600, 0), cube, 95)).toBeCloseTo(95, 3);
  });

  test('follows the exact one-term solution once the short waves are gone', () => {
    const t = 180;
    const exact = 95 - 85 * (4 / Math.PI) ** 3 * Math.exp((-3 * Math.PI ** 2 * 1.5e-7 * t) / 0.02 ** 2);
    expect(centreTemperature(advanceLag(startLag(cube, 10, 95), cube, t, 0), cube, 95)).toBeCloseTo(exact, 0);
  });

  test('one long slice and many short ones agree', () => {
    let many = startLag(cube, 10, 60);
    for (let i = 0; i < 60; i++) many = advanceLag(many, cube, 5, 0.5);
    const once = advanceLag(startLag(cube, 10, 60), cube, 300, 30);
    expect(centreTemperature(many, cube, 90)).toBeCloseTo(centreTemperature(once, cube, 90), 6);
  });

  test('a slab lags more than a rod, a rod more than a cube', () => {
    const after = (shape: Cut['shape']) => {
      const cut = { shape, edgeMm: 20 };
      return centreTemperature(advanceLag(startLag(cut, 10, 95), cut, 150, 0), cut, 95);
    };
    expect(after('cube')).toBeGreaterThan(after('rod'));
    expect(after('rod')).toBeGreaterThan(after('slab'));
  });

  test('20 °C less softens ten times slower; cold does not soften', () => {
    expect(softeningIn(60, 100) / softeningIn(60, 80)).toBeCloseTo(10, 9);
    expect(softeningIn(600, 40)).toBe(0);
    // What is wet steams: no hotter than that inside, whatever a probe says of the pan.
    expect(softeningIn(60, 104)).toBeGreaterThan(softeningIn(60, 103));
    expect(softeningIn(60, 190)).toBe(softeningIn(60, 105));
  });
});
