import { bisect } from '../maths/bisect';
import { heatInto, WALL_LOSS } from './burner';
import { advanceLag, type Cut, centreTemperature, noLag, softeningIn, startLag, withFilm } from './softening';
import { boilingPoint, latentHeat, pressureAt, saturationPressure } from './steam';
import { depthOf, holding, losingArea, MATERIALS, rimVolume, type Vessel, volumeAt } from './vessel';
import { airSideFlux, LID_ESCAPE, openSurfaceFlux, surfaceFinder } from './waterLoss';

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
    const exact = 95 - 85 * (4 / Math.PI) ** 3 * Math.exp((-3 * Math.PI ** 2 * 1.4e-7 * t) / 0.02 ** 2);
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

/** Specific heats of metals, J/(g·K): Incropera & DeWitt, appendix A, from memory (grades differ by a few %). */
test.each([
  ['stainless steel', 0.49],
  ['aluminium', 0.9],
  ['copper', 0.385],
  ['cast iron', 0.46],
] as const)('%s holds %d J/(g·K), within 4 %%', (material, published) => {
  expect(Math.abs(MATERIALS[material].heatCapacity / published - 1)).toBeLessThan(0.04);
});

/** Shares of the power that reach the pot: US DOE cooking-top tests, from memory. */
test.each([
  ['gas', 0.4],
  ['induction', 0.84],
  ['electric', 0.74],
] as const)('%s gives %d of its power to the pot', (kind, share) => {
  expect(heatInto({ id: 'b', name: 'B', kind, powerW: 1000 }, 1) / 1000).toBeCloseTo(share, 9);
});

test('a burner a water test has measured gives what was measured', () => {
  expect(heatInto({ id: 'b', name: 'B', kind: 'gas', powerW: 5000, intoPotW: 2300 }, 1)).toBe(2300);
});

test('a pot is filled to four fifths of its rim; those that hold it come smallest first', () => {
  const rim = rimVolume(pot);
  expect(rim).toBeCloseTo((Math.PI * 15 ** 2 * 20 * 1000) / 1000, 6);
  const big = { ...pot, id: 'q', heightMm: 300 };
  expect(holding([big, pot], rim * 0.8).map((v) => v.id)).toEqual(['p', 'q']);
  expect(holding([big, pot], rim * 0.801).map((v) => v.id)).toEqual(['q']);
  expect(losingArea(pot, 0)).toBeCloseTo(Math.PI * 0.15 ** 2, 9);
  expect(losingArea(pot, rim / 2)).toBeCloseTo(Math.PI * (0.15 ** 2 + 0.3 * 0.1), 9);
});

/** Heat of vaporisation, J/g: steam tables (IAPWS), from memory. */
test.each([
  [0, 2500.9],
  [50, 2382.0],
  [100, 2256.5],
  [130, 2173.7],
])('a gram of water at %d °C takes %d J to go off, within half a percent', (celsius, published) => {
  expect(Math.abs(latentHeat(celsius) / published - 1)).toBeLessThan(0.005);
});

/** Saturation pressure, Pa: steam tables (IAPWS), from memory. */
test.each([
  [20, 2339],
  [60, 19_946],
  [95, 84_610],
  [120, 198_670],
])('steam over water at %d °C stands at %d Pa, within 0.1 %%', (celsius, published) => {
  expect(Math.abs(saturationPressure(celsius) / published - 1)).toBeLessThan(0.001);
});

/** US Standard Atmosphere 1976, from memory. */
test.each([
  [0, 101_325],
  [1000, 89_875],
  [3000, 70_109],
])('the air at %d m stands at %d Pa', (metres, published) => {
  expect(Math.abs(pressureAt(metres) / published - 1)).toBeLessThan(0.001);
});

test('a lid lets out a tenth, ajar half (docs/model.md)', () => {
  expect(LID_ESCAPE).toEqual({ on: 0.1, ajar: 0.5, off: 1 });
  expect(WALL_LOSS).toBe(11);
});

