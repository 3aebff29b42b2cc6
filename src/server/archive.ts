import type pg from 'pg';
import { Archive } from '../core/formats/archive';
import { kitchenFileOf } from '../core/formats/kitchenFile';
import { type FileProblem, MOST_IN_ARCHIVE, openFile } from '../core/formats/openFile';
import { type Queryable, transaction } from './database';
import { theHouse } from './kitchen';
import { appendEvent, readAllBatches, readBatch, writeBatch } from './queries/batches';
import { replaceHouse } from './queries/kitchen';
import {
  claimRecipe,
  holdRecipe,
  readRecipes,
  readVersions,
  setArchived,
  writeVersion,
} from './queries/recipes';
import { Refusal } from './refusal';
import { same } from './same';

/** A file that cannot be used, with each place and reason. */
export const badFile = (problems: readonly FileProblem[]): Refusal =>
  new Refusal(
    400,
    problems.map((p) => ({ field: p.place, given: p.says, allowed: '' })),
  );

/** The whole kitchen as one value: settings, every version of every recipe, every batch. */
export async function makeArchive(db: Queryable, now: Date): Promise<Archive> {
  const house = await theHouse(db);
  const recipes = await readRecipes(db, house.id, { archived: true });
  const versions = await Promise.all(recipes.map((r) => readVersions(db, house.id, r.recipe.id)));
  const batches = await readAllBatches(db, house.id);
  return Archive.parse({
    format: 'panache.archive/1',
    madeAt: now.toISOString(),
    kitchen: kitchenFileOf(house),
    recipes: recipes.map((r, n) => ({
      id: r.recipe.id,
      archived: r.archived,
      versions: [...(versions[n] ?? [])].reverse(),
    })),
    batches,
  });
}

/** What taking an archive in does, or would do. */
export type Taken = {
  readonly kitchen: string;
  readonly newRecipes: readonly string[];
  readonly newVersions: readonly string[];
  readonly newBatches: number;
};

/** Undoes the transaction and carries what it would have done. */
class Rehearsed extends Error {
  constructor(readonly taken: Taken) {
    super('rehearsed');
  }
}

/**
 * Takes an archive in, all of it or nothing: its kitchen takes the place of the settings here; recipes and
 * batches not known here are added with their whole history; a recipe known here under the same id gets, as new
 * versions, those the archive has and this kitchen lacks. A kitchen's file alone changes the
 * settings only. With `rehearse` nothing is written.
 */
export async function takeArchive(pool: pg.Pool, text: string, { rehearse = false } = {}): Promise<Taken> {
  const opened = openFile(text, MOST_IN_ARCHIVE);
  if (opened.kind === 'refused') throw badFile(opened.problems);
  if (opened.kind !== 'archive' && opened.kind !== 'kitchen') {
    throw badFile([{ place: 'format', says: 'this is a recipe, not a kitchen or its archive' }]);
  }
  const archive =
    opened.kind === 'archive' ? opened.archive : { kitchen: opened.kitchen, recipes: [], batches: [] };
  try {
    return await transaction(async (db) => {
      const house = await theHouse(db);
      await replaceHouse(db, { ...archive.kitchen, id: house.id }, house.revision);
      const newRecipes: string[] = [];
      const newVersions: string[] = [];
      /** Number a version has here, by the recipe and its number in the archive. */
      const numberHere = new Map<string, number>();
      for (const r of archive.recipes) {
        const isNew = await claimRecipe(db, house.id, r.id);
        await holdRecipe(db, house.id, r.id);
        const here = await readVersions(db, house.id, r.id);
        let added = 0;
        for (const v of r.versions) {
          const known = isNew ? undefined : here.find((h) => same(h.body, v.body));
          const number = known?.version ?? (await writeVersion(db, house.id, v.body, v));
          numberHere.set(`${r.id} ${v.version}`, number);
          if (!known) added++;
        }
        if (isNew) {
          await setArchived(db, house.id, r.id, r.archived);
          newRecipes.push(r.id);
        } else if (added > 0) {
          const [latest] = here;
          const theirs = r.versions.at(-1);
          // An older version was missing, but their newest is known: what is newest here stays so.
          if (latest && here.some((h) => same(h.body, theirs?.body)))
            await writeVersion(db, house.id, latest.body, { note: 'still the newest' });
          newVersions.push(r.id);
        }
      }
      let newBatches = 0;
      for (const { events, ...b } of archive.batches) {
        if (await readBatch(db, b.id)) continue;
        const recipeVersion = numberHere.get(`${b.recipeId} ${b.recipeVersion}`) ?? b.recipeVersion;
        await writeBatch(db, { ...b, recipeVersion, kitchenId: house.id });
        for (const e of events) await appendEvent(db, b.id, e);
        newBatches++;
      }
      const taken = { kitchen: archive.kitchen.name, newRecipes, newVersions, newBatches };
      if (rehearse) throw new Rehearsed(taken);
      return taken;
    }, pool);
  } catch (error) {
    if (error instanceof Rehearsed) return error.taken;
    throw error;
  }
}
