import { ingredient } from '../food/catalogue';
import { NOTHING, plus, times } from '../food/composition';
import { heatInto, WALL_LOSS } from '../heat/burner';
import { advanceLag, centreTemperature, softeningIn, TENDER_AFTER } from '../heat/softening';
import { boilingPoint, latentHeat, pressureAt } from '../heat/steam';
import { losingArea, surfaceArea } from '../heat/vessel';
import { LID_ESCAPE, type Lid, openSurfaceFlux } from '../heat/waterLoss';
import { cookThickener, type Thickener } from '../thicken/granules';
import { LEACHED_STRENGTH, leachedShare } from '../thicken/puree';
import { evaporate, heatCapacity, pHOf, volumeMl } from './contents';
import type { Kitchen } from './kitchen';
import { consistency } from './observe';
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

/** °C within one slice from which steam is averaged over it. */
const NOTABLE_RISE = 0.3;

/** °C behind the liquid from which a piece still has to be followed closely. */
const LAGS = 2;

/** Slices of time, s: the first, the shortest, the longest while something is still hard, and the longest. */
const SLICE = { first: 15, least: 5, whileHard: 45, most: 150 };

/** °C a slice may heat by. */
const RISE = 5;

export const boilsAt = (kitchen: Kitchen): number => boilingPoint(pressureAt(kitchen.altitudeM));
export const simmersAt = (kitchen: Kitchen): number => boilsAt(kitchen) - SIMMER_BELOW_BOIL;

