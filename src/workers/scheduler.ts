import { loadCatalogue } from '../core/food/catalogue';
import type { Ingredient } from '../core/food/ingredient';
import type { House } from '../core/kitchen/house';
import type { Order } from '../core/order/order';
import type { Recipe } from '../core/recipe/recipe';
import { type Arranging, arrange, type Outcome } from '../core/service/arrange/arrange';
import type { Live } from '../core/service/arrange/jobs';
import type { Relief } from '../core/service/arrange/relief';
import { reliefs } from '../core/service/arrange/why';
import type { Service } from '../core/service/service';
import type { StockTable, Timetable } from '../core/service/timetable';
import { Timetables } from '../core/service/timetables';
import { serve } from './served';

/** A service as it lies. */
export type Situation = {
  readonly service: Service;
  readonly live: Readonly<Record<string, Live>>;
  readonly now: number | null;
};

/** An order and how long it takes; null where no plan can be made of it. */
export type Timed = {
  readonly order: Order;
  readonly table: Timetable | null;
  readonly stock: StockTable | null;
};

/** ms each part of an arranging may take, and all that makes a service possible. */
const PATIENCE = { tables: 20_000, held: 5000, hands: 2000, flame: 3000, why: 15_000 } as const;
/** ms between two looks at the mailbox. */
const TURN = 60;

let tables: Timetables | null = null;
let recipes: ReadonlyMap<string, Recipe> = new Map();
const SCHEDULER = {
  /** How long each takes, as many at a time as a turn finds. */
  *times(orders: readonly Order[]): Generator<readonly Timed[]> {
    let turn = performance.now();
    let timed: Timed[] = [];
    for (const order of orders) {
      if (!tables) return;
      timed.push({ order, table: tables.of(order), stock: tables.stockOf(order) });
      if (performance.now() - turn < TURN) continue;
      yield timed;
      timed = [];
      turn = performance.now();
    }
    if (timed.length > 0) yield timed;
  },

  /** How far it is, and last what came of it. */
  *arrange({
    service,
    live,
    now,
  }: Situation): Generator<{ readonly state: Arranging } | { readonly outcome: Outcome }> {
    if (!tables) return;
    const run = arrange(service, { house: tables.house, tables, live, now });
    let part = '';
    let began = 0;
    let turn = performance.now();
    let step = run.next();
    while (!step.done) {
      const state = step.value;
      if (state.at !== part) {
        part = state.at;
        began = performance.now();
      }
      if (performance.now() - turn > TURN) {
        yield { state };
        turn = performance.now();
      }
      step = run.next(performance.now() - began > PATIENCE[state.at]);
    }
    yield { outcome: step.value };
  },

  /** What would make it possible; null while nothing more is found. */
  *why({ service, live, now }: Situation): Generator<Relief | null> {
    if (!tables) return;
    const began = performance.now();
    for (const relief of reliefs(service, { house: tables.house, tables, live, now }, recipes)) {
      yield relief;
      if (performance.now() - began > PATIENCE.why) break;
    }
  },
};

const KNOWS = {
  house(told: {
    readonly foods: readonly Ingredient[];
    readonly house: House;
    readonly recipes: readonly Recipe[];
  }): void {
    loadCatalogue(told.foods);
    recipes = new Map(told.recipes.map((r) => [r.id, r]));
    tables = new Timetables(told.house, recipes);
  },
};

/** What is worked out for the board, off the page. */
export type Scheduler = typeof SCHEDULER;
export type SchedulerKnows = typeof KNOWS;

serve(SCHEDULER, KNOWS);
