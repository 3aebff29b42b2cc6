import { ingredient } from '../food/catalogue';
import { NOTHING, plus, times } from '../food/composition';
import { heatInto } from '../heat/burner';
import { advanceLag, centreTemperature, JUICE, softeningIn, TENDER_AFTER, withFilm } from '../heat/softening';
import { boilingPoint, latentHeat, pressureAt } from '../heat/steam';
import { surfaceArea } from '../heat/vessel';
import { LID_ESCAPE, type Lid, openSurfaceFlux } from '../heat/waterLoss';
import { cookThickener, type Thickener } from '../thicken/granules';
import { FREE_STRENGTH, leaches, leftPiece, pulpOf, STANDING_STILL } from '../thicken/puree';
import { evaporate, pHOf, shareOf, unmounted, volumeMl } from './contents/contents';
import { heatingOf, surfaceOf } from './heating';
import { factorIn, type Kitchen, lossOf, soupIn } from './kitchen';
import { consistency } from './observe';
import { type Piece, type Pot, potCelsius } from './pot';

/** A point on a trajectory: what the clock, a probe, a ruler and a spoon would say. */
export type Sample = {
  readonly seconds: number;
  readonly celsius: number;
  readonly volumeMl: number;
  /** mPa·s, were it served now. */
  readonly bowlViscosity: number;
};

type Fire = {
  readonly flame: number;
  readonly lid: Lid;
  /** °C kept once reached, by turning the flame down; absent: full on. */
  readonly hold?: number;
};

/** A simmer is bubbles at the rim: this far below the boil. Common practice, no source. */
const SIMMER_BELOW_BOIL = 5;

/** °C behind the liquid from which a piece still has to be followed closely. */
const LAGS = 2;

/** Slices of time, s: the first, the shortest, the longest while something is still hard, else, and of liquid alone. */
const SLICE = { first: 15, least: 5, whileHard: 45, most: 150, liquid: 600 };

/** °C a slice may heat by: pieces and granules have to be followed, liquid alone hardly bends. */
const RISE = 5;
const RISE_OF_LIQUID = 20;

/** °C water boils at as high as the kitchen lies. */
export const boilsAt = (kitchen: Kitchen): number => boilingPoint(pressureAt(kitchen.altitudeM));
/** °C a pot is held at to simmer there. */
export const simmersAt = (kitchen: Kitchen): number => boilsAt(kitchen) - SIMMER_BELOW_BOIL;

/** A point of the trajectory: seconds, °C, mL and mPa·s of a pot. */
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

/** Tenderness of the hardest piece: under 1 while a fork does not go through it; 1 when nothing was ever hard. */
export function hardest(pot: Pot): number {
  const least = pot.pieces.reduce(
    (so, p) => (ingredient(p.ingredient).softening ? Math.min(so, tenderness(p)) : so),
    Number.POSITIVE_INFINITY,
  );
  return Number.isFinite(least) ? least : 1;
}

/** Vegetables in liquid more acid than this take twice as long. Common practice, no source. */
const ACID_HARDENS = 5;

/** How fast vegetables soften in this pot and kitchen, against what softeningIn says. */
export const softeningPace = (pot: Pot, kitchen: Kitchen, ingredient: string): number =>
  factorIn(kitchen, 'softening', ingredient) * (pHOf(pot) < ACID_HARDENS ? 0.5 : 1);

/** Centre of fish and shellfish when cooked, °C: FDA Food Code 2022, 3-401.11. */
export const DONE_CELSIUS = 63;

function cookPiece(
  piece: Piece,
  pot: Pot,
  viscosity: number,
  seconds: number,
  rise: number,
  kitchen: Kitchen,
): Piece {
  const lag = advanceLag(piece.lag, withFilm(piece.cut, viscosity), seconds, rise);
  const centre = centreTemperature(lag, piece.cut, pot.celsius);
  const before = centreTemperature(piece.lag, piece.cut, pot.celsius - rise);
  const pace = softeningPace(pot, kitchen, piece.ingredient);
  const softened =
    piece.softened + ((softeningIn(seconds, before) + softeningIn(seconds, centre)) / 2) * pace;
  const doneMinutes = piece.doneMinutes + (centre >= DONE_CELSIUS ? seconds / 60 : 0);
  return { ...piece, lag, softened, centrePeak: Math.max(piece.centrePeak, centre), doneMinutes };
}

