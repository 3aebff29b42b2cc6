import { equivalentsFor, fatFactor, temperatureFactor, viscosity, waterViscosity } from './flow/viscosity';
import { componentDensity, conductivityOf, heatCapacityOf } from './food/thermal';
import { heatInto } from './heat/burner';
import { type Cooling, cooled, thickSoup } from './heat/cool/body';
import { advanceLag, type Cut, noLag, softeningIn, startLag } from './heat/softening';
import { boilingPoint, latentHeat, pressureAt, saturationPressure } from './heat/steam';
import { depthOf, type Vessel, volumeAt } from './heat/vessel';
import { airSideFlux, openSurfaceFlux } from './heat/waterLoss';
import { cookThickener, swellingAt, type Thickener } from './thicken/granules';
import { leftPiece } from './thicken/puree';
import { OutOfRange } from './units/range';

const vessel: Vessel = {
  id: 'v',
  name: 'V',
  diameterMm: 300,
  heightMm: 300,
  material: 'stainless steel',
  massG: 3000,
};
const cut: Cut = { shape: 'cube', edgeMm: 20 };
const air = { pressure: 101_325, celsius: 24, humidity: 0.5 };
const pan: Cooling = {
  soup: thickSoup(5000),
  holder: { kind: 'pans', pan: { lengthMm: 510, widthMm: 305, depthMm: 65 }, count: 1 },
  place: { kind: 'fan', celsius: 3 },
  lid: false,
};
const flour: Thickener = {
  kind: 'wheat',
  from: 'plain-flour',
  dry: 1,
  equivalents: 1,
  swollen: 0,
  strength: 1,
  cookedMinutes: 0,
};

/** The field each refusal must name, and the call that is out of range. */
const REFUSED: readonly (readonly [string, string, () => unknown])[] = [
  ['latent heat', 'temperature', () => latentHeat(201)],
  ['saturation pressure', 'temperature', () => saturationPressure(-21)],
  ['pressure at an altitude', 'altitude', () => pressureAt(9000)],
  ['boiling point', 'pressure', () => boilingPoint(10)],
  ['evaporation', 'liquid', () => openSurfaceFlux(900, air, 300, 1)],
  ['evaporation into no room', 'humidity', () => openSurfaceFlux(90, { ...air, humidity: 1.2 }, 300, 1)],
  ['evaporation on the air side', 'surface', () => airSideFlux(Number.NaN, air, 300)],
  ['burner', 'flame', () => heatInto({ id: 'b', name: 'B', kind: 'gas', powerW: 5000 }, 1.5)],
  ['depth', 'volume', () => depthOf(vessel, -1)],
  ['volume', 'depth', () => volumeAt(vessel, -1)],
  ['softening', 'time', () => softeningIn(-3, 90)],
  ['a piece', 'piece', () => startLag(cut, -90, 90)],
  ['a piece in time', 'edge', () => advanceLag(noLag(cut), { ...cut, edgeMm: 0 }, 10, 0)],
  ['cooling', 'volume', () => cooled({ ...pan, soup: thickSoup(0) }, 90, 60)],
  ['cooling from', 'from', () => cooled(pan, 190, 60)],
  ['cooling for', 'time', () => cooled(pan, 90, -1)],
  ['heat capacity', 'temperature', () => heatCapacityOf('water', 900)],
  ['density', 'temperature', () => componentDensity('fat', -60)],
  ['conductivity', 'temperature', () => conductivityOf('fat', Number.NaN)],
  ['water', 'temperature', () => waterViscosity(-20)],
  ['fat', 'fat fraction', () => fatFactor(1.1)],
  ['temperature', 'temperature', () => temperatureFactor(900)],
  ['viscosity', 'flour equivalent', () => viscosity(-1, 0, 65)],
  ['viscosity at a shear rate', 'shear rate', () => viscosity(20, 0, 65, 0)],
  ['dose', 'target', () => equivalentsFor(0, 0)],
  ['swelling', 'temperature', () => swellingAt('wheat', 500)],
  ['cooking a thickener', 'time', () => cookThickener(flour, -1, 90)],
  ['cooking a thickener in acid', 'pH', () => cookThickener(flour, 1, 90, 20)],
  ['leaching', 'softening', () => leftPiece('floury potato', cut, -1)],
];

test.each(REFUSED)('%s refuses what is out of range, and names the %s', (_what, field, call) => {
  let refusal: unknown;
  try {
    call();
  } catch (error) {
    refusal = error;
  }
  expect(refusal).toBeInstanceOf(OutOfRange);
  if (!(refusal instanceof OutOfRange)) throw new Error('said above');
  expect(refusal.field).toBe(field);
  expect(refusal.allowed[0]).toBeLessThan(refusal.allowed[1]);
  expect(refusal.message).toContain(`it must be from ${refusal.allowed[0]} to ${refusal.allowed[1]}`);
});