describe('softening', () => {
  test('begins at 50 °C', () => {
    expect(softeningIn(60, 49.9)).toBe(0);
    expect(softeningIn(60, 50)).toBeGreaterThan(0);
    expect(softeningIn(60, 100)).toBe(1);
  });

  test('a piece follows conduction at 1.4e-7 m²/s, as one term of the series has it', () => {
    // Slab of 20 mm: 4/π·exp(−π²αt/L²), after long enough that the rest is gone.
    const t = 600;
    const slab: Cut = { shape: 'slab', edgeMm: 20 };
    const left = (4 / Math.PI) * Math.exp((-(Math.PI ** 2) * 1.4e-7 * t) / 0.02 ** 2);
    expect(centreTemperature(advanceLag(startLag(slab, 10, 95), slab, t, 0), slab, 95)).toBeCloseTo(
      95 - 85 * left,
      3,
    );
  });

  test('the film at its faces counts as k/h of vegetable a side, h = 1800 η^−0.2', () => {
    const dice: Cut = { shape: 'cube', edgeMm: 12 };
    expect(withFilm(dice, 1).edgeMm).toBeCloseTo(12 + (2000 * 0.55) / 1800, 9);
    expect(withFilm(dice, 100).edgeMm).toBeCloseTo(12 + (2000 * 0.55) / (1800 * 100 ** -0.2), 9);
    expect(withFilm(dice, 0.2).edgeMm).toBe(withFilm(dice, 1).edgeMm);
    expect(withFilm({ ...dice, edgeMm: 199.9 }, 1e6).edgeMm).toBe(200);
  });

  test('rising with its liquid, a piece lags by what conduction has not yet brought', () => {
    const rod: Cut = { shape: 'rod', edgeMm: 15 };
    expect(centreTemperature(noLag(rod), rod, 60)).toBe(60);
    const lag = advanceLag(noLag(rod), rod, 1e-7, 4);
    // Six modes of many: a degree short at the first instant.
    expect(Math.abs(centreTemperature(lag, rod, 64) - 60)).toBeLessThan(1);
    expect(centreTemperature(startLag(rod, 10, 200), rod, 100)).toBe(-40);
  });
});

/**
 * Mass transfer from a wet disc, worked out here by itself: Incropera & DeWitt, natural convection over a horizontal
 * surface with the heat–mass analogy on L = D/4 and the high-flux correction ln(1 + B); air of 28.97 and water of 18.02
 * g/mol, R 8.314 J/(mol·K), air’s properties as powers of the film temperature.
 */
test.each([
  ['laminar, a small pot', 60, 120],
  ['turbulent, a wide one', 95, 900],
])('air takes off what the handbook’s correlation says: %s', (_what, surface, diameterMm) => {
  const [molWater, molAir] = [0.018015, 0.028966];
  const steam = (x: number): number => (x * molWater) / (x * molWater + (1 - x) * molAir);
  const density = (x: number, celsius: number): number =>
    (room.pressure * (x * molWater + (1 - x) * molAir)) / (8.314 * (celsius + 273.15));
  const xs = saturationPressure(surface) / room.pressure;
  const xa = (room.humidity * saturationPressure(room.celsius)) / room.pressure;
  const film = ((surface + room.celsius) / 2 + 273.15) / 273.15;
  const viscosity = 1.35e-5 * film ** 1.75;
  const diffusivity = 2.26e-5 * film ** 1.81;
  const mean = (density(xs, surface) + density(xa, room.celsius)) / 2;
  const length = diameterMm / 4000;
  const buoyancy = (density(xa, room.celsius) - density(xs, surface)) / mean;
  const rayleigh = (9.81 * buoyancy * length ** 3) / (viscosity * diffusivity);
  const sherwood = rayleigh < 1e7 ? 0.54 * rayleigh ** 0.25 : 0.15 * rayleigh ** (1 / 3);
  expect(rayleigh < 1e7).toBe(diameterMm < 500);
  const driving = (steam(xs) - steam(xa)) / (1 - steam(xs));
  const expected = ((mean * sherwood * diffusivity) / length) * Math.log(1 + driving) * 1000;
  expect(airSideFlux(surface, room, diameterMm) / expected).toBeCloseTo(1, 9);
});

test('two rooms asked about in turn are told apart: by pressure, warmth and humidity', () => {
  const others = [
    { ...room, pressure: 80_000 },
    { ...room, celsius: 34 },
    { ...room, humidity: 0.9 },
  ];
  for (const other of others) {
    const alone = airSideFlux(80, room, 300);
    const there = airSideFlux(80, other, 300);
    expect(there).not.toBe(alone);
    expect(airSideFlux(80, room, 300)).toBe(alone);
    expect(airSideFlux(80, other, 300)).toBe(there);
  }
});

test('followed from where it was, the surface is found as near as afresh: to 10 W/m²', () => {
  const follow = surfaceFinder(room, 300);
  for (let bulk = 40; bulk < 99; bulk += 0.7) {
    const flux = follow(bulk, 20);
    const surface = bisect((t) => airSideFlux(t, room, 300) < flux, room.celsius, bulk);
    const imbalance = 900 * 20 ** -0.2 * (bulk - surface) - flux * latentHeat(surface);
    expect(Math.abs(imbalance)).toBeLessThan(10.5);
  }
});