/** Whether the centre of any piece is still catching up with the liquid. */
const anyLags = (pot: Pot): boolean =>
  pot.pieces.some((p) => Math.abs(centreTemperature(p.lag, p.cut, pot.celsius) - pot.celsius) > LAGS);

/** °C in the centre from which fish and shellfish give up their juice, all of it by the time they are done. Our assumption. */
const JUICE_FROM = 45;

/** Share of a piece's weight from which newly given juice is worth counting. */
const DROP = 0.002;

/** Juice a softening piece has newly given up: water with the sugars dissolved in it. */
function juiceOf(piece: Piece, kitchen: Kitchen): { piece: Piece; water: number; sugars: number } | null {
  const { softening, juicy = 0 } = ingredient(piece.ingredient);
  const most = softening ? JUICE[softening] : juicy;
  if (most === 0) return null;
  const done = softening
    ? Math.min(1, tenderness(piece))
    : Math.min(1, Math.max(0, (piece.centrePeak - JUICE_FROM) / (DONE_CELSIUS - JUICE_FROM)));
  const share = Math.min(0.6, most * factorIn(kitchen, 'juices', piece.ingredient)) * done;
  const given = share * (piece.g + piece.juice) - piece.juice;
  const { water, sugars } = piece.composition;
  if (given < DROP * piece.g || water < 0.3) return null;
  const inWater = given / (water + sugars);
  const lost = { ...NOTHING, water: inWater * water, sugars: inWater * sugars };
  const g = piece.g - given;
  const left = plus(times(piece.composition, piece.g), lost, -1);
  return {
    piece: { ...piece, g, juice: piece.juice + given, composition: times(left, 1 / g) },
    water: lost.water,
    sugars: lost.sugars,
  };
}

/** Grams of free starch and of whole cells that have newly left a potato piece, and what is left of it; null where none have. */
function partingOf(
  piece: Piece,
  softenedBefore: number,
  kind: 'floury potato' | 'waxy potato',
  moves: boolean,
) {
  const [was, is] = [leftPiece(kind, piece.cut, softenedBefore), leftPiece(kind, piece.cut, piece.softened)];
  const pace = moves ? 1 : STANDING_STILL;
  const opened = (is.free - was.free) * pace;
  const parts = (is.cells - was.cells) * pace;
  if (opened + parts < 1e-6) return null;
  const { starch } = piece.composition;
  // Shares are of what it came with; what is left of that is one less what has gone.
  const free = ((piece.g * starch) / (1 - piece.leached)) * opened;
  const share = parts / (1 - piece.parted);
  const cells = piece.g * share;
  const rest = shareOf(piece, 1 - share);
  const g = rest.g - free;
  const composition = times(plus(times(piece.composition, rest.g), { ...NOTHING, starch: -free }), 1 / g);
  return {
    free,
    cells,
    left: { ...rest, g, composition, leached: piece.leached + opened, parted: piece.parted + parts },
  };
}

/** Starch and cells that have newly left the potato go into the liquid and thicken it, where it `moves`; rice drinks; juice runs. */
function exchange(pot: Pot, before: readonly Piece[], moves: boolean, kitchen: Kitchen): Pot {
  let { thickeners, liquid } = pot;
  let changed = false;
  const pieces = pot.pieces.map((piece, n) => {
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
    if (!leaches(puree)) {
      const juice = juiceOf(piece, kitchen);
      if (!juice) return piece;
      changed = true;
      const { water, sugars } = liquid;
      liquid = { ...liquid, water: water + juice.water, sugars: sugars + juice.sugars };
      return juice.piece;
    }
    const parting = partingOf(piece, before[n]?.softened ?? piece.softened, puree, moves);
    if (!parting) return piece;
    changed = true;
    const { free, cells, left } = parting;
    const by = factorIn(kitchen, 'leaching', piece.ingredient) * soupIn(kitchen);
    const closed = pulpOf(puree, piece.composition, cells);
    thickeners = alsoFrom(
      thickeners,
      piece.ingredient,
      'potato dice',
      (free * FREE_STRENGTH + closed.granules) * by,
    );
    if (closed.pulp > 0) thickeners = alsoFrom(thickeners, piece.ingredient, 'puree', closed.pulp * by);
    liquid = plus(plus(liquid, piece.composition, cells), { ...NOTHING, starch: free });
    return left;
  });
  return changed ? { ...pot, pieces, thickeners, liquid } : pot;
}

