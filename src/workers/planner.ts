import { type Finished, finishedBy, type Held } from '../core/compare/beside/finished';
import { type Stocked, stockedOn } from '../core/compare/beside/stocked';
import { type Compared, comparedWith, EVERY_WAY } from '../core/compare/compare';
import { type Learned, learnedIn } from '../core/compare/learned';
import { justMultiplied, type Multiplied } from '../core/compare/multiplied';
import { type OrderIn, type PlanFindings, type Remedy, remediesFor } from '../core/compare/remedies';
import { type Scaled, scaling } from '../core/compare/scaling';
import { merge, type Spread, sample, summarise, type Tally, varianceOf } from '../core/doubt/monteCarlo';
import { type Raise, raises } from '../core/doubt/raise';
import { type Doubt, doubtOf } from '../core/doubt/uncertainty';
import { bandOf } from '../core/flow/bands';
import { loadCatalogue } from '../core/food/catalogue';
import type { Ingredient } from '../core/food/ingredient';
import { amended } from '../core/order/amended';
import { FINISHES } from '../core/order/changes/finishes';
import { STOCKS } from '../core/order/changes/stocks';
import type { Aim, Amendment } from '../core/order/order';
import { planFor } from '../core/plan/plan';
import type { Dosing } from '../core/plan/solve/resolve';
import type { Setup } from '../core/plan/solve/simulate';
import type { Recipe } from '../core/recipe/recipe';
import { serve } from './served';

/** A recipe, what is wanted of it, and where it is cooked. */
type Wanted = { readonly recipe: Recipe; readonly order: Aim & Amendment; readonly setup: Setup };

export type Sampled = { readonly spread: Spread; readonly raises: readonly Raise[] };

/** Of an order: its doubt at once; then how far its sampling is; then what that said. */
export type Thought =
  | { readonly doubt: Doubt; readonly multiplied: Multiplied }
  | { readonly learned: Learned | null }
  | { readonly sampling: number }
  | { readonly sampled: Sampled };

/** Samples between two looks at the mailbox: under a hundred milliseconds. */
const CHUNK = 25;
const SEED = 20;
/** ms an order has to stand before it is sampled. */
const LEFT_ALONE = 1000;

const PLANNER = {
  async *think({
    recipe,
    aim,
    setup,
    dosing,
    samples,
  }: {
    readonly recipe: Recipe;
    readonly aim: Aim;
    readonly setup: Setup;
    /** As the page has solved it. */
    readonly dosing: Dosing;
    readonly samples: number;
  }): AsyncGenerator<Thought> {
    yield {
      doubt: doubtOf(recipe, dosing, setup),
      multiplied: justMultiplied(recipe, { aim, setup, dosing }),
    };
    yield { learned: learnedIn(recipe, aim, setup, dosing) };
    // An order is cooked hundreds of times once it is left alone: not for every pause of a finger, nor for one that is started at once.
    await new Promise((resolve) => setTimeout(resolve, LEFT_ALONE));
    let tally: Tally | null = null;
    for (let done = 0; done < samples; ) {
      yield { sampling: done / samples };
      const part = sample(recipe, dosing, setup, SEED + done, Math.min(CHUNK, samples - done));
      tally = tally ? merge(tally, part) : part;
      done = tally.samples;
    }
    if (!tally) return;
    const spread = summarise(tally);
    const band = bandOf(aim.target, setup.kitchen.bandLimits);
    yield { sampled: { spread, raises: raises(spread, varianceOf(tally), band, setup, recipe) } };
  },

  *compare({ recipe, order, setup }: Wanted): Generator<Compared> {
    for (const way of EVERY_WAY) yield comparedWith(way, recipe, order, setup);
  },

  /** Null where one cannot be; `curved` with the curves of dose and cost over richness. */
  *finish({
    recipe,
    order,
    setup,
    held,
    curved,
  }: Wanted & { readonly held: Held; readonly curved: boolean }): Generator<Finished | null> {
    const as = planFor(amended(recipe, order), order, setup);
    for (const of of FINISHES) yield finishedBy(of, held, recipe, order, as, { curved });
  },

  *stock({ recipe, order, setup }: Wanted): Generator<Stocked | null> {
    const as = planFor(amended(recipe, order), order, setup);
    for (const of of STOCKS) yield stockedOn(of, recipe, order, as);
  },

  *scaling(ordered: OrderIn): Generator<readonly Scaled[]> {
    yield scaling(ordered);
  },

  *remedies({
    ordered,
    plan,
  }: {
    readonly ordered: OrderIn;
    readonly plan: PlanFindings;
  }): Generator<Readonly<Record<string, readonly Remedy[]>>> {
    yield Object.fromEntries(plan.warnings.map((w) => [w.id, remediesFor(w, plan, ordered)]));
  },
};

const KNOWS = {
  catalogue(foods: readonly Ingredient[]): void {
    loadCatalogue(foods);
  },
};

/** What is worked out of an order, off the page. */
export type Planner = typeof PLANNER;
export type PlannerKnows = typeof KNOWS;

serve(PLANNER, KNOWS);
