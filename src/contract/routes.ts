import type * as z from 'zod';
import type { BatchEvent } from '../core/batch/events';
import type { Batch } from '../core/batch/record';
import type { RecipeDraft } from '../core/formats/draft/draft';
import type { KeepEvent } from '../core/keep/events';
import type { FunnelFile, KitchenFile } from '../core/kitchen/kitchenFile';
import type { WaterTest, WaterTested } from '../core/learn/waterTest';
import type { Order } from '../core/order/order';
import type { Foresight } from '../core/plan/foresee';
import type { Plan } from '../core/plan/types';
import type { RecipeList } from '../core/recipe/listed';
import type { Recipe, RecipeText } from '../core/recipe/recipe';
import type { Head } from '../core/record/chain';
import type { NamedFinding } from '../core/record/findingWords';
import type { ChainFollowed } from '../core/record/followed';
import type { OpenedService } from '../core/service/openService';
import type { Cycle, Service } from '../core/service/schema';
import type { StartedBatch, StartRequest } from './batches';
import type { AnswerAsked, GroupTold, PublishAsked } from './groups';
import type { KeepOpened, KeptRecord, VerifyAsked } from './keep';
import type {
  FunnelAsked,
  ImportTold,
  RestoredKitchen,
  SavedKitchen,
  TakenIn,
  UndoneImport,
  WaterTestAsked,
} from './kitchen';
import type {
  HouseKnows,
  KeptAsCooked,
  LearningAct,
  LoggedBatch,
  LogPage,
  NotebookTold,
  NumberHistory,
} from './log';
import type {
  ArchivedRecipe,
  ChangedRecipe,
  NewRecipe,
  RestoredRecipe,
  ReviewedLines,
  SavedRecipe,
} from './recipes';
import type {
  DayOpened,
  SavedCycleAsked,
  SavedService,
  SavedServiceAsked,
  StartOnBoard,
  StoredService,
} from './services';

import type { CodeAsked, CodeMade, Me, PairAsked, PinAsked, StationChanged, StationsTold } from './stations';

/** What a route answers, and what is sent to it; `query` where it is asked by more than its path. */
type Route<Answer, Body = undefined, Query extends string = never> = {
  readonly answer: Answer;
  readonly body: Body;
  readonly query: Query;
};

/** What a schema takes, with what it leaves open to be looked at later as what it is. */
type Of<S extends z.ZodType, Known = unknown> = Loose<Omit<z.input<S>, keyof Known>> & Known;

/** As it may be held before it is sent: nothing of it is changed. */
type Loose<T> = T extends readonly (infer E)[]
  ? readonly Loose<E>[]
  : T extends object
    ? { readonly [K in keyof T]: Loose<T[K]> }
    : T;

/** Figures as they were typed: the server says which of them is none. */
type Typed<T> = { readonly [K in keyof T]: unknown };

/** A line of a batch as it is told to have been written; not new where it was there. */
export type RecordedEvent = { readonly id: string; readonly isNew: boolean };

/** A line of something kept, and the head of the record after it. */
export type RecordedLine = RecordedEvent & { readonly head: Head };

/** A file of recipes as it was opened. */
export type FileOpened =
  | { readonly kind: 'recipe'; readonly body: RecipeText }
  | { readonly kind: 'drafts'; readonly drafts: readonly RecipeDraft[] }
  | { readonly kind: 'kitchen' | 'archive' };

/**
 * Every route that answers JSON: server and interface both take what is sent and what is answered from here. Files (PDF, CSV, calendars)
 * stand in docs/formats.md.
 */
