import '../../../core/food/load';
import { ingredient, isIngredient } from '../../../core/food/catalogue';
import { oneOf } from '../../../core/food/pieces';
import type { When } from '../../../core/formats/draft/draftSteps';
import { type Message, message } from '../../../core/message/message';
import { amountOf } from '../../../core/recipe/amountOf';
import { QuantityError } from '../../../core/units/typed/parse';

/** A line of somebody else’s recipe as it is being put right. */
export type Line = {
  readonly text: string;
  readonly ingredient: string;
  readonly amount: string;
  readonly prep: string;
  readonly when: When;
  readonly doubts: readonly Message[];
  /** What it is near, where it was taken for nothing: by id, nearest first. */
  readonly near: readonly string[];
  /** Somebody has looked at it. */
  readonly seen: boolean;
};

/** What is wrong with its amount; undefined when nothing is: whatever is taken here a recipe takes, too. */
export function amountProblem(l: Line): Message | undefined {
  if (l.when === 'left out') return undefined;
  try {
    const amount = amountOf(l.amount);
    const food = isIngredient(l.ingredient) ? ingredient(l.ingredient) : null;
    if (food && amount.kind === 'counted' && !oneOf(food, amount.of, amount.size))
      return message('nobody can say what one weighs: write its weight');
    return undefined;
  } catch (error) {
    return error instanceof QuantityError ? error.says : undefined;
  }
}

/** What is wrong with its ingredient; undefined when nothing is. */
export const ingredientProblem = (l: Line): Message | undefined =>
  l.when !== 'left out' && !isIngredient(l.ingredient)
    ? message('pick one, or leave the line out')
    : undefined;
