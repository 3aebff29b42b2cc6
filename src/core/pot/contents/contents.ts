import { ingredient } from '../../food/catalogue';
import { NOTHING, plus, times, totalOf } from '../../food/composition';
import type { Ingredient } from '../../food/ingredient';
import { componentDensity, heatCapacityOf, heatHeldBy, volumeOf } from '../../food/thermal';
import { type Cut, startLag } from '../../heat/softening';
import { MATERIALS } from '../../heat/vessel';
import { ROUX_STRENGTH, type RouxColour, type Thickener } from '../../thicken/granules';
import { makeOf } from '../../thicken/mixture';
import { OPENS, pulpOf } from '../../thicken/puree';
import { THICKENERS, type ThickenerKind } from '../../thickeners/thickeners';
import { foodIn, type Kitchen } from '../kitchen';
import { type Piece, type Pot, potCelsius } from '../pot';
import type { Portion } from '../step';

const DEFAULT_CUT: Cut = { shape: 'cube', edgeMm: 8 };

const BECOMES_PIECES = new Set(['vegetable', 'grain', 'pulse', 'cured meat', 'seafood']);

/** mL filled by everything in the pot, pieces included. */
export function volumeMl(pot: Pot): number {
  return liquidMl(pot) + fatMl(pot) + dryMl(pot) + piecesMl(pot);
}

/** mL of the liquid phase at `celsius`, as hot as it is by default. */
export const liquidMl = (pot: Pot, celsius = pot.celsius): number => volumeOf(pot.liquid, celsius);

const fatMl = (pot: Pot): number =>
  pot.freeFat === 0 ? 0 : (pot.freeFat * 1000) / componentDensity('fat', pot.celsius);

const dryMl = (pot: Pot): number =>
  pot.thickeners.reduce((sum, t) => sum + (t.dry * 1000) / componentDensity('starch', pot.celsius), 0);

/** mL the pieces in the pot take up. */
const piecesMl = (pot: Pot): number =>
  pot.pieces.reduce((sum, p) => sum + p.g * volumeOf(p.composition, pot.celsius), 0);

/** Grams of everything in the pot. */
export const massG = (pot: Pot): number =>
  totalOf(pot.liquid) +
  pot.freeFat +
  pot.thickeners.reduce((sum, t) => sum + t.dry, 0) +
  pot.pieces.reduce((sum, p) => sum + p.g, 0);

/** Doses are counted on liquid as poured, so that the pot's expansion when hot does not count as thinning. */
export const POURED_CELSIUS = 20;

/** Volume fraction of fat that thickens: all that is emulsified, half of what floats free. */
export function fatFraction(pot: Pot): number {
  const perMl = componentDensity('fat', POURED_CELSIUS) / 1000;
  const free = pot.freeFat / perMl;
  const all = liquidMl(pot, POURED_CELSIUS) + free;
  return all > 0 ? (pot.liquid.fat / perMl + free / 2) / all : 0;
}

/** J/K of the contents and the metal together. */
export function heatCapacity(pot: Pot): number {
  const t = pot.celsius;
  let sum = heatHeldBy(pot.liquid, t) + pot.freeFat * heatCapacityOf('fat', t);
  for (const g of pot.thickeners) sum += g.dry * heatCapacityOf('starch', t);
  for (const p of pot.pieces) sum += p.g * heatHeldBy(p.composition, t);
  return sum + metalCapacity(pot);
}

/** J/K of the pot's own metal. */
export const metalCapacity = (pot: Pot): number =>
  pot.vessel.massG * MATERIALS[pot.vessel.material].heatCapacity;

/** Temperature a portion comes at when the recipe does not say: cold things are kept cold. */
export function arrivesAt(portion: Portion, kitchen: Kitchen): number {
  const { group } = ingredient(portion.ingredient);
  const cold = group === 'dairy' || group === 'seafood' || group === 'egg';
  return portion.celsius ?? (cold ? 5 : kitchen.airCelsius);
}

const weighedDry = (i: Ingredient): boolean => i.group === 'flour' || i.group === 'starch';

/** What `g` of a thickener brings; flours and starches are counted dry, the others flow with the liquid. */
function granulesOf(
  i: Ingredient,
  kind: ThickenerKind,
  g: number,
  colour: RouxColour,
  kitchen: Kitchen,
): Thickener {
  const strength = kind === 'wheat' ? ROUX_STRENGTH[colour] : THICKENERS[kind].strength;
  // How strong the house's flour is says nothing of a cheese.
  const house = makeOf(kind) === 'granules' ? kitchen.factors.flour : 1;
  return {
    kind,
    from: i.id,
    dry: weighedDry(i) ? g : 0,
    equivalents: g * strength * house * (weighedDry(i) ? kitchen.factors.measuring : 1),
    swollen: 0,
    strength: 1,
    cookedMinutes: 0,
  };
}

