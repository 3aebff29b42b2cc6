import { type Finished, finishedBy, type Held } from '../core/compare/beside/finished';
import { type Stocked, stockedOn } from '../core/compare/beside/stocked';
import { type Compared, comparedWith, EVERY_WAY } from '../core/compare/compare';
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

/** What is worked out off the page. A newer asking of the same kind takes an older one's place. */
export type PlannerQuestion =
  | { readonly kind: 'catalogue'; readonly key: string; readonly foods: readonly Ingredient[] }
  | {
      readonly kind: 'think';
      readonly key: string;
      readonly recipe: Recipe;
      readonly aim: Aim;
      readonly setup: Setup;
      /** As the page has solved it. */
      readonly dosing: Dosing;
      readonly samples: number;
    }
  | {
      readonly kind: 'compare';
      readonly key: string;
      readonly recipe: Recipe;
      readonly order: Aim & Amendment;
      readonly setup: Setup;
    }
  | {
      readonly kind: 'finish';
      readonly key: string;
      readonly recipe: Recipe;
      readonly order: Aim & Amendment;
      readonly held: Held;
      /** With the curves of dose and cost over richness. */
      readonly curved: boolean;
      readonly setup: Setup;
    }
  | {
      readonly kind: 'stock';
      readonly key: string;
      readonly recipe: Recipe;
      readonly order: Aim & Amendment;
      readonly setup: Setup;
    }
  | { readonly kind: 'scaling'; readonly key: string; readonly ordered: OrderIn }
  | {
      readonly kind: 'remedies';
      readonly key: string;
      readonly ordered: OrderIn;
      readonly plan: PlanFindings;
    };

export type Sampled = { readonly spread: Spread; readonly raises: readonly Raise[] };

export type PlannerAnswer =
  | { readonly kind: 'thought'; readonly key: string; readonly doubt: Doubt; readonly multiplied: Multiplied }
  | { readonly kind: 'sampling'; readonly key: string; readonly done: number; readonly of: number }
  | ({ readonly kind: 'sampled'; readonly key: string } & Sampled)
  | { readonly kind: 'compared'; readonly key: string; readonly one: Compared; readonly left: number }
  | { readonly kind: 'finished'; readonly key: string; readonly one: Finished | null; readonly left: number }
  | { readonly kind: 'stocked'; readonly key: string; readonly one: Stocked | null; readonly left: number }
  | { readonly kind: 'scaled'; readonly key: string; readonly sizes: readonly Scaled[] }
  | {
      readonly kind: 'remedied';
      readonly key: string;
      readonly remedies: Readonly<Record<string, readonly Remedy[]>>;
    };

/** Samples between two looks at the mailbox: under a hundred milliseconds. */
const CHUNK = 25;
const SEED = 20;
/** ms an order has to stand before it is sampled. */
const LEFT_ALONE = 1000;

const latest: Partial<Record<PlannerQuestion['kind'], string>> = {};
const tell = (told: PlannerAnswer) => self.postMessage(told);
const breathe = () => new Promise((resolve) => setTimeout(resolve, 0));

async function think(ask: Extract<PlannerQuestion, { kind: 'think' }>) {
  const { key, recipe, aim, setup, dosing } = ask;
  tell({
    kind: 'thought',
    key,
    doubt: doubtOf(recipe, dosing, setup),
    multiplied: justMultiplied(recipe, { aim, setup, dosing }),
  });
  // An order is cooked hundreds of times once it is left alone: not for every pause of a finger, nor for one that is started at once.
  await new Promise((resolve) => setTimeout(resolve, LEFT_ALONE));
  if (latest.think !== key) return;
  let tally: Tally | null = null;
  for (let done = 0; done < ask.samples; ) {
    await breathe();
    if (latest.think !== key) return;
    const part = sample(recipe, dosing, setup, SEED + done, Math.min(CHUNK, ask.samples - done));
    tally = tally ? merge(tally, part) : part;
    done = tally.samples;
    tell({ kind: 'sampling', key, done, of: ask.samples });
  }
  if (!tally) return;
  const spread = summarise(tally);
  const band = bandOf(aim.target, setup.kitchen.bandLimits);
  const blends = recipe.steps.some((s) => s.kind === 'puree');
  tell({ kind: 'sampled', key, spread, raises: raises(spread, varianceOf(tally), band, setup, blends) });
}

async function compare(ask: Extract<PlannerQuestion, { kind: 'compare' }>) {
  for (const [n, way] of EVERY_WAY.entries()) {
    await breathe();
    if (latest.compare !== ask.key) return;
    const one = comparedWith(way, ask.recipe, ask.order, ask.setup);
    tell({ kind: 'compared', key: ask.key, one, left: EVERY_WAY.length - n - 1 });
  }
}

async function finish({
  key,
  recipe,
  order,
  held,
  curved,
  setup,
}: Extract<PlannerQuestion, { kind: 'finish' }>) {
  const as = planFor(amended(recipe, order), order, setup);
  for (const [n, of] of FINISHES.entries()) {
    await breathe();
    if (latest.finish !== key) return;
    const one = finishedBy(of, held, recipe, order, as, { curved });
    tell({ kind: 'finished', key, one, left: FINISHES.length - n - 1 });
  }
}

async function stock({ key, recipe, order, setup }: Extract<PlannerQuestion, { kind: 'stock' }>) {
  const as = planFor(amended(recipe, order), order, setup);
  for (const [n, of] of STOCKS.entries()) {
    await breathe();
    if (latest.stock !== key) return;
    tell({ kind: 'stocked', key, one: stockedOn(of, recipe, order, as), left: STOCKS.length - n - 1 });
  }
}

function remedy({ key, ordered, plan }: Extract<PlannerQuestion, { kind: 'remedies' }>) {
  const remedies = Object.fromEntries(plan.warnings.map((w) => [w.id, remediesFor(w, plan, ordered)]));
  tell({ kind: 'remedied', key, remedies });
}

self.onmessage = async ({ data: ask }: MessageEvent<PlannerQuestion>) => {
  latest[ask.kind] = ask.key;
  switch (ask.kind) {
    case 'catalogue':
      return loadCatalogue(ask.foods);
    case 'think':
      return think(ask);
    case 'compare':
      return compare(ask);
    case 'finish':
      return finish(ask);
    case 'stock':
      return stock(ask);
    case 'scaling':
      return tell({ kind: 'scaled', key: ask.key, sizes: scaling(ask.ordered) });
    case 'remedies':
      return remedy(ask);
  }
};