/** The thickeners with more of what is open at once, a piece's own. */
function alsoFrom(
  thickeners: readonly Thickener[],
  from: string,
  kind: 'potato dice' | 'puree',
  equivalents: number,
): readonly Thickener[] {
  const i = thickeners.findIndex((t) => t.kind === kind && t.from === from && t.strength === 1);
  const known = thickeners[i];
  return known
    ? thickeners.with(i, { ...known, equivalents: known.equivalents + equivalents })
    : [...thickeners, { kind, from, dry: 0, equivalents, swollen: 1, strength: 1, cookedMinutes: 0 }];
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
    lossOf(pot.vessel, lid, kitchen)
  );
}

/** What stays the same from slice to slice. */
type Place = { readonly boil: number; readonly surface: ReturnType<typeof surfaceOf> };

/** The pot after one slice of time on the fire: heat balance, steam, granules, pieces. */
function slice(pot: Pot, fire: Fire, seconds: number, { boil, surface }: Place, kitchen: Kitchen): Pot {
  const heating = heatingOf(pot, fire.lid, kitchen, surface, seconds > SLICE.most);
  const ceiling = Math.min(boil, fire.hold ?? boil);
  // Hotter than it is to be kept: the flame is off until it has come down.
  const above = pot.celsius > ceiling + 0.05;
  const full = above ? 0 : heatInto(pot.burner, fire.flame) * factorIn(kitchen, 'burner', pot.burner.id);
  const kept = Math.abs(pot.celsius - ceiling) < 0.05;
  let { celsius, steam } = kept
    ? { celsius: ceiling + 1, steam: heating.steamAt(pot.celsius) * seconds }
    : heating.free(full, seconds);
  if (kept || (above ? celsius < ceiling : celsius > ceiling)) {
    // Come to where it is kept, it stays: the flame is turned to suit.
    const reached = kept ? 0 : (ceiling - pot.celsius) / (celsius - pot.celsius);
    celsius = ceiling;
    if (!kept) {
      steam =
        heating.free(full, seconds * reached).steam + heating.steamAt(ceiling) * seconds * (1 - reached);
    }
    const latent = latentHeat(ceiling);
    const surplus = full - heating.wallAt(ceiling, steam) - (steam / seconds) * latent;
    const toReach = ((ceiling - pot.celsius) * heating.capacityAt(ceiling, 0)) / seconds;
    // The fire may be too weak to keep it there.
    if (kept && surplus < 0) ({ celsius, steam } = heating.free(full, seconds));
    // At a full boil the burner's surplus has nowhere to go but into steam.
    else if (ceiling === boil && !above)
      steam += (Math.max(0, surplus - toReach) / latent) * LID_ESCAPE[fire.lid] * seconds;
  }
  celsius = potCelsius(celsius);
  const rise = celsius - pot.celsius;
  const warmer = {
    ...evaporate(pot, steam),
    celsius,
    seconds: pot.seconds + seconds,
    lid: fire.lid,
    fire: { flame: fire.flame, ...(fire.hold !== undefined && { hold: fire.hold }) },
  };
  const middle = pot.celsius + rise / 2;
  const thickness = pot.pieces.length > 0 ? Math.min(1e9, consistency(pot).viscosity) : 0;
  const pH = pHOf(pot);
  const whole = pot.mounted > 0 ? unmounted(warmer, consistency(pot).equivalents) : warmer;
  return exchange(
    {
      ...whole,
      yolkPeak: pot.yolkPeak > 0 ? Math.max(pot.yolkPeak, celsius) : 0,
      thickeners: pot.thickeners.map((t) => cookThickener(t, seconds, middle, pH)),
      pieces: pot.pieces.map((p) => cookPiece(p, warmer, thickness, seconds, rise, kitchen)),
    },
    pot.pieces,
    fire.flame > 0,
    kitchen,
  );
}

