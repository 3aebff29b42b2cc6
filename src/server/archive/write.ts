import { kitchenFileOf } from '../../core/house/kitchenFile';
import { message } from '../../core/message/message';
import { theHouse } from '../actions/kitchen';
import type { Queryable } from '../data/database';
import { readBatchesFrom } from '../queries/batches';
import { readKitchenLines, readLotsFrom } from '../queries/keep';
import { readRecipeList, readVersions, type Version } from '../queries/recipes';
import { readCycle, readServicesFrom } from '../queries/services';
import { busy } from '../refusal';

/** Batches read at a time: what is in memory of an archive is no more than that, and taps go between. */
const AT_A_TIME = 8;

const SERVICES_AT_A_TIME = 50;
const LOTS_AT_A_TIME = 50;

/** Archives sent at once. */
const MOST_AT_ONCE = 4;
let now = 0;

type ArchivedRecipe = {
  readonly id: string;
  readonly archived: boolean;
  readonly versions: readonly Version[];
};

/**
 * The whole kitchen as the text of a `panache.archive/1`, piece by piece: settings, every version of every recipe,
 * every batch with its record, every service as it stands, everything kept with its lines. However many years it holds, it is never in memory whole.
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
      const batch = { ...b, recipeVersion: await numberOf(b.recipeId, b.recipeVersion) };
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
      yield `${first ? '\n' : ',\n'}${JSON.stringify(lot)}`;
      first = false;
    }
    const last = page.at(-1);
    if (!last || page.length < LOTS_AT_A_TIME) break;
    after = { openedAt: last.openedAt, id: last.id };
  }
  yield `],\n"kitchenLines":${JSON.stringify(await readKitchenLines(db, house.id, null))}}\n`;
}

/**
 * {@link archiveText} as what a response sends: the next piece is read when the one before has gone. Refuses more than
 * four at once; one whose body nobody wants, as a HEAD, does not count.
 */
export function archiveStream(db: Queryable, at: Date): ReadableStream<Uint8Array> {
  if (now >= MOST_AT_ONCE) throw busy(message('other archives are being sent'));
  let counted = false;
  const count = (by: boolean) => {
    if (counted !== by) now += by ? 1 : -1;
    counted = by;
  };
  const pieces = archiveText(db, at);
  const bytes = new TextEncoder();
  return new ReadableStream(
    {
      async pull(controller) {
        count(true);
        try {
          const { done, value } = await pieces.next();
          if (!done) return controller.enqueue(bytes.encode(value));
          count(false);
          controller.close();
        } catch (error) {
          count(false);
          throw error;
        }
      },
      async cancel() {
        count(false);
        await pieces.return(undefined);
      },
    },
    // Nothing is read ahead of whoever reads.
    { highWaterMark: 0 },
  );
}
