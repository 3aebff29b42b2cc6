import type { Ingredient } from '../food/ingredient';
import { amountIn, cleaned } from '../food/lines/amountIn';
import { matches } from '../food/lines/match';
import { COUNT_WORDS, type CountWord, oneOf, SIZES, type Size } from '../food/pieces';
import { message } from '../message/message';
import { toGrams } from '../units/measure';
import { type Loosely, parseLoosely } from '../units/typed/loosely';
import { parseNumber, QuantityError } from '../units/typed/parse';

/** What a recipe may leave for the plan to work out. */
export const GOALS = ['thickness', 'volume', 'taste', 'richness'] as const;
export type Goal = (typeof GOALS)[number];

/** An amount as a recipe gives it: fixed at the recipe's yield, or to be solved in the pot at hand. */
export type Amount =
  | Loosely<CountWord, Size>
  | {
      readonly kind: 'solve';
      readonly goal: Goal;
      /** Part of the thickening, or of the dairy, this item does, 0–1. */
      readonly share: number;
    }
  | { readonly kind: 'by rule' }
  /** Poured until it stands so many times as high as what lies in the pot. */
  | { readonly kind: 'height'; readonly times: number };

const SOLVED: Record<string, Amount> = {
  'to thicken': { kind: 'solve', goal: 'thickness', share: 1 },
  'to thickness': { kind: 'solve', goal: 'thickness', share: 1 },
  'to volume': { kind: 'solve', goal: 'volume', share: 1 },
  'to taste': { kind: 'solve', goal: 'taste', share: 1 },
  'to match': { kind: 'by rule' },
  'by rule': { kind: 'by rule' },
};

const strictly = (text: string) => parseLoosely(text, COUNT_WORDS, Object.keys(SIZES) as Size[]);

/**
 * As a line of a recipe would be read: "1 onion", "a good pinch", "2 or 3 tbsp", "about 1 kg" too. Throws what
 * {@link parseLoosely} throws where more stands there than an amount and what it is of.
 */
function asWritten(text: string): ReturnType<typeof strictly> {
  try {
    return strictly(text);
  } catch (error) {
    const { amount, rest } = amountIn(cleaned(text));
    const names = rest.trim() === '' || (matches(rest, 1)[0]?.score ?? 0) >= 0.9;
    if (amount === null || !names) throw error;
    return strictly(amount);
  }
}

/**
 * "250 g", "1 1/2 tbsp, scooped", "1/4–1/3 cup", "3 large", "a pinch", "2 x 400 g"; or "to thicken" (the dose
 * that lands the target; "to thicken 70 %"
 * when several share the work), "to volume"
 * (the liquid that makes up the litres), "to taste" (salt to the house's level), "to match" (the fat of a roux),
 * "to cover" or "to twice their height" (of what lies in the pot: 1 to 5 times).
 *
 * Throws {@link QuantityError} for what is none of these, in words that say what is allowed.
 */
export function amountOf(text: string): Amount {
  const t = text.trim();
  const solved = SOLVED[t];
  if (solved) return solved;
  const height = /^to (?:(cover)|(twice)|(\d(?:[.,]\d+)?) times)(?: their height)?$/.exec(t);
  if (height) {
    const times = height[1] ? 1 : height[2] ? 2 : parseNumber(height[3] ?? '');
    if (times >= 1 && times <= 5) return { kind: 'height', times };
  }
  const part = /^to thick(?:en|ness) (\d{1,3}) ?%$/.exec(t);
  if (part && Number(part[1]) >= 1 && Number(part[1]) <= 99) {
    return { kind: 'solve', goal: 'thickness', share: Number(part[1]) / 100 };
  }
  if (t === '') throw new QuantityError(message('write how much, e.g. 250 g'));
  return asWritten(text);
}

/** Grams of an amount that is given of `food`; null of one left open, or counted by what nobody can say the weight of. */
export function gramsGiven(food: Ingredient, amount: Amount): number | null {
  if (amount.kind === 'fixed') return toGrams(amount.quantity, food.density);
  if (amount.kind !== 'counted') return null;
  const one = oneOf(food, amount.of, amount.size);
  return one && amount.n * one.g;
}
