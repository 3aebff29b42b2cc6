import { randomUUID } from 'node:crypto';
import type pg from 'pg';
import * as z from 'zod';
import type { TakenIn } from '../../contract/kitchen';
import { lotState } from '../../core/keep/safe/fold';
import type { House } from '../../core/kitchen/house';
import { type KitchenFile, kitchenFileOf } from '../../core/kitchen/kitchenFile';
import { pastOf } from '../../core/log/pastBatch';
import { same } from '../../core/maths/same';
import { message } from '../../core/message/message';
import type { FoundWrong } from '../../core/words/issueWords';
import { refuseInUse, theHouse } from '../actions/kitchen';
import { type Queryable, transaction } from '../data/database';
import { log, said } from '../log';
import { bringLines, isBatchHere, readBatch, writeBatch } from '../queries/batches';
import { isGoneWithImports, writeImport } from '../queries/imports';
import { bringLine, isOutOfSight, moveRow, openRow, readLot } from '../queries/keep';
import { replaceHouse } from '../queries/kitchen';
import {
  askAnew,
  bringAct,
  leaveOutAnew,
  setByHandAnew,
  toBeLogged,
  writeAllLogged,
  writeLessons,
} from '../queries/log';
import { claimRecipe, holdRecipe, readVersions, setArchived, writeVersion } from '../queries/recipes';
import { importIsSealed, seal, sealRest } from '../queries/record/seals';
import { readCycle, readService, writeCycle, writeService } from '../queries/services';
import { bringWaterTest } from '../queries/waterTests';
import { accept, Refusal, taken } from '../refusal';
import { Watch } from '../work/watch';
import { type ArchiveEntry, BadArchive, partsOf } from './read';

/** A file that cannot be used, with each place and reason. */
export const badFile = (problems: readonly FoundWrong[]): Refusal =>
  new Refusal(
    400,
    problems.map((p) => ({ field: p.place, given: p.says, allowed: '' })),
  );

/** Undoes the transaction and carries what it would have done. */
class Rehearsed extends Error {
  constructor(readonly taken: TakenIn) {
    super('rehearsed');
  }
}

/** Share of the time an archive takes that is over when all of it is in, and what is left is to seal it. A rough figure of ours. */
const WITHOUT_SEALING = 0.7;

/** As row-level security refuses to touch another kitchen’s (SQLSTATE, insufficient_privilege). */
const OF_ANOTHER = '42501';
const ANOTHERS = message('it has what another kitchen of this database has under the same id');

/** Events written in one statement. */
const AT_A_TIME = 500;

/** One import under way: what is known here by now, and what it has brought. */
type Under = {
  readonly importId: string;
  readonly house: House;
  /** Number a version has here, by the recipe and its number in the archive. */
  readonly numberHere: Map<string, number>;
  readonly newRecipes: string[];
  readonly newVersions: string[];
  readonly versions: { readonly recipeId: string; readonly version: number }[];
  readonly batches: string[];
  readonly services: string[];
  readonly lots: string[];
  readonly lines: string[];
  kitchen: KitchenFile | null;
  /** Batches of a notebook, written together at the end; pots measured and what somebody set by hand, by their ids. */
  readonly past: ReturnType<typeof pastOf>[];
  readonly tests: string[];
  readonly acts: string[];
  /** Batches of which lines are put away elsewhere. */
  notWhole: number;
  /** Lines there are to seal. */
  seals: number;
};

type PartOf<K extends ArchiveEntry['kind']> = Extract<ArchiveEntry, { kind: K }>;

async function takeRecipe(db: Queryable, u: Under, { recipe: r }: PartOf<'recipe'>): Promise<void> {
  const isNew = await claimRecipe(db, u.house.id, r.id);
  await holdRecipe(db, u.house.id, r.id);
  const here = await readVersions(db, u.house.id, r.id);
  const write = async (
    body: (typeof r.versions)[number]['body'],
    about: { note: string; by?: string; madeAt?: string },
  ) => {
    const version = await writeVersion(db, u.house.id, body, about);
    u.versions.push({ recipeId: r.id, version });
    return version;
  };
  let added = 0;
  for (const v of r.versions) {
    const known = isNew ? undefined : here.find((h) => same(h.body, v.body));
    u.numberHere.set(`${r.id} ${v.version}`, known?.version ?? (await write(v.body, v)));
    if (!known) added++;
  }
  if (isNew) {
    await setArchived(db, u.house.id, r.id, r.archived);
    u.newRecipes.push(r.id);
  } else if (added > 0) {
    const [latest] = here;
    const theirs = r.versions.at(-1);
    // An older version was missing, but their newest is known: what is newest here stays so.
    if (latest && here.some((h) => same(h.body, theirs?.body)))
      await write(latest.body, { note: 'still the newest' });
    u.newVersions.push(r.id);
  }
}

