import { setPriority } from 'node:os';
import type { StartRequest } from '../../contract/batches';
import type { KeepOpened, KeptRecord } from '../../contract/keep';
import { type JsonText, jsonText } from '../../contract/routes';
import { planOrder } from '../../core/compare/remedies';
import { middleOf } from '../../core/flow/bands';
import { spreadSheet } from '../../core/flow/readings/sheet';
import { recipeFrom } from '../../core/formats/draft/draft';
import type { ReviewedLine } from '../../core/formats/draft/draftSteps';
import { openBytes } from '../../core/formats/openBytes';
import { orderSheet } from '../../core/formats/sheet';
import { lotState } from '../../core/keep/safe/fold';
import { LABEL_SIZES, type LabelSizeId, labelOf } from '../../core/keep/written/labels';
import type { House } from '../../core/kitchen/house';
import { message } from '../../core/message/message';
import type { Order, TimedOrder } from '../../core/order/order';
import { foresee } from '../../core/plan/foresee';
import { type Begun, planFor } from '../../core/plan/plan';
import type { Plan } from '../../core/plan/types';
import type { Landing } from '../../core/recipe/listed';
import { Recipe } from '../../core/recipe/recipe';
import type { Head } from '../../core/record/chain';
import { allergensOfOrder } from '../../core/service/allergens';
import { boardOf } from '../../core/service/board';
import { openService } from '../../core/service/openService';
import { batchesOf, copied, dayAfter, type Service } from '../../core/service/service';
import { Timetables } from '../../core/service/timetables';
import type { Language } from '../../core/text/catalogue';
import { wordsFor } from '../../core/text/inWords';
import { plannedBatch } from '../actions/batches';
import { openKeep, recordKeep, theLot } from '../actions/keep/keep';
import { theHouse } from '../actions/kitchen';
import { openWeek } from '../actions/log/days';
import { logAndLearn } from '../actions/log/learn';
import { takeNotebook } from '../actions/log/notebook';
import { planStored } from '../actions/planning';
import { type RecordAsked, theLotRecord, theRecord } from '../actions/record';
import { openDay } from '../actions/services';
import { verifyRecord } from '../actions/verify';
import { badFile, takeArchive } from '../archive/take';
import { archiveFile } from '../archive/write';
import { isAway, pool } from '../data/database';
import { labelsPdf } from '../exports/labelsPdf';
import { lineSpreadPdf } from '../exports/lineSpreadPdf';
import { logCsv, logJson, weekPdf } from '../exports/logFiles';
import type { Paper } from '../exports/paper';
import { planPdf } from '../exports/planPdf';
import { recordCsv, recordJson, recordPdf } from '../exports/recordFiles';
import { type Drawn, serviceIcs } from '../exports/serviceFiles';
import { weighOutCsv } from '../exports/weighOutCsv';
import { type Asking, as, inKitchen } from '../guard/asking';
import { type Moves, railMoved, railOf } from '../live/rail';
import { readWholeLog } from '../queries/log';
import { readBodies, readRecipe, readRecipes } from '../queries/recipes';
import type { ChainStretch } from '../queries/record/seals';
import { cannot, isRefusal, Refusal, unknown } from '../refusal';
import { ThreadTime } from './threadTime';
import { Watch } from './watch';

/** What a thread does for the server, away from its taps. Everything in and out can be copied between threads. */

/** What labels are asked for: how many of which size, from which place of the sheet, and the address their code opens. */
export type LabelsAsked = {
  readonly lot: string;
  readonly size: LabelSizeId;
  readonly count: number;
  readonly from: number;
  readonly language: Language;
  readonly address: string;
};

/** What a file of the record is asked for as. */
type RecordFileAsked = {
  readonly asked: RecordAsked;
  readonly as: 'pdf' | 'csv' | 'json';
  readonly paper: Paper;
  readonly language: Language;
};

const db = () => pool('archive');

