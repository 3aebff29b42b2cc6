import { ingredient } from '../../food/catalogue';
import { NOTHING, plus, times, totalOf } from '../../food/composition';
import type { Ingredient } from '../../food/ingredient';
import { componentDensity, heatCapacityOf, heatHeldBy, volumeOf } from '../../food/thermal';
import { type Cut, startLag } from '../../heat/softening';
import { MATERIALS } from '../../heat/vessel';
import { FAT_BOUND } from '../../thicken/equalParts';
import { ROUX_STRENGTH, type RouxColour, type Thickener } from '../../thicken/granules';
import { makeOf } from '../../thicken/mixture';
import { OPENS, openedOf, pulpOf } from '../../thicken/puree';
import { THICKENERS, type ThickenerKind } from '../../thickeners/thickeners';
import { factorIn, foodIn, type Kitchen, soupIn } from '../kitchen';
import { type Piece, type Pot, potCelsius } from '../pot';
import type { Portion } from '../step';

const DEFAULT_CUT: Cut = { shape: 'cube', edgeMm: 8 };

const BECOMES_PIECES = new Set(['vegetable', 'grain', 'pulse', 'meat', 'cured meat', 'seafood']);

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
export const piecesMl = (pot: Pot): number =>
  pot.pieces.reduce((sum, p) => sum + p.g * volumeOf(p.composition, pot.celsius), 0);

/** Grams of everything in the pot. */
export const massG = (pot: Pot): number =>
  totalOf(pot.liquid) +
  pot.freeFat +
  pot.thickeners.reduce((sum, t) => sum + t.dry, 0) +
  pot.pieces.reduce((sum, p) => sum + p.g, 0);

/** Doses are counted on liquid as poured, so that the pot's expansion when hot does not count as thinning. */
export const POURED_CELSIUS = 20;

/** mL of pure fat weigh this little. */
const FAT_G_PER_ML = componentDensity('fat', POURED_CELSIUS) / 1000;

/** mL of what starch swells in: the liquid as poured, without the fat that is emulsified in it. */
export const waterPhaseMl = (pot: Pot): number =>
  liquidMl(pot, POURED_CELSIUS) - pot.liquid.fat / FAT_G_PER_ML;

/** Of the free fat that the flour can bind, so much is droplets; the rest of it wets grains. Our assumption. */
const BOUND_DROPLETS = 0.5;

/**
 * Volume fraction of fat that thickens: all that is emulsified, and as droplets half of what the flour in the pot can
 * bind. What floats free of both thickens nothing.
 */
export function fatFraction(pot: Pot): number {
  const flour = pot.thickeners.reduce((sum, t) => sum + (t.kind === 'wheat' ? t.dry : 0), 0);
  const bound = (Math.min(pot.freeFat, flour * FAT_BOUND) * BOUND_DROPLETS) / FAT_G_PER_ML;
  const droplets = pot.liquid.fat / FAT_G_PER_ML + bound;
  const all = liquidMl(pot, POURED_CELSIUS) + bound;
  return all > 0 ? droplets / all : 0;
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
  const house = makeOf(kind) === 'granules' ? factorIn(kitchen, 'flour', i.id) * soupIn(kitchen) : 1;
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

/** A share of a piece, as it is. */
export const shareOf = (piece: Piece, share: number): Piece => ({
  ...piece,
  g: piece.g * share,
  fresh: piece.fresh * share,
  soaked: piece.soaked * share,
  juice: piece.juice * share,
});

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
    const pulp = pulpOf(i.puree, i.composition, portion.amount);
    return {
      ...next,
      liquid: plus(pot.liquid, i.composition, portion.amount),
      thickeners: [
        ...pot.thickeners,
        ...openedOf(i.id, pulp, factorIn(kitchen, 'puree', i.id) * soupIn(kitchen) * opened),
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
      parted: 0,
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

/** Water in a fat from which it is an emulsion itself, and can be whisked into soup as one: butter, not oil. */
const EMULSION = 0.1;

/**
 * Butter whisked into soup off the heat stays in droplets to this many °C, and to the second with as much flour or
 * starch a litre about it; over it, it runs out again. Common practice, no source.
 */
const MOUNT_HOLDS = { plain: 70, bound: 90, equivalents: 25 };

/** The pot with the butter among `portions`, which has just gone in, whisked into its liquid. */
export function mount(pot: Pot, portions: readonly Portion[], kitchen: Kitchen): Pot {
  const fat = portions.reduce((sum, p) => {
    const { group, composition } = foodIn(kitchen, p.ingredient);
    return group === 'fat' && composition.water >= EMULSION ? sum + p.amount * composition.fat : sum;
  }, 0);
  const whisked = Math.min(fat, pot.freeFat);
  if (whisked <= 0 || pot.celsius > MOUNT_HOLDS.bound) return pot;
  return {
    ...pot,
    freeFat: pot.freeFat - whisked,
    mounted: pot.mounted + whisked,
    liquid: plus(pot.liquid, { ...NOTHING, fat: whisked }),
  };
}

/** The pot with what was whisked into it run out again, where it is too hot for it; `equivalents` in g/L. */
export function unmounted(pot: Pot, equivalents: number): Pot {
  const { plain, bound, equivalents: enough } = MOUNT_HOLDS;
  if (pot.mounted === 0 || pot.celsius <= (equivalents >= enough ? bound : plain)) return pot;
  const fat = Math.min(pot.mounted, pot.liquid.fat);
  return {
    ...pot,
    mounted: 0,
    freeFat: pot.freeFat + fat,
    liquid: plus(pot.liquid, { ...NOTHING, fat: -fat }),
  };
}

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
