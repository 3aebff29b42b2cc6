import { ingredient } from '../food/catalogue';
import { NOTHING, plus } from '../food/composition';
import { heatInto, WALL_LOSS } from '../heat/burner';
import { advanceLag, centreTemperature, softeningIn, TENDER_AFTER } from '../heat/softening';
import { boilingPoint, latentHeat, pressureAt } from '../heat/steam';
import { losingArea, surfaceArea } from '../heat/vessel';
import { LID_ESCAPE, type Lid, openSurfaceFlux } from '../heat/waterLoss';
import { cookThickener, type Thickener } from '../thicken/granules';
import { LEACHED_STRENGTH, leachedShare } from '../thicken/puree';
import { evaporate, heatCapacity, volumeMl } from './contents';
import type { Kitchen } from './kitchen';
import { observe } from './observe';
import type { Piece, Pot } from './pot';

/** A point on a trajectory: what the clock, a probe, a ruler and a spoon would say. */
export type Sample = {
  readonly seconds: number;
  readonly celsius: number;
  readonly volumeMl: number;
  /** mPa·s, were it served now. */
  readonly bowlViscosity: number;
};

export type Fire = {
  readonly flame: number;
  readonly lid: Lid;
  /** °C kept once reached, by turning the flame down; absent: full on. */
  readonly hold?: number;
};

/** A simmer is bubbles at the rim: this far below the boil. Common practice, no source. */
const SIMMER_BELOW_BOIL = 5;

/** Longest slice of time, s. */
const SLICE = 20;

export const boilsAt = (kitchen: Kitchen): number => boilingPoint(pressureAt(kitchen.altitudeM));
export const simmersAt = (kitchen: Kitchen): number => boilsAt(kitchen) - SIMMER_BELOW_BOIL;

export function sampleOf(pot: Pot, kitchen: Kitchen): Sample {
  const seen = observe(pot, kitchen);
  return {
    seconds: pot.seconds,
    celsius: pot.celsius,
    volumeMl: seen.volumeMl,
    bowlViscosity: seen.bowlViscosity,
  };
}

/** Share of the way to tender, 1 and above when a fork goes through; 1 for what never was hard. */
export function tenderness(piece: Piece): number {
  const { softening } = ingredient(piece.ingredient);
  return softening ? piece.softened / TENDER_AFTER[softening] : 1;
}

/** Tenderness of the hardest piece; at least 1 when there is nothing hard. */
export const hardest = (pot: Pot): number =>
  pot.pieces.reduce((least, p) => Math.min(least, tenderness(p)), 1);

function cookPiece(piece: Piece, pot: Pot, seconds: number, rise: number, kitchen: Kitchen): Piece {
  const lag = advanceLag(piece.lag, piece.cut, seconds, rise);
  const centre = centreTemperature(lag, piece.cut, pot.celsius);
  const softened = piece.softened + softeningIn(seconds, centre) * kitchen.factors.softening;
  return { ...piece, lag, softened };
}

/** Starch that has newly left the potato goes into the liquid and thickens it. */
function leach(pot: Pot, kitchen: Kitchen): Pot {
  let { thickeners, liquid } = pot;
  let changed = false;
  const pieces = pot.pieces.map((piece) => {
    const { puree } = ingredient(piece.ingredient);
    if (puree !== 'floury potato' && puree !== 'waxy potato') return piece;
    const leached = leachedShare(puree, piece.cut, piece.softened);
    if (leached - piece.leached < 1e-6) return piece;
    changed = true;
    const grams = piece.g * piece.composition.starch * (leached - piece.leached);
    thickeners = addLeached(
      thickeners,
      piece.ingredient,
      grams * LEACHED_STRENGTH * kitchen.factors.leaching,
    );
    liquid = plus(liquid, { ...NOTHING, starch: grams });
    return { ...piece, leached };
  });
  return changed ? { ...pot, pieces, thickeners, liquid } : pot;
}

function addLeached(
  thickeners: readonly Thickener[],
  from: string,
  equivalents: number,
): readonly Thickener[] {
  const i = thickeners.findIndex((t) => t.kind === 'potato dice' && t.from === from);
  const known = thickeners[i];
  if (!known) {
    return [
      ...thickeners,
      { kind: 'potato dice', from, dry: 0, equivalents, swollen: 1, strength: 1, cookedMinutes: 0 },
    ];
  }
  return thickeners.with(i, { ...known, equivalents: known.equivalents + equivalents });
}

