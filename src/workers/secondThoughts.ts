import { justMultiplied, type Multiplied } from '../core/plan/multiplied';
import { planFor } from '../core/plan/plan';
import type { Recipe } from '../core/plan/recipe';
import type { Stand } from '../core/plan/simulate';
import type { Order } from '../core/plan/types';
import { type Doubt, doubtOf } from '../core/plan/uncertainty';

/** What is worked out off the page once the finger rests. */
export type Question = {
  readonly key: string;
  readonly recipe: Recipe;
  readonly order: Order;
  readonly stand: Stand;
};
export type Answer = { readonly key: string; readonly doubt: Doubt; readonly multiplied: Multiplied };

self.onmessage = ({ data }: MessageEvent<Question>) => {
  const plan = planFor(data.recipe, data.order, data.stand);
  const answer: Answer = {
    key: data.key,
    doubt: doubtOf(data.recipe, plan.solved.trial, data.stand, data.order),
    multiplied: justMultiplied(data.recipe, plan),
  };
  self.postMessage(answer);
};
