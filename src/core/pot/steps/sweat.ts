import { heatHeldBy } from '../../food/thermal';
import { heatInto, WALL_LOSS } from '../../heat/burner';
import { latentHeat } from '../../heat/steam';
import { losingArea, surfaceArea } from '../../heat/vessel';
import { LID_ESCAPE } from '../../heat/waterLoss';
import { putAllIn, volumeMl } from '../contents/contents';
import { boilsAt } from '../cook';
import { factorIn, foodIn, type Kitchen } from '../kitchen';
import type { Piece, Pot } from '../pot';
import type { Step } from '../step';
import { dried } from './drying';

/** Flame a recipe that names none means: gentle for translucent, stronger for gold. Common practice, no source. */
const FLAME = { translucent: 0.35, gold: 0.6 } as const;

/**
 * Heat from a pan's floor into what lies on it, W/(m²·K): bare, and with fat to carry it, which is all of it from this
 * much fat a gram. How much hotter the floor stands than what it heats, °C, without and at full flame. Our assumptions,
 * set so that 500 g of onions lose a fifth of their weight in ten minutes of a gentle flame, and mushrooms a third to a
 * half on the way to gold (common practice, no source).
 */
const BARE = 85;
const WITH_FAT = 60;
const ENOUGH_FAT = 0.04;
const FLOOR_HOTTER = { least: 55, byFlame: 50 };

/** °C under the boil at which vegetables give up their water as steam. */
const STEAMS_UNDER_BOIL = 2;

/** Below this share of the water it came with a vegetable gives the rest up ever more slowly, and colours. Our assumption. */
const DRY = 0.5;

/** °C over the boil that what is dry comes to on the floor of the pan. Our assumption. */
const COLOURS_OVER_BOIL = 40;

/** °C the middle of a piece stays behind the pan while it steams. */
const BEHIND = 6;

/** Grams of fat soaked up per gram as it went in, in the end, and seconds for two thirds of that. Our assumption. */
const SOAKED = 0.03;
const SOAKS_IN = 120;

/** Longest slice of time, s. */
const SLICE = 10;

/** Water a piece has left, as a share of what it came with; 1 for what had none. */
function wetness(piece: Piece, kitchen: Kitchen): number {
  const fresh = piece.fresh * foodIn(kitchen, piece.ingredient).composition.water;
  return fresh > 0 ? Math.min(1, (piece.g * piece.composition.water) / fresh) : 1;
}

/** How freely it gives up water: all it is asked for while it is wet, nothing once it is dry. */
const givesUp = (wet: number): number => Math.min(1, wet / DRY);

