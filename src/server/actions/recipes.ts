import type pg from 'pg';
import {
  ArchivedRecipe,
  ChangedRecipe,
  NewRecipe,
  RestoredRecipe,
  type SavedRecipe,
} from '../../contract/recipes';
import { strayFields } from '../../core/formats/strays';
import { same } from '../../core/maths/same';
import { message } from '../../core/message/message';
import { Recipe } from '../../core/recipe/recipe';
import { transaction } from '../data/database';
import {
  claimRecipe,
  holdRecipe,
  type RecipeBody,
  readRecipe,
  readRecipeNames,
  readVersions,
  removeRecipe,
  setArchived,
  writeVersion,
} from '../queries/recipes';
import { accept, MOST_PROBLEMS, Refusal, stale, taken, unknown } from '../refusal';
import { acceptSaid } from '../saying';

/** The recipe as typed, once it is known to be one. */
function typed(input: unknown): RecipeBody {
  const read = accept(Recipe, input, 'recipe');
  const strays = strayFields(input, read);
  // A field nobody knows is misspelt: what was meant by it would not be cooked.
  if (strays.length > 0)
    throw new Refusal(
      422,
      strays.slice(0, MOST_PROBLEMS).map((path) => ({
        field: path.map(String).join('.'),
        given: String(path.at(-1)),
        allowed: message('a field of a recipe: this is none'),
      })),
    );
  return input as RecipeBody;
}

/** Keeps a new recipe as its version 1. Refuses an id that is taken. */
export async function createRecipe(pool: pg.Pool, kitchenId: string, input: unknown): Promise<SavedRecipe> {
  const { body, note, by } = acceptSaid(NewRecipe, input);
  const recipe = typed(body);
  return transaction(async (db) => {
    if (!(await claimRecipe(db, kitchenId, recipe.id))) {
      throw taken(
        'id',
        message('“{id}” is the id of another recipe here', { id: recipe.id }),
        message('an id of its own: change the name'),
      );
    }
    return { id: recipe.id, version: await writeVersion(db, kitchenId, recipe, { note, by }), isNew: true };
  }, pool);
}

/** Keeps a changed recipe as a new version. Refuses when somebody saved one since `base`; saving no change makes none. */
export async function saveRecipe(
  pool: pg.Pool,
  kitchenId: string,
  id: string,
  input: unknown,
): Promise<SavedRecipe> {
  const { body, note, by, base } = acceptSaid(ChangedRecipe, input);
  const recipe = typed({ ...(typeof body === 'object' ? body : {}), id });
  return transaction(async (db) => {
    await holdRecipe(db, kitchenId, id);
    const latest = await readRecipe(db, kitchenId, id);
    if (!latest) throw unknown('recipe', id, []);
    if (latest.version !== base) throw stale('recipe');
    if (same(latest.body, recipe)) return { id, version: latest.version, isNew: false };
    return { id, version: await writeVersion(db, kitchenId, recipe, { note, by }), isNew: true };
  }, pool);
}

/** Makes an old version the newest again. The ones between stay. */
export async function restoreVersion(
  pool: pg.Pool,
  kitchenId: string,
  id: string,
  input: unknown,
): Promise<SavedRecipe> {
  const { version, by } = acceptSaid(RestoredRecipe, input);
  return transaction(async (db) => {
    await holdRecipe(db, kitchenId, id);
    const versions = await readVersions(db, kitchenId, id);
    const wanted = versions.find((v) => v.version === version);
    if (!wanted) {
      throw unknown(
        'version',
        String(version),
        versions.map((v) => String(v.version)),
      );
    }
    const [latest] = versions;
    if (latest && same(latest.body, wanted.body)) return { id, version: latest.version, isNew: false };
    const note = `as version ${version} was`;
    return { id, version: await writeVersion(db, kitchenId, wanted.body, { note, by }), isNew: true };
  }, pool);
}

/** Puts a recipe away, or takes it out again. */
export async function archiveRecipe(
  pool: pg.Pool,
  kitchenId: string,
  id: string,
  input: unknown,
): Promise<{ id: string; archived: boolean }> {
  const { archived } = accept(ArchivedRecipe, input);
  if (!(await setArchived(pool, kitchenId, id, archived))) {
    throw unknown(
      'recipe',
      id,
      (await readRecipeNames(pool, kitchenId)).map((r) => r.id),
    );
  }
  return { id, archived };
}

const KEPT = {
  cooked: message('it was cooked: the record needs it'),
  archive: message('it came with an archive, which keeps it'),
  service: message('it stands in a service: take it off there first'),
} as const;

/** Takes a recipe that was never cooked out for good. What is kept by something is refused: it can be put away. */
export async function deleteRecipe(
  pool: pg.Pool,
  kitchenId: string,
  id: string,
): Promise<{ id: string; removed: true }> {
  return transaction(async (db) => {
    await holdRecipe(db, kitchenId, id);
    if (!(await readRecipe(db, kitchenId, id))) throw unknown('recipe', id, []);
    const kept = await removeRecipe(db, kitchenId, id);
    if (kept) throw taken('recipe', KEPT[kept], message('put it away instead'));
    return { id, removed: true };
  }, pool);
}
