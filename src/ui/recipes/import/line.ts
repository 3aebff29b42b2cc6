import '../../../core/food/load';
import { isIngredient } from '../../../core/food/catalogue';
import type { When } from '../../../core/formats/draft/draftSteps';
import { type Message, message } from '../../../core/message/message';
import { parseQuantity, QuantityError } from '../../../core/units/typed/parse';

/** A line of somebody else’s recipe as it is being put right. */
export type Line = {
  readonly text: string;
  readonly ingredient: string;
  readonly amount: string;
  readonly prep: string;
  readonly when: When;
  readonly doubts: readonly Message[];
  /** Somebody has looked at it. */
  readonly seen: boolean;
};

const OPEN = new Set(['to taste', 'by rule', 'to thickness', 'to volume']);

/** What is wrong with its amount; undefined when nothing is. */
export function amountProblem(l: Line): Message | undefined {
  if (l.when === 'left out' || OPEN.has(l.amount.trim())) return undefined;
  try {
    parseQuantity(l.amount);
    return undefined;
  } catch (error) {
    return error instanceof QuantityError
      ? l.amount.trim()
        ? error.says
        : message('write how much, e.g. 250 g')
      : undefined;
  }
}

/** What is wrong with its ingredient; undefined when nothing is. */
export const ingredientProblem = (l: Line): Message | undefined =>
  l.when !== 'left out' && !isIngredient(l.ingredient)
    ? message('pick one, or leave the line out')
    : undefined;