/** Seconds to heat by as much as a slice may, or just to where the pot is kept. */
function sliceSeconds(perSecond: number, toGo: number, alone: boolean): number {
  if (perSecond === 0) return Number.POSITIVE_INFINITY;
  const most = alone ? RISE_OF_LIQUID : RISE;
  return perSecond > 0 && toGo > 0.05 ? Math.min(most, toGo) / perSecond : most / Math.abs(perSecond);
}

export type CookOutcome = {
  readonly pot: Pot;
  readonly trace: readonly Sample[];
  readonly stalled: boolean;
  /** True when it was looked at before it was done. */
  readonly cut: boolean;
};

/** How long to cook. `until` is a moment on the pot's own clock at which somebody looks in. */
export type Span = {
  readonly progress?: (pot: Pot) => number;
  readonly forSeconds?: number;
  readonly until?: number;
};

/** °C a second by which a pot off the flame falls that has come to the room's warmth, near enough. */
const STANDS = 2e-5;

/** Four hours, s: what nobody has set a time for takes no longer, and a target never reached ends here. */
export const LONGEST = 4 * 3600;

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
 * bring it about: the temperature stood still short of it. At `until` it is left as it then stands, `cut`.
 */
export function cook(
  start: Pot,
  fire: Fire,
  kitchen: Kitchen,
  { progress, forSeconds = LONGEST, until = Number.POSITIVE_INFINITY }: Span,
): CookOutcome {
  const boil = boilsAt(kitchen);
  const place = { boil, surface: surfaceOf(start, kitchen) };
  const ceiling = Math.min(boil, fire.hold ?? boil);
  const trace: Sample[] = [];
  let pot = start;
  let short = progress?.(pot) ?? -1;
  const full = start.seconds + (progress ? Math.min(forSeconds, LONGEST) : forSeconds);
  const end = Math.min(full, until);
  let wanted: number = SLICE.first;
  while (short < 0 && pot.seconds < end - 1e-6) {
    const length = Math.min(wanted, end - pot.seconds);
    let next = slice(pot, fire, length, place, kitchen);
    const left = progress?.(next) ?? -1;
    if (progress && left > 0)
      next = cutShort(pot, short, left, length, (s) => slice(pot, fire, s, place, kitchen), progress);
    const moved = next.celsius - pot.celsius;
    // Heated it stands still when it no longer climbs; cooling, when it no longer falls.
    const still = next.celsius < ceiling - 0.2 && (fire.flame > 0 ? moved < 0.002 : moved / length > -STANDS);
    const alone = next.pieces.length === 0 && next.thickeners.length === 0;
    const longest = alone ? SLICE.liquid : hardest(next) < 1 || anyLags(next) ? SLICE.whileHard : SLICE.most;
    const rise = next.celsius - pot.celsius;
    wanted = Math.max(
      SLICE.least,
      Math.min(longest, sliceSeconds(rise / length, ceiling - next.celsius, alone)),
    );
    // What stands still under its boil loses water and softens on: it has stalled where it would not get there in time.
    const never = -left * length > (left - short) * (full - next.seconds);
    pot = next;
    short = left;
    trace.push(sampleOf(pot));
    if (progress && still && never && left < 0) return { pot, trace, stalled: true, cut: false };
  }
  const cut = until < full - 1e-6 && short < 0;
  return { pot, trace, stalled: progress !== undefined && short < 0 && !cut, cut };
}

/** Cooks on the flame until the pot is at `target` °C, and leaves it to be kept there. */
export function heatTo(
  start: Pot,
  target: number,
  { flame, lid }: Omit<Fire, 'hold'>,
  kitchen: Kitchen,
  until?: number,
): CookOutcome {
  const there = cook(start, { flame, lid }, kitchen, {
    progress: (p) => p.celsius - target + 0.01,
    ...(until !== undefined && { until }),
  });
  return { ...there, pot: { ...there.pot, fire: { flame, hold: target } } };
}

/** Lets the pot cool off the flame, under the lid it has, until it is down to `target` °C. */
export const coolTo = (start: Pot, target: number, lid: Lid, kitchen: Kitchen, until?: number): CookOutcome =>
  cook(start, { flame: 0, lid }, kitchen, {
    progress: (p) => target - p.celsius,
    ...(until !== undefined && { until }),
  });
