import { BOWL_CELSIUS, temperatureFactor } from '../flow/viscosity';
import { WALL_LOSS } from '../heat/burner';
import { latentHeat, pressureAt } from '../heat/steam';
import { losingArea, surfaceArea } from '../heat/vessel';
import { LID_ESCAPE, type Lid, surfaceFinder } from '../heat/waterLoss';
import { heatCapacity, volumeMl } from './contents/contents';
import { type Kitchen, lossOf } from './kitchen';
import { consistency } from './observe';
import { type Pot, potCelsius } from './pot';

/** °C apart at which capacity and volume are read, to take them as straight lines between. */
const APART = 10;

/** Grams of water below which the floor of a pot is no longer covered, and less and less of it steams. */
const DRY = 20;

/** What the fire has done to the liquid after some seconds. */
export type Heated = {
  readonly celsius: number;
  /** Grams gone as steam. */
  readonly steam: number;
};

type Surface = ReturnType<typeof surfaceFinder>;

/** What finds the steam leaving this vessel in this kitchen; one for as long as they stay the same. */
export const surfaceOf = (pot: Pot, kitchen: Kitchen): Surface =>
  surfaceFinder(
    { pressure: pressureAt(kitchen.altitudeM), celsius: kitchen.airCelsius, humidity: kitchen.humidity },
    pot.vessel.diameterMm,
  );

/**
 * The heat and water balance of one pot over one slice of time, as two numbers that move: °C and
 * grams of steam given off. Heat capacity and volume are straight lines in temperature about where
 * the pot stands (level ones unless the slice is `long`), so that a rate costs one surface temperature
 * and no new pot.
 */
export function heatingOf(pot: Pot, lid: Lid, kitchen: Kitchen, flux: Surface, long: boolean) {
  const from = pot.celsius;
  const capacity = heatCapacity(pot);
  const area = losingArea(pot.vessel, volumeMl(pot));
  let capacityRise = 0;
  let areaRise = 0;
  if (long) {
    const warmer = { ...pot, celsius: from + APART };
    capacityRise = (heatCapacity(warmer) - capacity) / APART;
    areaRise = (losingArea(pot.vessel, volumeMl(warmer)) - area) / APART;
  }
  /** Each gram of steam takes this heat capacity and this much wetted wall with it. */
  const perGram = 4.19;
  const wallPerGram = Math.PI * (pot.vessel.diameterMm / 1000) * (0.001 / (surfaceArea(pot.vessel) * 1000));
  const thickness = consistency(pot).bowlViscosity / temperatureFactor(BOWL_CELSIUS);
  const escaping =
    surfaceArea(pot.vessel) *
    LID_ESCAPE[lid] *
    lossOf(pot.vessel, lid, kitchen) *
    Math.min(1, pot.liquid.water / DRY);

  /** g/s of steam at `celsius`. */
  const steamAt = (degrees: number): number => {
    const celsius = potCelsius(degrees);
    return flux(celsius, thickness * temperatureFactor(celsius)) * escaping;
  };
  const capacityAt = (celsius: number, steam: number): number =>
    capacity + capacityRise * (celsius - from) - perGram * steam;
  const wallAt = (celsius: number, steam: number): number =>
    WALL_LOSS * (area + areaRise * (celsius - from) - wallPerGram * steam) * (celsius - kitchen.airCelsius);

  /**
   * Heun’s Runge–Kutta, of the third order for a long slice, else the second: the pot after `seconds` with `watts`
   * going in, if nothing stops it.
   */
  const free = (watts: number, seconds: number): Heated => {
    const rate = (celsius: number, steam: number, vapour: number): number =>
      (watts - wallAt(celsius, steam) - vapour * latentHeat(potCelsius(celsius))) /
      capacityAt(celsius, steam);
    const m1 = steamAt(from);
    const k1 = rate(from, 0, m1);
    if (!long) {
      const end = from + seconds * k1;
      const m2 = steamAt(end);
      return {
        celsius: from + (seconds / 2) * (k1 + rate(end, seconds * m1, m2)),
        steam: (seconds / 2) * (m1 + m2),
      };
    }
    const third = seconds / 3;
    const t2 = from + third * k1;
    const m2 = steamAt(t2);
    const k2 = rate(t2, third * m1, m2);
    const t3 = from + 2 * third * k2;
    const m3 = steamAt(t3);
    const k3 = rate(t3, 2 * third * m2, m3);
    return {
      celsius: from + (seconds / 4) * (k1 + 3 * k3),
      steam: (seconds / 4) * (m1 + 3 * m3),
    };
  };
  return { free, steamAt, capacityAt, wallAt };
}
