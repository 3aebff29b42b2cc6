import * as z from 'zod';
import { issue } from '../message/told';
import { parseNumber, QuantityError } from '../units/typed/parse';
import { type Amount, amountOf } from './amountOf';

/** An amount as it is typed, read by {@link amountOf}. */
export const AmountText = z
  .string()
  .max(60)
  .transform((text, ctx): Amount => {
    try {
      return amountOf(text);
    } catch (error) {
      if (!(error instanceof QuantityError)) throw error;
      ctx.addIssue({ code: 'custom', message: issue(error.says.text, error.says.values) });
      return z.NEVER;
    }
  });

export type Fraction = number | { readonly kind: 'solve'; readonly goal: 'thickness' };

/** A share of the pot: "1/2", "0.5", "all", or "to thicken". */
export const FractionText = z
  .string()
  .max(20)
  .transform((text, ctx): Fraction => {
    const t = text.trim();
    if (t === 'to thicken' || t === 'to thickness') return { kind: 'solve', goal: 'thickness' };
    const value = t === 'all' ? 1 : parseNumber(t);
    if (value >= 0 && value <= 1) return value;
    ctx.addIssue({
      code: 'custom',
      message: issue('“{text}” is not a share of the pot: write 1/2, 0.5, all, or to thicken', { text }),
    });
    return z.NEVER;
  });
