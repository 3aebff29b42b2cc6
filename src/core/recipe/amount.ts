import * as z from 'zod';
import { COUNT_WORDS, type CountWord, SIZES, type Size } from '../food/pieces';
import { issue } from '../message/told';
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
  'to thickness': { kind: 'solve', goal: 'thickness', share: 1 },
  'to volume': { kind: 'solve', goal: 'volume', share: 1 },
  'to taste': { kind: 'solve', goal: 'taste', share: 1 },
  'by rule': { kind: 'by rule' },
};

/**
 * "250 g", "1 1/2 tbsp, scooped", "1/4–1/3 cup", "3 large", "a pinch", "2 x 400 g"; or "to thickness" (the dose
 * that lands the target; "to thickness 70 %"
 * when several share the work), "to volume"
 * (the liquid that makes up the litres), "to taste" (salt to the house's level), "by rule" (the fat of a roux),
 * "to cover" or "to twice their height" (of what lies in the pot: 1 to 5 times).
 */
export const AmountText = z
  .string()
  .max(60)
  .transform((text, ctx): Amount => {
    const solved = SOLVED[text.trim()];
    if (solved) return solved;
    const height = /^to (?:(cover)|(twice)|(\d(?:[.,]\d+)?) times)(?: their height)?$/.exec(text.trim());
    if (height) {
      const times = height[1] ? 1 : height[2] ? 2 : parseNumber(height[3] ?? '');
      if (times >= 1 && times <= 5) return { kind: 'height', times };
    }
    const part = /^to thickness (\d{1,3}) ?%$/.exec(text.trim());
    if (part && Number(part[1]) >= 1 && Number(part[1]) <= 99) {
      return { kind: 'solve', goal: 'thickness', share: Number(part[1]) / 100 };
    }
    try {
      return parseLoosely(text, COUNT_WORDS, Object.keys(SIZES) as Size[]);
    } catch (error) {
      if (!(error instanceof QuantityError)) throw error;
      ctx.addIssue({ code: 'custom', message: issue(error.says.text, error.says.values) });
      return z.NEVER;
    }
  });

export type Fraction = number | { readonly kind: 'solve'; readonly goal: 'thickness' };

/** A share of the pot: "1/2", "0.5", "all", or "to thickness". */
export const FractionText = z
  .string()
  .max(20)
  .transform((text, ctx): Fraction => {
    const t = text.trim();
    if (t === 'to thickness') return { kind: 'solve', goal: 'thickness' };
    const value = t === 'all' ? 1 : parseNumber(t);
    if (value >= 0 && value <= 1) return value;
    ctx.addIssue({
      code: 'custom',
      message: issue('“{text}” is not a share of the pot: write 1/2, 0.5, all, or to thickness', { text }),
    });
    return z.NEVER;
  });