/** Grams of steam a second at the pot's present temperature, lid and all. */
export function steamRate(pot: Pot, lid: Lid, kitchen: Kitchen): number {
  const air = {
    pressure: pressureAt(kitchen.altitudeM),
    celsius: kitchen.airCelsius,
    humidity: kitchen.humidity,
  };
  const { viscosity } = observe(pot, kitchen);
  return (
    openSurfaceFlux(pot.celsius, air, pot.vessel.diameterMm, viscosity) *
    surfaceArea(pot.vessel) *
    LID_ESCAPE[lid] *
    kitchen.factors.waterLoss
  );
}

/** The pot after one slice of time on the fire: heat balance, steam, granules, pieces. */
function slice(pot: Pot, fire: Fire, seconds: number, boil: number, kitchen: Kitchen): Pot {
  const capacity = heatCapacity(pot);
  const wall = WALL_LOSS * losingArea(pot.vessel, volumeMl(pot)) * (pot.celsius - kitchen.airCelsius);
  const full = heatInto(pot.burner, fire.flame) * kitchen.factors.burner;
  let steam = steamRate(pot, fire.lid, kitchen);
  const latent = latentHeat(pot.celsius);
  const ceiling = Math.min(boil, fire.hold ?? boil);
  const surplus = full - wall - steam * latent;
  let celsius = pot.celsius + (surplus * seconds) / capacity;
  if (celsius >= ceiling) {
    const toReach = ((ceiling - pot.celsius) * capacity) / seconds;
    celsius = ceiling;
    // At a full boil the burner's surplus has nowhere to go but into steam.
    if (ceiling === boil) steam += (Math.max(0, surplus - toReach) / latent) * LID_ESCAPE[fire.lid];
  }
  const rise = celsius - pot.celsius;
  const warmer = {
    ...evaporate(pot, steam * seconds),
    celsius,
    seconds: pot.seconds + seconds,
    lid: fire.lid,
  };
  const middle = pot.celsius + rise / 2;
  return leach(
    {
      ...warmer,
      thickeners: pot.thickeners.map((t) => cookThickener(t, seconds, middle)),
      pieces: pot.pieces.map((p) => cookPiece(p, warmer, seconds, rise, kitchen)),
    },
    kitchen,
  );
}

export type Cooked = { readonly pot: Pot; readonly trace: readonly Sample[]; readonly stalled: boolean };

/** Four hours: no soup step takes longer, so a target never reached ends here. */
const LONGEST = 4 * 3600;

/**
 * Cooks until `progress` rises to 0 or for `forSeconds`, whichever is first. The last slice is cut
 * by interpolation, so that results move smoothly with doses. `stalled` means the fire could not
 * bring it about: the temperature stood still short of it.
 */
export function cook(
  start: Pot,
  fire: Fire,
  kitchen: Kitchen,
  { progress, forSeconds = LONGEST }: { progress?: (pot: Pot) => number; forSeconds?: number },
): Cooked {
  const boil = boilsAt(kitchen);
  const ceiling = Math.min(boil, fire.hold ?? boil);
  const trace: Sample[] = [];
  let pot = start;
  let short = progress?.(pot) ?? -1;
  const end = start.seconds + Math.min(forSeconds, LONGEST);
  while (short < 0 && pot.seconds < end - 1e-6) {
    const length = Math.min(SLICE, end - pot.seconds);
    let next = slice(pot, fire, length, boil, kitchen);
    const left = progress?.(next) ?? -1;
    if (left > 0) next = slice(pot, fire, (length * -short) / (left - short), boil, kitchen);
    const still = next.celsius < ceiling - 0.2 && next.celsius - pot.celsius < 0.002;
    pot = next;
    short = left;
    trace.push(sampleOf(pot, kitchen));
    if (progress && still && left < 0) return { pot, trace, stalled: true };
  }
  return { pot, trace, stalled: progress !== undefined && short < 0 };
}

/** Cooks on the full flame until the pot is at `target` °C. */
export const heatTo = (start: Pot, target: number, fire: Omit<Fire, 'hold'>, kitchen: Kitchen): Cooked =>
  cook(start, fire, kitchen, { progress: (p) => p.celsius - target + 0.01 });
