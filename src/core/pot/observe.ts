import { type Band, bandOf } from '../flow/bands';
import { BOWL_CELSIUS, temperatureFactor, viscosity } from '../flow/viscosity';
import { depthOf, rimVolume } from '../heat/vessel';
import { SALT_PER_SODIUM } from '../salt/salt';
import { atWorkIn, equivalentsOf } from '../thicken/mixture';
import { fatFraction, massG, pHOf, piecesMl, volumeMl, waterPhaseMl } from './contents/contents';
import type { Kitchen } from './kitchen';
import type { Pot } from './pot';

/** What a cook with a ruler, a probe, a spoon and a tongue would find. */
export type Observation = {
  readonly celsius: number;
  readonly volumeMl: number;
  /** The liquid phase as poured, at 20 °C, without its fat: what starch swells in. */
  readonly waterMl: number;
  readonly depthMm: number;
  readonly massG: number;
  /** Share of the rim volume in use; FILL_LIMIT of heat/vessel is the most it should be. */
  readonly full: number;
  /** Flour equivalent at work, g per litre of the water phase. */
  readonly equivalents: number;
  readonly fatFraction: number;
  /** mPa·s at 50 s⁻¹, as hot as it is. */
  readonly viscosity: number;
  /** mPa·s at 50 s⁻¹, in the bowl at 65 °C. */
  readonly bowlViscosity: number;
  readonly band: Band;
  /** Share of the volume that is pieces: it eats thicker than its liquid is, which is what the figures above are of. */
  readonly piecesShare: number;
  readonly saltPercent: number;
  readonly pH: number;
  /** What is left of the wine’s alcohol, % by weight of the whole pot. */
  readonly alcoholPercent: number;
};

/** g/L beyond which it is dough, and no thicker for being more. */
const DOUGH = 1e5;

/** Below this, mL, there is no liquid to speak of and nothing to thicken. */
const NO_LIQUID = 20;

/** How thick it is, without the rest of what {@link observe} finds: asked for at every slice of time. */
export function consistency(pot: Pot) {
  const water = waterPhaseMl(pot);
  const wet = water > NO_LIQUID;
  const equivalents = wet ? Math.min(DOUGH, equivalentsOf(atWorkIn(pot.thickeners), water / 1000)) : 0;
  const phi = wet ? fatFraction(pot) : 0;
  const bowlViscosity = viscosity(equivalents, phi, BOWL_CELSIUS);
  return {
    waterMl: water,
    equivalents,
    fatFraction: phi,
    bowlViscosity,
    viscosity: bowlViscosity * (temperatureFactor(pot.celsius) / temperatureFactor(BOWL_CELSIUS)),
  };
}

/** What would be found of a pot by looking, measuring and tasting; computed, never read. */
export function observe(pot: Pot, kitchen: Kitchen): Observation {
  const volume = volumeMl(pot);
  const thick = consistency(pot);
  const full = volume / rimVolume(pot.vessel);
  const mass = massG(pot);
  return {
    ...thick,
    celsius: pot.celsius,
    volumeMl: volume,
    depthMm: depthOf(pot.vessel, volume),
    massG: mass,
    full,
    band: bandOf(thick.bowlViscosity, kitchen.bandLimits),
    piecesShare: volume > 0 ? piecesMl(pot) / volume : 0,
    saltPercent: mass > 0 ? ((pot.sodium * SALT_PER_SODIUM) / mass) * 100 : 0,
    pH: pHOf(pot),
    alcoholPercent: mass > 0 ? (pot.liquid.alcohol / mass) * 100 : 0,
  };
}
