import { ingredient } from '../../core/food/catalogue';
import { type Message, message } from '../../core/message/message';
import { term } from '../../core/message/term';
import { type Finish, finishOf, ownFinish } from '../../core/order/changes/finishes';
import type { TimedOrder } from '../../core/order/order';
import type { Recipe } from '../../core/recipe/recipe';

const nameOf = (id: string): Message => term(ingredient(id).name.split(',')[0] ?? id);

/** A finish by its name: "whole milk and heavy cream". */
export const finishName = ({ of }: Finish): Message =>
  message('{names}', { names: { and: of.map((id) => ({ within: nameOf(id) })) } });

/** What the soup is finished with, in the sentence’s words. */
export function finishWords(order: TimedOrder, written: Recipe): Message {
  const chosen = finishOf(order.finish);
  if (!chosen) {
    const own = [...new Set(ownFinish(written).of.map((o) => o.ingredient))];
    return own.length > 0
      ? message('{names}', { names: { and: own.map((id) => ({ within: nameOf(id) })) } })
      : message('no dairy');
  }
  return order.rich === undefined
    ? finishName(chosen)
    : message('{finish}, {rich} % fat', { finish: finishName(chosen), rich: order.rich });
}
