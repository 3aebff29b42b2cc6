import { ingredient } from '../../core/food/catalogue';
import { type Message, message } from '../../core/message/message';
import { term } from '../../core/message/term';
import { baseOf } from '../../core/order/changes/stocks';
import type { Amendment } from '../../core/order/order';
import type { Recipe } from '../../core/recipe/recipe';

/** A stock by its name, as within a sentence: "shell stock". */
export const stockName = (id: string): Message =>
  message('{stock}', { stock: { within: term(ingredient(id).name.replace(/, unsalted$/, '')) } });

/** What the soup stands on, in the sentence’s words; null of a recipe that stands on none. */
export function stockWords({ stock, made }: Amendment, written: Recipe): Message | null {
  const base = baseOf(written);
  if (!base) return null;
  const name = stockName(stock ?? base.portion.ingredient);
  if (made === 'now') return message('{stock}, made here', { stock: name });
  if (made === 'before') return message('{stock}, made before', { stock: name });
  return name;
}