/** A plan as it leaves: without what the solver keeps for itself. */
const outside = ({ solved: _kept, ...body }: Plan): Omit<Plan, 'solved'> => body;

async function planWanted(order: TimedOrder) {
  const house = await theHouse(db());
  const stored = await readRecipe(db(), house.id, order.recipeId);
  const plan = stored && planOrder({ house, recipe: stored.recipe, order });
  if (!plan) throw unknown('kitchen', 'its pots or burners', []);
  return { plan, house };
}

/** A version of a recipe. */
type VersionOf = { readonly id: string; readonly version: number };

function landingOf(recipe: Recipe, { kitchen }: House): Landing {
  const order = { litres: recipe.yieldLitres, target: middleOf(recipe.band, kitchen.bandLimits) };
  const plan = planFor(recipe, order, { ...recipe.home, kitchen });
  return {
    litres: recipe.yieldLitres,
    lands: plan.found.band,
    viscosity: plan.found.bowlViscosity,
    ingredients: plan.weighOut.map((l) => l.name),
    allergens: allergensOfOrder(recipe, {}, kitchen),
  };
}

type Stored = Awaited<ReturnType<typeof readRecipes>>;

/** What was worked out for the last service drawn: the next of the same kitchen and recipes is mostly of the same soups. */
let lastDrawn: { readonly key: string; readonly tables: Timetables } | null = null;

function tablesOf(house: House & { readonly revision: number }, recipes: Stored): Timetables {
  const key = JSON.stringify([
    house.id,
    house.revision,
    house.learned ?? 0,
    recipes.map((r) => [r.recipe.id, r.version]),
  ]);
  if (lastDrawn?.key !== key)
    lastDrawn = { key, tables: new Timetables(house, new Map(recipes.map((r) => [r.recipe.id, r.recipe]))) };
  return lastDrawn.tables;
}

/** A service drawn: its board by the plan, and what things are called. */
async function drawnOf(service: Service): Promise<Drawn> {
  const house = await theHouse(db());
  const recipes = await readRecipes(db(), house.id);
  const tables = tablesOf(house, recipes);
  const named = <T extends { id: string; name: string }>(all: readonly T[]) =>
    Object.fromEntries(all.map((x) => [x.id, x.name]));
  const names = named(recipes.map((r) => r.recipe));
  return {
    service,
    board: boardOf(service, { house, tables, live: {}, now: null }),
    names: {
      soups: Object.fromEntries(
        batchesOf(service).map((b) => [b.key, names[b.soup.order.recipeId] ?? b.soup.order.recipeId]),
      ),
      burners: named(house.burners),
      vessels: named(house.vessels),
    },
  };
}

/** Days of a cycle that are given out at most. */
const MOST_CYCLE_DAYS = 28;