export function sampleOf(pot: Pot): Sample {
  return {
    seconds: pot.seconds,
    celsius: pot.celsius,
    volumeMl: volumeMl(pot),
    bowlViscosity: consistency(pot).bowlViscosity,
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

/** Vegetables in liquid more acid than this take twice as long. Common practice, no source. */
const ACID_HARDENS = 5;

/** Centre of fish and shellfish when cooked, °C: FDA Food Code 2022, 3-401.11. */
export const DONE_CELSIUS = 63;

function cookPiece(piece: Piece, pot: Pot, seconds: number, rise: number, kitchen: Kitchen): Piece {
  const lag = advanceLag(piece.lag, piece.cut, seconds, rise);
  const centre = centreTemperature(lag, piece.cut, pot.celsius);
  const before = centreTemperature(piece.lag, piece.cut, pot.celsius - rise);
  const acid = pHOf(pot) < ACID_HARDENS ? 0.5 : 1;
  const softened =
    piece.softened +
    ((softeningIn(seconds, before) + softeningIn(seconds, centre)) / 2) * kitchen.factors.softening * acid;
  const doneMinutes = piece.doneMinutes + (centre >= DONE_CELSIUS ? seconds / 60 : 0);
  return { ...piece, lag, softened, centrePeak: Math.max(piece.centrePeak, centre), doneMinutes };
}

/** Whether the centre of any piece is still catching up with the liquid. */
const anyLags = (pot: Pot): boolean =>
  pot.pieces.some((p) => Math.abs(centreTemperature(p.lag, p.cut, pot.celsius) - pot.celsius) > LAGS);

/** Starch that has newly left the potato goes into the liquid and thickens it; rice and pulses drink. */
function exchange(pot: Pot, kitchen: Kitchen): Pot {
  let { thickeners, liquid } = pot;
  let changed = false;
  const pieces = pot.pieces.map((piece) => {
    const { puree, uptake } = ingredient(piece.ingredient);
    if (uptake !== undefined) {
      const dry = piece.g * (1 - piece.composition.water);
      const wanted = dry * uptake * Math.min(1, tenderness(piece)) - piece.g * piece.composition.water;
      const drunk = Math.min(Math.max(0, wanted), liquid.water * 0.5);
      if (drunk < 0.01) return piece;
      changed = true;
      liquid = { ...liquid, water: liquid.water - drunk };
      const grams = plus(times(piece.composition, piece.g), { ...NOTHING, water: drunk });
      return { ...piece, g: piece.g + drunk, composition: times(grams, 1 / (piece.g + drunk)) };
    }
    if (puree !== 'floury potato' && puree !== 'waxy potato') return piece;
    const leached = leachedShare(puree, piece.cut, piece.softened);
    if (leached - piece.leached < 1e-6) return piece;
    changed = true;
    // The share is of the starch it came with; what is left of that is one less what has gone.
    const starch = (piece.g * piece.composition.starch) / (1 - Math.min(0.99, piece.leached));
    const grams = starch * (leached - piece.leached);
    thickeners = addLeached(
      thickeners,
      piece.ingredient,
      grams * LEACHED_STRENGTH * kitchen.factors.leaching,
    );
    const left = plus(times(piece.composition, piece.g), { ...NOTHING, starch: grams }, -1);
    liquid = plus(liquid, { ...NOTHING, starch: grams });
    return { ...piece, leached, g: piece.g - grams, composition: times(left, 1 / (piece.g - grams)) };
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
  return (
    openSurfaceFlux(pot.celsius, air, pot.vessel.diameterMm, consistency(pot).viscosity) *
    surfaceArea(pot.vessel) *
    LID_ESCAPE[lid] *
    kitchen.factors.waterLoss
  );
}

/** The pot after one slice of time on the fire: heat balance, steam, granules, pieces. */
function slice(pot: Pot, fire: Fire, seconds: number, boil: number, kitchen: Kitchen): Pot {
  const capacity = heatCapacity(pot);
  const wall = WALL_LOSS * losingArea(pot.vessel, volumeMl(pot)) * (pot.celsius - kitchen.airCelsius);
  const ceiling = Math.min(boil, fire.hold ?? boil);
  // Hotter than it is to be kept: the flame is off until it has come down.
  const full = pot.celsius > ceiling + 0.05 ? 0 : heatInto(pot.burner, fire.flame) * kitchen.factors.burner;
  const surface = steamRate(pot, fire.lid, kitchen);
  let steam = surface;
  const latent = latentHeat(pot.celsius);
  let surplus = full - wall - steam * latent;
  let celsius = pot.celsius + (surplus * seconds) / capacity;
  // Steam grows fast with temperature: over a slice that heats or cools, take the mean of both ends.
  if (Math.abs(celsius - pot.celsius) > NOTABLE_RISE && celsius < boil) {
    const change = celsius - pot.celsius;
    steam += (steamRate({ ...pot, celsius }, fire.lid, kitchen) - surface) / 2;
    surplus =
      full - wall * (1 + change / (2 * Math.max(1, pot.celsius - kitchen.airCelsius))) - steam * latent;
    celsius = pot.celsius + (surplus * seconds) / capacity;
  }
  // Come down to where it is to be kept, the flame goes on again.
  if (pot.celsius > ceiling + 0.05 && celsius < ceiling) celsius = ceiling;
  if (celsius >= ceiling && pot.celsius <= ceiling + 0.05) {
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
  const pH = pHOf(pot);
  return exchange(
    {
      ...warmer,
      yolkPeak: pot.yolkPeak > 0 ? Math.max(pot.yolkPeak, celsius) : 0,
      thickeners: pot.thickeners.map((t) => cookThickener(t, seconds, middle, pH)),
      pieces: pot.pieces.map((p) => cookPiece(p, warmer, seconds, rise, kitchen)),
    },
    kitchen,
  );
}

export type Cooked = { readonly pot: Pot; readonly trace: readonly Sample[]; readonly stalled: boolean };

/** Four hours: no soup step takes longer, so a target never reached ends here. */
const LONGEST = 4 * 3600;

/** The slice cut to where `progress` is 0, by false position between its two ends. */
function cutShort(
  from: Pot,
  atStart: number,
  atEnd: number,
  length: number,
  cookFor: (seconds: number) => Pot,
  progress: (pot: Pot) => number,
): Pot {
  let [low, high, fLow, fHigh] = [0, length, atStart, atEnd];
  let pot = from;
  for (let i = 0; i < 4; i++) {
    const seconds = low + ((high - low) * -fLow) / (fHigh - fLow);
    pot = cookFor(seconds);
    const f = progress(pot);
    if (Math.abs(f) < 1e-4 * (atEnd - atStart)) break;
    if (f < 0) [low, fLow] = [seconds, f];
    else [high, fHigh] = [seconds, f];
  }
  return pot;
}

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
  let wanted: number = SLICE.first;
  while (short < 0 && pot.seconds < end - 1e-6) {
    const length = Math.min(wanted, end - pot.seconds);
    let next = slice(pot, fire, length, boil, kitchen);
    const left = progress?.(next) ?? -1;
    if (progress && left > 0)
      next = cutShort(pot, short, left, length, (s) => slice(pot, fire, s, boil, kitchen), progress);
    const still = next.celsius < ceiling - 0.2 && next.celsius - pot.celsius < 0.002;
    const longest = hardest(next) < 1 || anyLags(next) ? SLICE.whileHard : SLICE.most;
    const rise = Math.abs(next.celsius - pot.celsius);
    wanted = Math.min(longest, Math.max(SLICE.least, rise > 0 ? (RISE / rise) * length : longest));
    pot = next;
    short = left;
    trace.push(sampleOf(pot));
    if (progress && still && left < 0) return { pot, trace, stalled: true };
  }
  return { pot, trace, stalled: progress !== undefined && short < 0 };
}

/** Cooks on the full flame until the pot is at `target` °C. */
export const heatTo = (start: Pot, target: number, fire: Omit<Fire, 'hold'>, kitchen: Kitchen): Cooked =>
  cook(start, fire, kitchen, { progress: (p) => p.celsius - target + 0.01 });