/** Refuses a line whose id another has, here or earlier in the archive: an id is used once. */
const idTaken = (of: string, id: string): BadArchive =>
  new BadArchive([
    {
      place: of,
      says: message('the id of a line, {id}, is that of another line, here or in the archive', { id }),
    },
  ]);

async function takeBatch(db: Queryable, u: Under, { batch }: PartOf<'batch'>): Promise<void> {
  const { events, unreadable: _kept, away, ...b } = batch;
  if (await readBatch(db, b.id)) return;
  if (away) {
    u.notWhole += 1;
    return;
  }
  const recipeVersion = u.numberHere.get(`${b.recipeId} ${b.recipeVersion}`) ?? b.recipeVersion;
  // TakenIn in when it began, where an older archive does not say when.
  const isNew = await writeBatch(
    db,
    {
      ...b,
      recipeVersion,
      kitchenId: u.house.id,
      receivedAt: b.receivedAt ?? b.startedAt,
      broughtBy: u.importId,
    },
    false,
  );
  if (!isNew && !(await isBatchHere(db, b.id)))
    throw new BadArchive([{ place: `batch ${b.id}`, says: ANOTHERS }]);
  // What an import that was gone back on brought is back with its lines.
  if (isNew)
    for (let n = 0; n < events.length; n += AT_A_TIME) {
      const some = events.slice(n, n + AT_A_TIME);
      const written = await bringLines(db, b.id, some);
      if (written.length === some.length) continue;
      const left = [...written];
      for (const { id } of some) {
        const at = left.indexOf(id.toLowerCase());
        if (at < 0) throw idTaken(`batch ${b.id}`, id);
        left.splice(at, 1);
      }
    }
  u.batches.push(b.id);
  u.seals += 1 + events.length;
}

/** A service not known here is added as it stands; one that is stays as it is here, unless an undone import put it away. */
async function takeService(db: Queryable, u: Under, { service }: PartOf<'service'>): Promise<void> {
  const here = await readService(db, u.house.id, service.id);
  if (here && !(here.service.archived && !service.archived)) return;
  await writeService(db, u.house.id, service);
  u.services.push(service.id);
}

/**
 * Something kept that is not known here comes with all its lines; what an undone import put out of sight is back.
 * What stands here is not the import’s, and stays when that is undone.
 */
async function takeLot(db: Queryable, u: Under, { lot }: PartOf<'lot'>): Promise<void> {
  const here = await readLot(db, u.house.id, lot.id);
  const [first] = lot.events;
  if (!first) return;
  const { keeping } = u.kitchen ?? u.house;
  const stands = here && lotState(here, keeping);
  if (here && (!stands || stands.over || !(await isOutOfSight(db, here.id)))) return;
  if (!here) {
    const batchId = lot.batchId && (await readBatch(db, lot.batchId)) ? lot.batchId : null;
    await openRow(db, { id: lot.id, kitchenId: u.house.id, batchId, at: first.at });
    for (const event of lot.events)
      if (!(await bringLine(db, u.house.id, lot.id, event))) throw idTaken(`kept ${lot.id}`, event.id);
  }
  await moveRow(db, lot.id, lotState(here ?? lot, keeping));
  u.lots.push(lot.id);
}

/** Batches of a notebook, and what they taught; the ids of those that are new here. */
async function takePast(db: Queryable, { house, past }: Under): Promise<readonly string[]> {
  if (past.length === 0) return [];
  const fresh = await writeAllLogged(
    db,
    house.id,
    past.map((p) => p.logged),
  );
  await writeLessons(
    db,
    house.id,
    past.flatMap((p) => (p.lesson ? [p.lesson] : [])),
  );
  await askAnew(db, house.id);
  return fresh;
}

/** Something brought that is told by its id alone: new here, or out of sight since the import it came by was gone back on. */
const comes = async (
  db: Queryable,
  u: Under,
  list: 'newTests' | 'newActs',
  id: string,
  brought: Promise<boolean>,
): Promise<boolean> => (await brought) || isGoneWithImports(db, u.house.id, list, id);

/** An import that has begun. */
const nothingYet = (house: House): Under => ({
  importId: randomUUID(),
  house,
  numberHere: new Map(),
  newRecipes: [],
  newVersions: [],
  versions: [],
  batches: [],
  services: [],
  lots: [],
  lines: [],
  kitchen: null,
  past: [],
  tests: [],
  acts: [],
  notWhole: 0,
  seals: 0,
});