export const jobs = {
  plan: async (order: Order) => outside((await planStored(db(), order)).plan),
  /** What a page begins with, so that it need not be solved where taps are answered, nor on a tablet. */
  begun: async (order: Order): Promise<Begun> => {
    const { dosing, slopes, missed, times, writtenMl } = (await planStored(db(), order)).plan.solved;
    return {
      dosing,
      slopes,
      missed,
      ...(times !== undefined && { times }),
      ...(writtenMl !== undefined && { writtenMl }),
    };
  },
  planned: (request: StartRequest) => plannedBatch(db(), request),
  foresee: async (body: unknown) => foresee(body, await theHouse(db())),
  draft: async (r: {
    name: string;
    lines: readonly ReviewedLine[];
    instructions: readonly string[];
    open: { dose: boolean; liquid: boolean };
  }) => {
    const made = recipeFrom(r.name, r.lines, r.instructions, r.open, await theHouse(db()));
    if (!made.ok)
      throw new Refusal(
        422,
        made.problems.map((p) => ({ field: p.place, given: p.says, allowed: '' })),
      );
    return made;
  },
  sheet: async ({ order, language }: { order: TimedOrder; language: Language }) => {
    const { plan, house } = await planWanted(order);
    return orderSheet(plan, order, house, { ...house.show, language });
  },
  asJson: async (order: TimedOrder) => outside((await planWanted(order)).plan),
  asCsv: async (order: TimedOrder) => {
    const { plan, house } = await planWanted(order);
    return weighOutCsv(plan, house.show);
  },
  asPdf: async ({ order, paper, language }: { order: TimedOrder; paper: Paper; language: Language }) => {
    const { plan, house } = await planWanted(order);
    const reader = { ...house.show, language };
    return planPdf(orderSheet(plan, order, house, reader), paper, wordsFor(reader));
  },
  lineSpread: async ({ celsius, paper }: { celsius: number; paper: Paper }) => {
    const { kitchen } = await theHouse(db());
    return lineSpreadPdf(spreadSheet(kitchen.bandLimits, celsius), paper);
  },
  drawn: (service: Service): Promise<Drawn> => drawnOf(service),
  /** A round of the menu cycle as a calendar: each day what is planned, and what the cycle would bring where nothing is. */
  cycleIcs: async ({
    from,
    language,
    shared,
  }: {
    from: string;
    language: Language;
    shared: SharedArrayBuffer;
  }): Promise<string> => {
    const watch = new Watch(shared);
    const first = await openDay(db(), from);
    const days = Math.min(MOST_CYCLE_DAYS, (first.cycle?.weeks.length ?? 1) * 7);
    const drawn: Drawn[] = [];
    for (let n = 0; n < days && !watch.stopped; n++) {
      const day = n === 0 ? first : await openDay(db(), dayAfter(from, n));
      const planned = day.services.map((s) => s.service);
      const services =
        planned.length > 0 ? planned : day.turn.map((s) => copied(s, `${s.id}-${day.day}`, day.day));
      for (const service of services) drawn.push(await drawnOf(service));
    }
    return serviceIcs(drawn, wordsFor({ ...(await theHouse(db())).show, language }));
  },
  /** Labels of something kept; refused where nothing of it is left. */
  labels: async ({ lot, size, count, from, language, address }: LabelsAsked) => {
    const house = await theHouse(db());
    const state = lotState(await theLot(db(), lot), house.keeping);
    if (!state || state.over) throw cannot('lot', lot, message('nothing of it is left'));
    const sized = LABEL_SIZES.find((s) => s.id === size) ?? LABEL_SIZES[0];
    const say = wordsFor({ ...house.show, language });
    return labelsPdf(
      labelOf(state, house, Date.now()),
      `${address}/record/${lot}`,
      { size: sized, count, from },
      say,
    );
  },
  /** A page of the record as JSON text: as text, so that nothing is put together where taps are answered. */
  recordPage: async (asked: RecordAsked): Promise<JsonText<KeptRecord>> =>
    jsonText(await theRecord(db(), asked)),
  /** As recordPage, of one thing kept, with what its label says. */
  lotRecord: async (asked: RecordAsked & { readonly lot: string }): Promise<string> =>
    JSON.stringify(await theLotRecord(db(), asked)),
  /** The whole record of some days as a file. */
  recordFile: async ({ asked, as, paper, language }: RecordFileAsked): Promise<string | Uint8Array> => {
    const record = await theRecord(db(), { ...asked, page: null });
    const say = wordsFor({ ...(await theHouse(db())).show, language });
    if (as === 'pdf') return recordPdf(record, paper, say);
    return as === 'csv' ? recordCsv(record, say) : JSON.stringify(recordJson(record, say));
  },
  /** All that is kept, as JSON text. */
  keepOpen: async ({ mend }: { mend: boolean }): Promise<JsonText<KeepOpened>> =>
    jsonText(await openKeep(db(), { mend })),
  /** A line of something kept that has very many: it is judged by all of them. */
  recordKeep: ({ lot, input, asked }: { lot: string; input: unknown; asked: Asking }) =>
    as(asked, () => recordKeep(pool('kept'), lot, input)),
  openService: async (text: string) => {
    const opened = openService(text);
    if (opened.kind === 'refused') throw badFile(opened.problems);
    return opened;
  },
  open: async (bytes: Uint8Array) => {
    const opened = await openBytes(bytes);
    if (opened.kind === 'refused') throw badFile(opened.problems);
    return opened.kind === 'recipe' ? { kind: opened.kind, body: opened.body } : opened;
  },
  landings: async ({ kitchen, versions }: { kitchen: string; versions: readonly VersionOf[] }) => {
    const house = await theHouse(db());
    const bodies = await readBodies(db(), kitchen, versions);
    return bodies.map((body): Landing | null => body && landingOf(Recipe.parse(body), house));
  },
  /** The whole kitchen in a file; whoever asked removes it. */
  archiveFile: (at: string): Promise<string> => archiveFile(db(), new Date(at)),
  take: ({ file, rehearse, shared }: { file: string; rehearse: boolean; shared: SharedArrayBuffer }) =>
    takeArchive(pool('direct'), file, { rehearse, watch: new Watch(shared) }),
  verify: ({ heads, stretch }: { heads: readonly Head[]; stretch?: ChainStretch }) =>
    verifyRecord(db(), heads, stretch),
  /** The whole log as a file. */
  logFile: async ({ as }: { as: 'csv' | 'json' }): Promise<string> => {
    const house = await theHouse(db());
    const all = await readWholeLog(db(), house.id);
    return as === 'csv' ? logCsv(all) : JSON.stringify(logJson(all, house.name));
  },
  weekPdf: async ({
    day,
    paper,
    language,
  }: {
    day: string | null;
    paper: Paper;
    language: Language;
  }): Promise<Uint8Array> => {
    const house = await theHouse(db());
    return weekPdf(await openWeek(db(), day), paper, wordsFor({ ...house.show, language }), house.show);
  },
  /** A notebook read, and taken in where that is wanted. */
  notebook: ({
    text,
    take,
    shared,
  }: {
    text: string;
    take: 'no' | 'all' | 'right';
    shared: SharedArrayBuffer;
  }) => takeNotebook(db(), text, take, new Watch(shared)),
  /** Logs what was finished and learns from it; how many are still to be logged. */
  learn: ({ shared }: { shared: SharedArrayBuffer }) => logAndLearn(db(), new Watch(shared)),
  rail: () => railOf(db(), Date.now()),
  railMoved: (moves: Moves) => railMoved(db(), moves, Date.now()),
};
export type Jobs = typeof jobs;
export type JobName = keyof Jobs;

/** How a job ended, as it goes back to the server. */
export type JobOutcome =
  | { readonly ok: true; readonly value: unknown }
  | ({ readonly ok: false } & Pick<Refusal, 'status' | 'problems' | 'show'>)
  | { readonly ok: false; readonly status: 'away'; readonly says: string };

// Taps go first: whatever is worked out here waits for them.
try {
  setPriority(0, 10);
} catch {
  // Where that is not allowed, all are equal.
}

/** Runs one job, of a kitchen; a refusal is an answer too. */
export default async function run({
  name,
  input,
  kitchen,
  thread,
}: {
  name: JobName;
  input: never;
  kitchen: string;
  thread: SharedArrayBuffer;
}): Promise<JobOutcome> {
  new ThreadTime(thread).begins();
  try {
    const job = jobs[name] as (input: never) => Promise<unknown>;
    return { ok: true, value: await inKitchen(kitchen, () => job(input)) };
  } catch (error) {
    if (isRefusal(error))
      return { ok: false, status: error.status, problems: error.problems, show: error.show };
    if (isAway(error)) return { ok: false, status: 'away', says: String(error) };
    throw error;
  }
}