/** The pot after `seconds` of sweating on its flame: heat through the floor, water out of what is wettest, fat in, then colour. */
function slice(pot: Pot, seconds: number, kitchen: Kitchen): Pot {
  const { lid } = pot;
  const { flame } = pot.fire;
  const boil = boilsAt(kitchen);
  const steams = boil - STEAMS_UNDER_BOIL;
  const load = pot.pieces.reduce((sum, p) => sum + p.g, 0) + pot.liquid.water;
  if (load < 1) {
    // Nothing in it to steam: fat or bare metal.
    const celsius = flame > 0 ? Math.max(pot.celsius, boil + COLOURS_OVER_BOIL / 2) : pot.celsius;
    return { ...pot, celsius, seconds: pot.seconds + seconds };
  }
  const floor = surfaceArea(pot.vessel);
  const carried = BARE + WITH_FAT * Math.min(1, pot.freeFat / (ENOUGH_FAT * load));
  const byFloor = carried * floor * (FLOOR_HOTTER.least + FLOOR_HOTTER.byFlame * flame);
  const wall = WALL_LOSS * losingArea(pot.vessel, volumeMl(pot)) * (pot.celsius - kitchen.airCelsius);
  const byFire = Math.max(
    0,
    heatInto(pot.burner, flame) * factorIn(kitchen, 'burner', pot.burner.id) - Math.max(0, wall),
  );
  const watts = Math.min(byFloor, byFire);

  const wets = pot.pieces.map((p) => wetness(p, kitchen));
  const offers = pot.pieces.map((p, n) => p.g * p.composition.water * givesUp(wets[n] ?? 1));
  const offered = offers.reduce((sum, o) => sum + o, 0) + pot.liquid.water;
  const held = pot.pieces.reduce((sum, p) => sum + p.g * p.composition.water, 0) + pot.liquid.water;
  // What is warm enough to steam does, as far as it has water to give; the rest of the heat goes into warming.
  const willing = held > 0 ? offered / held : 0;
  const ceiling = steams + (1 - willing) * (COLOURS_OVER_BOIL + STEAMS_UNDER_BOIL);
  const capacity =
    heatHeldBy(pot.liquid, pot.celsius) +
    pot.pieces.reduce((sum, p) => sum + p.g * heatHeldBy(p.composition, pot.celsius), 0) +
    pot.freeFat * 2;
  const toReach = Math.max(0, (ceiling - pot.celsius) * capacity);
  const warming = Math.min(toReach, watts * seconds);
  const celsius =
    pot.celsius > ceiling ? Math.max(ceiling, pot.celsius - seconds) : pot.celsius + warming / capacity;
  const left = Math.max(0, watts * seconds - warming) * willing;
  // Each gives up water by its own number, in the share it offers.
  const juicy = kitchen.own?.juices
    ? pot.pieces.reduce(
        (sum, p, n) => sum + (offers[n] ?? 0) * factorIn(kitchen, 'juices', p.ingredient),
        pot.liquid.water * kitchen.factors.juices,
      ) / Math.max(1e-9, offered)
    : kitchen.factors.juices;
  const steam = Math.min(0.9 * offered, (left / latentHeat(steams)) * LID_ESCAPE[lid] * juicy);

  let { freeFat } = pot;
  const centre = Math.min(celsius, steams) - BEHIND;
  const pieces = pot.pieces.map((piece, n): Piece => {
    const water = offered > 0 ? (steam * (offers[n] ?? 0)) / offered : 0;
    const wanted = (SOAKED * piece.fresh - piece.soaked) * (1 - Math.exp(-seconds / SOAKS_IN));
    const fat = Math.min(freeFat, Math.max(0, wanted));
    freeFat -= fat;
    return dried(piece, { water, fat, centre, seconds }, kitchen);
  });
  const fromLiquid = offered > 0 ? (steam * pot.liquid.water) / offered : 0;
  return {
    ...pot,
    pieces,
    freeFat,
    liquid: { ...pot.liquid, water: pot.liquid.water - fromLiquid },
    evaporated: pot.evaporated + steam,
    celsius,
    seconds: pot.seconds + seconds,
  };
}

/**
 * Vegetables in hot fat: a process in time, so that two halves of it are one whole. The heat the floor of the pan gives
 * warms them, then drives off their water, from each as much as it has, then colours them; a wider pan, a stronger
 * flame and more fat hasten it, a lid keeps the water in. Cell wall and starch stay. Looked at `until`, s on the
 * pot's clock.
 */
export function sweat(
  pot: Pot,
  step: Extract<Step, { kind: 'sweat' }>,
  kitchen: Kitchen,
  until: number = Number.POSITIVE_INFINITY,
): Pot {
  const filled = putAllIn(pot, step.items, kitchen);
  const fire = { flame: step.flame ?? FLAME[step.to] };
  const end = pot.seconds + step.minutes * 60;
  return inThePan({ ...filled, lid: step.lid ?? 'off', fire }, Math.min(end, until), kitchen);
}

/** What lies in a pan goes on sweating, under its lid and on its flame, to `end`, s on the pot's clock, in slices of `longest` s. */
export function inThePan(pot: Pot, end: number, kitchen: Kitchen, longest: number = SLICE): Pot {
  let now = pot;
  while (now.seconds < end - 1e-6) now = slice(now, Math.min(longest, end - now.seconds), kitchen);
  return now;
}
