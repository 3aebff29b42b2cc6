import { randomUUID } from 'node:crypto';
import { createReadStream, createWriteStream } from 'node:fs';
import { mkdir, rm } from 'node:fs/promises';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { kitchenFileOf } from '../../core/kitchen/kitchenFile';
import { keptPast } from '../../core/log/pastBatch';
import { theHouse } from '../actions/kitchen';
import type { Queryable } from '../data/database';
import { readBatchesFrom } from '../queries/batches';
import { readKitchenLines, readLotsFrom } from '../queries/keep';
import { readActs, readPast } from '../queries/log';
import { readRecipeList, readVersions, type Version } from '../queries/recipes';
import { readCycle, readServicesFrom } from '../queries/services';
import { readAllWaterTests } from '../queries/waterTests';
import { FOLDER } from './receive';

/** Batches read at a time: what is in memory of an archive is no more than that, and taps go between. */
const AT_A_TIME = 8;

const SERVICES_AT_A_TIME = 50;
const LOTS_AT_A_TIME = 50;

const PAST_AT_A_TIME = 500;

/** A line as it was written: that an archive brought it here is for the next place to say anew. */
const unmarked = <E extends { readonly brought?: boolean | undefined }>({ brought: _here, ...line }: E) =>
  line;

type ArchivedRecipe = {
  readonly id: string;
  readonly archived: boolean;
  readonly versions: readonly Version[];
};

/**
 * The whole kitchen as the text of a `panache.archive/1`, piece by piece: settings, every version of every recipe,
 * every batch with its record, every service as it stands, everything kept with its lines. However many years it
 * holds, it is never in memory whole.
 */
export async function* archiveText(db: Queryable, now: Date): AsyncGenerator<string> {
  const house = await theHouse(db);
  const head = { format: 'panache.archive/1', madeAt: now.toISOString(), kitchen: kitchenFileOf(house) };
  yield `${JSON.stringify(head).slice(0, -1)},\n"recipes":[`;
  let first = true;
  for (const r of await readRecipeList(db, house.id)) {
    const versions = [...(await readVersions(db, house.id, r.id))].reverse();
    if (versions.length === 0) continue;
    const recipe: ArchivedRecipe = {
      id: r.id,
      archived: r.archived,
      // Versions an undone import brought leave gaps: in the archive they count on without.
      versions: versions.map((v, n) => ({ ...v, version: n + 1 })),
    };
    yield `${first ? '\n' : ',\n'}${JSON.stringify(recipe)}`;
    first = false;
  }
  yield '],\n"batches":[';
  first = true;
  const numbers = new Map<string, Map<number, number>>();
  const numberOf = async (recipeId: string, version: number): Promise<number> => {
    let known = numbers.get(recipeId);
    if (!known) {
      const versions = [...(await readVersions(db, house.id, recipeId))].reverse();
      known = new Map(versions.map((v, n) => [v.version, n + 1]));
      numbers.set(recipeId, known);
    }
    return known.get(version) ?? version;
  };
  let after: { startedAt: string; id: string } | null = null;
  for (;;) {
    const page: Awaited<ReturnType<typeof readBatchesFrom>> = await readBatchesFrom(
      db,
      house.id,
      after,
      AT_A_TIME,
    );
    for (const b of page) {
      const batch = { ...unmarked(b), recipeVersion: await numberOf(b.recipeId, b.recipeVersion) };
      yield `${first ? '\n' : ',\n'}${JSON.stringify(batch)}`;
      first = false;
    }
    const last = page.at(-1);
    if (!last || page.length < AT_A_TIME) break;
    after = { startedAt: last.startedAt, id: last.id };
  }
  yield '],\n"services":[';
  first = true;
  for (let after = ''; ; ) {
    const page = await readServicesFrom(db, house.id, after, SERVICES_AT_A_TIME);
    for (const service of page) {
      yield `${first ? '\n' : ',\n'}${JSON.stringify(service)}`;
      first = false;
    }
    const last = page.at(-1);
    if (!last || page.length < SERVICES_AT_A_TIME) break;
    after = last.id;
  }
  yield `],\n"cycle":${JSON.stringify((await readCycle(db, house.id))?.cycle ?? null)},\n"kept":[`;
  first = true;
  for (let after: { openedAt: string; id: string } | null = null; ; ) {
    const page: Awaited<ReturnType<typeof readLotsFrom>> = await readLotsFrom(
      db,
      house.id,
      after,
      LOTS_AT_A_TIME,
    );
    for (const { openedAt: _order, ...lot } of page) {
      if (lot.events.length === 0) continue;
      yield `${first ? '\n' : ',\n'}${JSON.stringify({ ...lot, events: lot.events.map(unmarked) })}`;
      first = false;
    }
    const last = page.at(-1);
    if (!last || page.length < LOTS_AT_A_TIME) break;
    after = { openedAt: last.openedAt, id: last.id };
  }
  const lines = (await readKitchenLines(db, house.id, null)).map(unmarked);
  yield `],\n"kitchenLines":${JSON.stringify(lines)},\n"waterTests":${JSON.stringify(await readAllWaterTests(db, house.id))}`;
  yield `,\n"acts":${JSON.stringify(await readActs(db, house.id))},\n"notebook":[`;
  first = true;
  for (let after: { at: string; id: string } | null = null; ; ) {
    const page: Awaited<ReturnType<typeof readPast>> = await readPast(db, house.id, after, PAST_AT_A_TIME);
    for (const { logged, lesson } of page) {
      yield `${first ? '\n' : ',\n'}${JSON.stringify(keptPast(logged, lesson))}`;
      first = false;
    }
    const last = page.at(-1)?.logged;
    if (!last || page.length < PAST_AT_A_TIME) break;
    after = { at: last.startedAt, id: last.id };
  }
  yield ']}\n';
}

/** Writes {@link archiveText} to a file of its own, away from where taps are answered. Returns its path; it is the caller’s to remove. */
export async function archiveFile(db: Queryable, at: Date): Promise<string> {
  await mkdir(FOLDER, { recursive: true, mode: 0o700 });
  const file = join(FOLDER, `${randomUUID()}.json`);
  try {
    await pipeline(Readable.from(archiveText(db, at)), createWriteStream(file, { flags: 'wx', mode: 0o600 }));
    return file;
  } catch (error) {
    await rm(file, { force: true });
    throw error;
  }
}

/** A file as what a response sends, removed when it is read to its end or nobody wants it any more. */
export function sentOnce(file: string): ReadableStream<Uint8Array> {
  const read = createReadStream(file);
  read.on('close', () => void rm(file, { force: true }));
  return Readable.toWeb(read) as ReadableStream<Uint8Array>;
}
