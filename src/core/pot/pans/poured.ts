import { plus, times, totalOf } from '../../food/composition';
import { advanceLag, centreTemperature } from '../../heat/softening';
import { losingArea } from '../../heat/vessel';
import { heatCapacity, metalCapacity, shareOf, volumeMl } from '../contents/contents';
import { consistency } from '../observe';
import { type Piece, type Pot, potCelsius } from '../pot';
import type { StepOf } from '../step';
import { meant } from '../steps/fire/meant';
import { CLINGS } from '../steps/strain';

/**
 * mm of film that stays on the wall of what is emptied, of what is thin as water and of the thickest; and the share of
 * what was in it that is the most: what is too little to pour is scraped out. Our assumption.
 */
const FILM = { thin: 0.1, thick: 0.6, most: 0.02 };

/** mPa·s from which a soup leaves as much on the wall as any. */
const THICKEST = 1000;

/** Share of a full pan that stays in it when it is poured out. */
export function staysBehind(pot: Pot): number {
  const ml = volumeMl(pot);
  if (ml <= 0) return 0;
  const by = Math.log(Math.max(1, consistency(pot).viscosity)) / Math.log(THICKEST);
  const mm = FILM.thin + (FILM.thick - FILM.thin) * Math.min(1, by);
  return Math.min(FILM.most, (losingArea(pot.vessel, ml) * mm * 1000) / ml);
}

/** How much of each part of a pot goes. */
type Shares = { readonly liquid: number; readonly fat: number; readonly piece: (p: Piece) => number };

const waterOf = (p: Piece): number => p.g * p.composition.water;

/** What a step takes out of the pan it pours from. */
function sharesOf(pot: Pot, { takes, share = 1, of }: StepOf<'pour'>): Shares {
  const clean = of || share < 1 ? 1 : 1 - staysBehind(pot);
  const part = share * clean;
  const none = () => 0;
  switch (takes) {
    case 'liquid':
      return { liquid: part, fat: part, piece: none };
    case 'fat':
      return { liquid: 0, fat: part, piece: none };
    case 'pieces': {
      const piece = (p: Piece) => (meant(p, of) ? share : 0);
      const g = pot.pieces.reduce((sum, p) => sum + p.g * piece(p), 0);
      const liquid = totalOf(pot.liquid);
      const clings = liquid > 0 ? Math.min(0.9, (g * CLINGS) / liquid) : 0;
      return { liquid: clings, fat: clings, piece };
    }
    default:
      return { liquid: part, fat: part, piece: (p) => (meant(p, of) ? part : 0) };
  }
}

/** `pot` with each of its parts taken so many times: 0 of none of it, 1 of all. */
function partOf(pot: Pot, { liquid, fat, piece }: Shares): Pot {
  const water = pot.liquid.water + pot.pieces.reduce((sum, p) => sum + waterOf(p), 0);
  const wet = pot.liquid.water * liquid + pot.pieces.reduce((sum, p) => sum + waterOf(p) * piece(p), 0);
  // Salt and acid are as strong in the pieces’ water as in the pot’s; in dry stuff they go with it.
  const dissolved = water > 0 ? wet / water : fat;
  // What is dry yet goes with what carries it: soup, or the fat of a roux.
  const dry = totalOf(pot.liquid) > 0 ? liquid : fat;
  return {
    ...pot,
    liquid: times(pot.liquid, liquid),
    freeFat: pot.freeFat * fat,
    mounted: pot.mounted * liquid,
    thickeners: pot.thickeners.flatMap((t) =>
      dry > 0 ? [{ ...t, dry: t.dry * dry, equivalents: t.equivalents * dry }] : [],
    ),
    pieces: pot.pieces.flatMap((p) => (piece(p) > 0 ? [shareOf(p, piece(p))] : [])),
    sodium: pot.sodium * dissolved,
    buffer: {
      capacity: pot.buffer.capacity * dissolved,
      moment: pot.buffer.moment * dissolved,
    },
    yolkPeak: dry > 0 ? pot.yolkPeak : 0,
  };
}

/** A piece whose surroundings went from `was` to `is` °C at a stroke: its middle is as hot as before. */
const jumped = (piece: Piece, was: number, is: number): Piece => ({
  ...piece,
  lag: advanceLag(piece.lag, piece.cut, 0, is - was),
  centrePeak: Math.max(piece.centrePeak, centreTemperature(piece.lag, piece.cut, was)),
});

/** What is in `other` put into `pot`: heat, substance, salt and acid balance. The metal of `other` stays behind. */
export function mixed(pot: Pot, other: Pot): Pot {
  const held = heatCapacity(other) - metalCapacity(other);
  const there = heatCapacity(pot);
  const celsius = potCelsius((there * pot.celsius + held * other.celsius) / (there + held));
  const lots: Record<string, number> = { ...pot.lots };
  // Goes that were one stay one: what is put back is told apart from what is there, not from itself.
  const goes = new Map<string, number>();
  const come = other.pieces.map((p): Piece => {
    const key = `${p.ingredient} ${p.lot}`;
    const lot = goes.get(key) ?? (lots[p.ingredient] ?? 0) + 1;
    goes.set(key, lot);
    lots[p.ingredient] = Math.max(lots[p.ingredient] ?? 0, lot);
    return { ...jumped(p, other.celsius, celsius), lot };
  });
  const yolk = Math.max(pot.yolkPeak, other.yolkPeak);
  return {
    ...pot,
    celsius,
    liquid: plus(pot.liquid, other.liquid),
    freeFat: pot.freeFat + other.freeFat,
    mounted: pot.mounted + other.mounted,
    thickeners: [...pot.thickeners, ...other.thickeners],
    pieces: [...pot.pieces.map((p) => jumped(p, pot.celsius, celsius)), ...come],
    lots,
    sodium: pot.sodium + other.sodium,
    buffer: {
      capacity: pot.buffer.capacity + other.buffer.capacity,
      moment: pot.buffer.moment + other.buffer.moment,
    },
    yolkPeak: yolk > 0 ? Math.max(yolk, celsius) : 0,
    lastPoured: totalOf(other.liquid) > 0 ? totalOf(other.liquid) : pot.lastPoured,
  };
}

/** One pan poured into another at a stroke, as the step says: what is left in the first, and the second with what came. */
export function poured(
  from: Pot,
  into: Pot,
  step: StepOf<'pour'>,
): { readonly from: Pot; readonly into: Pot } {
  const goes = sharesOf(from, step);
  const stays: Shares = {
    liquid: 1 - goes.liquid,
    fat: 1 - goes.fat,
    piece: (p) => 1 - goes.piece(p),
  };
  return { from: partOf(from, stays), into: mixed(into, partOf(from, goes)) };
}