/** How each part of an archive is taken in. */
const TAKES: {
  readonly [K in ArchiveEntry['kind']]: (db: Queryable, u: Under, part: PartOf<K>) => Promise<void>;
} = {
  kitchen: async (_db, u, { kitchen }) => {
    u.kitchen = kitchen;
  },
  recipe: takeRecipe,
  batch: takeBatch,
  service: takeService,
  lot: takeLot,
  line: async (db, u, { line }) => {
    if (await bringLine(db, u.house.id, null, line)) u.lines.push(line.id);
  },
  'water test': async (db, u, { test }) => {
    if (await comes(db, u, 'newTests', test.id, bringWaterTest(db, u.house.id, test))) u.tests.push(test.id);
  },
  act: async (db, u, { act }) => {
    if (await comes(db, u, 'newActs', act.id, bringAct(db, u.house.id, act))) u.acts.push(act.id);
  },
  past: async (_db, u, { past }) => {
    u.past.push(pastOf(past));
  },
  cycle: async (db, u, { cycle }) => {
    if (!(await readCycle(db, u.house.id))) await writeCycle(db, u.house.id, cycle);
  },
};

/**
 * Takes the archive in `file` in, all of it or nothing: its kitchen takes the place of the settings here; recipes
 * and batches not known here are added with their whole history, services as they stand; a recipe known here under the same id gets,
 * as new versions, those the archive has and this kitchen lacks. A kitchen's file alone changes the settings
 * only. What stood before is kept: {@link undoImport} goes back to it. With `rehearse` nothing is written. `watch` is told how far it is;
 * stopped before all is in, nothing was changed.
 */
export async function takeArchive(
  pool: pg.Pool,
  file: string,
  { rehearse = false, watch = new Watch() } = {},
): Promise<TakenIn> {
  try {
    const brought = await transaction(async (db) => {
      // Stations read anew once, at the end, rather than hear every line of years.
      await db.query("SET LOCAL panache.quiet = 'on'");
      const house = await theHouse(db);
      const u = nothingYet(house);
      const whole = rehearse ? 1 : WITHOUT_SEALING;
      for await (const part of partsOf(file, (share) => watch.reach(share * whole))) {
        if (watch.stopped) throw taken('file', message('it was stopped'), message('nothing was changed'));
        // A text no database can hold is refused by its place, as everywhere.
        accept(z.unknown(), part, part.kind);
        await TAKES[part.kind](db, u, part as never);
      }
      const newPast = await takePast(db, u);
      const after: KitchenFile = { ...(u.kitchen ?? kitchenFileOf(house)), id: house.id };
      await db.query('SELECT 1 FROM kitchen FOR UPDATE');
      await refuseInUse(db, after);
      const revisionAfter = await replaceHouse(db, after, house.revision, {
        note: 'taken in with an archive',
      });
      const { importId } = u;
      const done: TakenIn = {
        kitchen: after.name,
        newRecipes: u.newRecipes,
        newVersions: u.newVersions,
        newBatches: u.batches.length,
        newServices: u.services,
        newLots: u.lots,
        newLines: u.lines,
        newTests: u.tests,
        newActs: u.acts,
        newPast,
        notWhole: u.notWhole,
        importId: rehearse ? null : importId,
      };
      if (rehearse) throw new Rehearsed(done);
      await writeImport(db, {
        id: importId,
        kitchenId: house.id,
        taken: done,
        kitchenBefore: kitchenFileOf(house),
        revisionAfter,
        batches: u.batches,
        versions: u.versions,
      });
      // What was out of sight since an import was gone back on was logged once, and is again.
      await toBeLogged(db, u.batches);
      if (u.acts.length > 0) {
        await setByHandAnew(db, house.id);
        await leaveOutAnew(db, house.id);
      }
      await seal(db, house.id, [{ source: 'import', ids: [importId] }]);
      await db.query("SELECT pg_notify('panache', '{\"again\":true}')");
      const { batches, lots, lines, seals } = u;
      return { importId, kitchen: house.id, batches, lots, lines, seals, done };
    }, pool);
    // In steps of its own: nobody’s tap waits behind years of another kitchen.
    // All of it is in by now: where this is cut short it is gone on with as the server starts.
    try {
      await sealRest(pool, brought.kitchen, brought, (sealed) =>
        watch.reach(WITHOUT_SEALING + (1 - WITHOUT_SEALING) * (sealed / Math.max(1, brought.seals))),
      );
      await importIsSealed(pool, brought.importId);
    } catch (error) {
      log().error(
        { import: brought.importId, error: said(error) },
        'an archive is in and not sealed yet: it is as Panache starts again',
      );
    }
    return brought.done;
  } catch (error) {
    if (error instanceof Rehearsed) return error.taken;
    if (error instanceof BadArchive) throw badFile(error.problems);
    if ((error as { code?: unknown }).code === OF_ANOTHER) throw badFile([{ place: 'file', says: ANOTHERS }]);
    throw error;
  }
}
