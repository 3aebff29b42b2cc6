import { loadCatalogue } from '../core/food/catalogue';
import type { Ingredient } from '../core/food/ingredient';
import type { House } from '../core/house/house';
import type { Order } from '../core/order/order';
import type { Recipe } from '../core/recipe/recipe';
import { type Arranging, arrange, type Outcome } from '../core/service/arrange/arrange';
import type { Live } from '../core/service/arrange/jobs';
import type { Relief } from '../core/service/arrange/relief';
import { reliefs } from '../core/service/arrange/why';
import type { Service } from '../core/service/service';
import type { StockTable, Timetable } from '../core/service/timetable';
import { Timetables } from '../core/service/timetables';

type Asked = {
  readonly key: string;
  readonly service: Service;
  readonly live: Readonly<Record<string, Live>>;
  readonly now: number | null;
};

/** What is worked out for the board off the page. A newer asking of the same kind takes an older one's place. */
export type SchedulerQuestion =
  | {
      readonly kind: 'house';
      readonly foods: readonly Ingredient[];
      readonly house: House;
      readonly recipes: readonly Recipe[];
    }
  | { readonly kind: 'want'; readonly orders: readonly Order[] }
  | ({ readonly kind: 'arrange' } & Asked)
  | ({ readonly kind: 'why' } & Asked)
  | { readonly kind: 'stop' };

/** An order and how long it takes; null where no plan can be made of it. */
export type Timed = {
  readonly order: Order;
  readonly table: Timetable | null;
  readonly stock: StockTable | null;
};

export type SchedulerAnswer =
  | { readonly kind: 'timed'; readonly timed: readonly Timed[]; readonly left: number }
  | { readonly kind: 'arranging'; readonly key: string; readonly state: Arranging }
  | { readonly kind: 'outcome'; readonly key: string; readonly outcome: Outcome }
  | { readonly kind: 'relief'; readonly key: string; readonly relief: Relief }
  | { readonly kind: 'no more'; readonly key: string };

/** ms each part of an arranging may take, and all that makes a service possible. */
const PATIENCE = { tables: 20_000, held: 5000, hands: 2000, flame: 3000, why: 15_000 } as const;
/** ms between two looks at the mailbox. */
const TURN = 60;

let tables: Timetables | null = null;
let recipes: ReadonlyMap<string, Recipe> = new Map();
const latest: { want: number; work: string } = { want: 0, work: '' };

const tell = (told: SchedulerAnswer) => self.postMessage(told);
const breathe = () => new Promise((resolve) => setTimeout(resolve, 0));

async function want(orders: readonly Order[]): Promise<void> {
  latest.want += 1;
  const mine = latest.want;
  let turn = performance.now();
  let timed: Timed[] = [];
  for (const [n, order] of orders.entries()) {
    if (!tables) return;
    timed.push({ order, table: tables.of(order), stock: tables.stockOf(order) });
    if (performance.now() - turn < TURN && n + 1 < orders.length) continue;
    tell({ kind: 'timed', timed, left: orders.length - n - 1 });
    timed = [];
    await breathe();
    if (latest.want !== mine) return;
    turn = performance.now();
  }
}

async function arranging({ key, service, live, now }: Asked): Promise<void> {
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
      tell({ kind: 'arranging', key, state });
      await breathe();
      if (latest.work !== key) return;
      turn = performance.now();
    }
    step = run.next(performance.now() - began > PATIENCE[state.at]);
  }
  tell({ kind: 'outcome', key, outcome: step.value });
}

async function why({ key, service, live, now }: Asked): Promise<void> {
  if (!tables) return;
  const began = performance.now();
  for (const relief of reliefs(service, { house: tables.house, tables, live, now }, recipes)) {
    if (relief) tell({ kind: 'relief', key, relief });
    await breathe();
    if (latest.work !== key) return;
    if (performance.now() - began > PATIENCE.why) break;
  }
  tell({ kind: 'no more', key });
}

self.onmessage = async ({ data: ask }: MessageEvent<SchedulerQuestion>) => {
  switch (ask.kind) {
    case 'house':
      loadCatalogue(ask.foods);
      recipes = new Map(ask.recipes.map((r) => [r.id, r]));
      tables = new Timetables(ask.house, recipes);
      return;
    case 'want':
      return want(ask.orders);
    case 'stop':
      latest.work = '';
      return;
    case 'arrange':
      latest.work = ask.key;
      return arranging(ask);
    case 'why':
      latest.work = ask.key;
      return why(ask);
  }
};