/** pH of the pot: buffers meet in proportion to their strength. Pure water's 7 when nothing is in. */
export const pHOf = (pot: Pot): number =>
  pot.buffer.capacity > 0 ? pot.buffer.moment / pot.buffer.capacity : 7;

/** Puts one portion into the pot at its own temperature: heat, salt and substance balance. */
export function putIn(pot: Pot, portion: Portion, kitchen: Kitchen, colour: RouxColour = 'white'): Pot {
  if (portion.amount <= 0) return pot;
  const i = foodIn(kitchen, portion.ingredient);
  const own = arrivesAt(portion, kitchen);
  const held = heatHeldBy(times(i.composition, portion.amount), own);
  const before = heatCapacity(pot);
  const celsius = potCelsius((before * pot.celsius + held * own) / (before + held));
  const buffering = (portion.amount / 1000) * i.buffering;
  const next: Pot = {
    ...pot,
    celsius,
    sodium: pot.sodium + (portion.amount * i.sodium) / 1e5,
    buffer: {
      capacity: pot.buffer.capacity + buffering,
      moment: pot.buffer.moment + buffering * i.pH,
    },
  };
  const opened = i.pulped ? 1 : portion.as === 'puree' ? 1 : portion.as === 'mash' ? OPENS.masher : 0;
  if (opened > 0 && i.puree) {
    const { pulp, granules } = pulpOf(i.puree, i.composition, portion.amount);
    const open = { from: i.id, dry: 0, swollen: 1, strength: 1, cookedMinutes: 0 };
    const by = kitchen.factors.puree * opened;
    return {
      ...next,
      liquid: plus(pot.liquid, i.composition, portion.amount),
      thickeners: [
        ...pot.thickeners,
        ...(pulp > 0 ? [{ ...open, kind: 'puree' as const, equivalents: pulp * by }] : []),
        ...(granules > 0 ? [{ ...open, kind: 'potato dice' as const, equivalents: granules * by }] : []),
      ],
    };
  }
  if (BECOMES_PIECES.has(i.group)) {
    const cut: Cut = portion.cut ?? (i.sizeMm ? { shape: 'cube', edgeMm: i.sizeMm } : DEFAULT_CUT);
    const lot = (pot.lots[i.id] ?? 0) + 1;
    const piece: Piece = {
      ingredient: i.id,
      lot,
      g: portion.amount,
      fresh: portion.amount,
      soaked: 0,
      composition: i.composition,
      cut,
      lag: startLag(cut, own, celsius),
      softened: 0,
      centrePeak: own,
      doneMinutes: 0,
      leached: 0,
      juice: 0,
    };
    return { ...next, pieces: [...pot.pieces, piece], lots: { ...pot.lots, [i.id]: lot } };
  }
  const thickeners = i.thickener
    ? [...pot.thickeners, granulesOf(i, i.thickener, portion.amount, colour, kitchen)]
    : pot.thickeners;
  if (weighedDry(i)) return { ...next, thickeners };
  const grams = times(i.composition, portion.amount);
  if (i.group === 'fat') {
    return {
      ...next,
      freeFat: pot.freeFat + grams.fat,
      liquid: plus(plus(pot.liquid, grams), { ...NOTHING, fat: grams.fat }, -1),
    };
  }
  return { ...next, thickeners, liquid: plus(pot.liquid, grams) };
}

/** The pot with all of these in it, one after another. */
export const putAllIn = (pot: Pot, portions: readonly Portion[], kitchen: Kitchen): Pot =>
  portions.reduce((p, portion) => putIn(p, portion, kitchen), pot);

/**
 * How much richer in alcohol the steam is than a dilute liquid: relative volatility at 1 atm, from
 * x = 0.019, y = 0.170 of the ethanol–water table in Perry's Chemical Engineers' Handbook (from memory).
 */
const ALCOHOL_VOLATILITY = 10.6;

/** Takes up to `g` of water out of the liquid as steam, and alcohol with it (Rayleigh distillation). */
export function evaporate(pot: Pot, g: number): Pot {
  const { water, alcohol } = pot.liquid;
  const gone = Math.min(Math.max(0, g), water * 0.98);
  const spirit = alcohol > 0 && gone > 0 ? alcohol * (1 - (1 - gone / water) ** ALCOHOL_VOLATILITY) : 0;
  return {
    ...pot,
    liquid: { ...pot.liquid, water: water - gone, alcohol: alcohol - spirit },
    evaporated: pot.evaporated + gone + spirit,
  };
}
