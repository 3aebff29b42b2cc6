import { heatHeldBy } from '../../food/thermal';
import { latentHeat } from '../../heat/steam';
import { surfaceArea } from '../../heat/vessel';
import { putAllIn } from '../contents/contents';
import { boilsAt } from '../cook';
import { foodIn, type Kitchen } from '../kitchen';
import { OFF_THE_HEAT, type Piece, type Pot } from '../pot';
import type { StepOf } from '../step';
import { dried } from './drying';

/**
 * Heat from an oven’s air and walls into what lies on a tray, W/(m²·K) of the tray: moved air, radiation and the metal
 * below together. Our assumption, set so that an inch of vegetables loses 20 to 40 % of its weight in 25 to 40 min at
 * 180 to 220 °C (common practice, no source).
 */
const OVEN_FILM = 40;

/** Below this share of the water it came with a vegetable gives the rest up ever more slowly. Our assumption. */
const DRY = 0.55;

/** °C the middle stays behind, and the surface stands under the boil while it is wet. Our assumption. */
const BEHIND = 4;
const UNDER_BOIL = 3;

/** Longest slice of time, s. */
const SLICE = 30;

const waterOf = (p: Piece): number => p.g * p.composition.water;

/** How freely a piece gives up its water: all it is asked for while it is wet. */
function givesUp(piece: Piece, kitchen: Kitchen): number {
  const fresh = piece.fresh * foodIn(kitchen, piece.ingredient).composition.water;
  return fresh > 0 ? Math.min(1, waterOf(piece) / fresh / DRY) : 1;
}

function slice(pot: Pot, oven: number, seconds: number, kitchen: Kitchen): Pot {
  const steams = boilsAt(kitchen) - UNDER_BOIL;
  const capacity =
    pot.pieces.reduce((sum, p) => sum + p.g * heatHeldBy(p.composition, pot.celsius), 0) +
    heatHeldBy(pot.liquid, pot.celsius) +
    pot.freeFat * 2;
  if (capacity < 1) return { ...pot, seconds: pot.seconds + seconds };
  const heat = Math.max(0, OVEN_FILM * surfaceArea(pot.vessel) * (oven - pot.celsius)) * seconds;
  const warming = Math.min(heat, Math.max(0, (steams - pot.celsius) * capacity));
  const celsius = pot.celsius + warming / capacity;
  const offers = pot.pieces.map((p) => waterOf(p) * givesUp(p, kitchen));
  const offered = offers.reduce((sum, o) => sum + o, 0) + pot.liquid.water;
  const held = pot.pieces.reduce((sum, p) => sum + waterOf(p), 0) + pot.liquid.water;
  const willing = held > 0 ? offered / held : 0;
  const steam = Math.min(0.5 * offered, ((heat - warming) / latentHeat(steams)) * willing);
  const centre = Math.min(celsius, steams) - BEHIND;
  const pieces = pot.pieces.map((piece, n): Piece => {
    const water = offered > 0 ? (steam * (offers[n] ?? 0)) / offered : 0;
    return dried(piece, { water, fat: 0, centre, seconds }, kitchen);
  });
  const fromLiquid = offered > 0 ? (steam * pot.liquid.water) / offered : 0;
  return {
    ...pot,
    pieces,
    liquid: { ...pot.liquid, water: pot.liquid.water - fromLiquid },
    evaporated: pot.evaporated + steam,
    celsius,
    seconds: pot.seconds + seconds,
  };
}

/**
 * What lies on a tray in the oven, whose air is at `step.at` °C: it warms, gives up water from its surface, and softens.
 * A process in time, so that two halves of it are one whole. Looked at `until`, s on the tray’s clock.
 */
export function roasted(pot: Pot, step: StepOf<'roast'>, kitchen: Kitchen, until: number): Pot {
  const end = Math.min(pot.seconds + step.minutes * 60, until);
  let now: Pot = { ...putAllIn(pot, step.items, kitchen), fire: OFF_THE_HEAT, lid: 'off' };
  while (now.seconds < end - 1e-6) now = slice(now, step.at, Math.min(SLICE, end - now.seconds), kitchen);
  return now;
}