export type Routes = {
  'POST /api/batches': Route<StartedBatch, Of<typeof StartRequest>>;
  'GET /api/batches/[id]': Route<Batch>;
  'POST /api/batches/[id]/events': Route<RecordedEvent, BatchEvent>;
  'POST /api/devices/[id]/[verb]': Route<Record<string, never>, Record<string, unknown>>;
  'POST /api/plan': Route<Omit<Plan, 'solved'>, Of<typeof Order>>;

  'GET /api/recipes/list': Route<RecipeList>;
  'GET /api/recipes/[id]': Route<Recipe, undefined, 'as'>;
  'POST /api/recipes': Route<SavedRecipe, Of<typeof NewRecipe, { readonly body: RecipeText }>>;
  'PUT /api/recipes/[id]': Route<SavedRecipe, Of<typeof ChangedRecipe, { readonly body: RecipeText }>>;
  'POST /api/recipes/[id]/restore': Route<SavedRecipe, Of<typeof RestoredRecipe>>;
  'POST /api/recipes/[id]/archive': Route<
    { readonly id: string; readonly archived: boolean },
    Of<typeof ArchivedRecipe>
  >;
  'DELETE /api/recipes/[id]': Route<{ readonly id: string; readonly removed: true }, Record<string, never>>;
  'POST /api/foresight': Route<Foresight, string>;
  'POST /api/open': Route<FileOpened, string | Blob>;
  'POST /api/drafts': Route<{ readonly body: RecipeText }, Of<typeof ReviewedLines>>;

  'GET /api/kitchen': Route<{ readonly kitchen: KitchenFile; readonly revision: number }>;
  'PUT /api/kitchen': Route<
    { readonly revision: number },
    Of<typeof SavedKitchen, { readonly kitchen: Typed<KitchenFile> }>
  >;
  'POST /api/kitchen/restore': Route<{ readonly revision: number }, Of<typeof RestoredKitchen>>;
  'POST /api/kitchen/water-tests': Route<
    WaterTested,
    Of<typeof WaterTestAsked, { readonly readings: Typed<WaterTest> }>
  >;
  'POST /api/kitchen/funnels': Route<FunnelFile, Of<typeof FunnelAsked>>;
  'POST /api/archive': Route<TakenIn, Blob, 'rehearse'>;
  'POST /api/archive/undo': Route<ImportTold, Of<typeof UndoneImport>>;

  'GET /api/services': Route<DayOpened, undefined, 'day'>;
  'PUT /api/services': Route<SavedService, Of<typeof SavedServiceAsked, { readonly service: Service }>>;
  'GET /api/services/[id]': Route<StoredService>;
  'POST /api/services/[id]/start': Route<StartedBatch, Of<typeof StartOnBoard>>;
  'PUT /api/services/cycle': Route<
    { readonly revision: number },
    Of<typeof SavedCycleAsked, { readonly cycle: Loose<Cycle> }>
  >;
  'POST /api/services/open': Route<Exclude<OpenedService, { kind: 'refused' }>, string>;

  'GET /api/log': Route<LogPage, undefined, 'find' | 'soup' | 'landed' | 'before'>;
  'GET /api/log/knows': Route<HouseKnows>;
  'GET /api/log/numbers': Route<NumberHistory, undefined, 'key'>;
  'GET /api/log/[id]': Route<LoggedBatch>;
  'POST /api/log/[id]/recipe': Route<SavedRecipe, Of<typeof KeptAsCooked>>;
  'POST /api/log/notebook': Route<NotebookTold, string | Blob, 'take'>;
  'POST /api/log/acts': Route<{ readonly anew: boolean }, Of<typeof LearningAct>>;

  'GET /api/group': Route<{ readonly group: GroupTold }>;
  'POST /api/group/published': Route<
    { readonly edition: number; readonly isNew: boolean },
    Of<typeof PublishAsked>
  >;
  'POST /api/group/published/[id]': Route<{ readonly takenAs: number | null }, Of<typeof AnswerAsked>>;
  'GET /api/stations': Route<StationsTold>;
  'GET /api/stations/me': Route<Me>;
  'POST /api/stations/pair': Route<{ readonly id: string; readonly kitchen: string }, Of<typeof PairAsked>>;
  'POST /api/stations/codes': Route<CodeMade, Of<typeof CodeAsked>>;
  'PUT /api/stations/[id]': Route<{ readonly id: string }, Of<typeof StationChanged>>;
  'DELETE /api/stations/[id]': Route<{ readonly id: string }, Record<string, never>>;
  'POST /api/stations/pin': Route<{ readonly raised: boolean }, Of<typeof PinAsked>>;
  'PUT /api/stations/pin': Route<{ readonly pinSet: true }, Of<typeof PinAsked>>;
  'DELETE /api/stations/pin': Route<{ readonly raised: boolean }, Record<string, never>>;

  'GET /api/keep': Route<KeepOpened>;
  'POST /api/keep/[id]/events': Route<RecordedLine, KeepEvent>;
  'GET /api/record': Route<KeptRecord, undefined, 'from' | 'to' | 'lot' | 'page'>;
  'POST /api/record/verify': Route<ChainFollowed<NamedFinding>, Of<typeof VerifyAsked>>;
};
export type RouteName = keyof Routes;
export type AnswerOf<R extends RouteName> = Routes[R]['answer'];

/** An answer that is JSON text already, put together on a thread. */
export type JsonText<T> = string & { readonly says?: T };

/** `value` as the text it is sent as. */
export const jsonText = <T>(value: T): JsonText<T> => JSON.stringify(value) as JsonText<T>;

/** What stands in a path in brackets. */
type PlacesOf<R extends string> = R extends `${string}[${infer P}]${infer Rest}` ? P | PlacesOf<Rest> : never;

/** What is given with a route: what stands in its brackets, its query, what is sent. */
export type Given<R extends RouteName> = ([PlacesOf<R>] extends [never]
  ? { readonly at?: undefined }
  : { readonly at: { readonly [P in PlacesOf<R>]: string } }) & {
  readonly query?: { readonly [Q in Routes[R]['query']]?: string | number };
} & (undefined extends Routes[R]['body']
    ? { readonly body?: undefined }
    : { readonly body: Routes[R]['body'] });

/** A route’s method, and its address with what was given. */
export function addressOf(
  route: RouteName,
  { at, query }: { readonly at?: object | undefined; readonly query?: object | undefined },
) {
  const [method = '', path = ''] = route.split(' ');
  const filled = path.replace(/\[(\w+)\]/g, (_, name: string) =>
    encodeURIComponent(String(new Map(Object.entries(at ?? {})).get(name))),
  );
  const asked = new URLSearchParams(
    Object.entries(query ?? {}).map(([k, v]): [string, string] => [k, String(v)]),
  ).toString();
  return { method, url: asked ? `${filled}?${asked}` : filled };
}
