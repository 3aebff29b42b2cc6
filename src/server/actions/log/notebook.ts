import type pg from 'pg';
import { v5 } from 'uuid';
import type { NotebookTold } from '../../../contract/log';
import { MOST_TOLD, type PastBatch, readNotebook } from '../../../core/log/notebook';
import { loggedPast, pastLesson } from '../../../core/log/pastBatch';
import { message } from '../../../core/message/message';
import { dayOf } from '../../../core/units/clock';
import { OutOfRange } from '../../../core/units/range';
import { transaction } from '../../data/database';
import { askAnew, waitToLearn, writeAllLogged, writeLessons } from '../../queries/log';
import { readRecipes } from '../../queries/recipes';
import { busy, Refusal } from '../../refusal';
import type { Watch } from '../../work/watch';
import { theHouse } from '../kitchen';

/** The same line of the same kitchen is the same batch: read in twice it is there once. */
const PAST = '5a0d3c5e-7f0b-4e0f-9c1b-3a9f2f1f2b6d';

/** The newest of so many teach: each has to be planned for. */
const MOST_TEACHING = 400;

/** ms for which a lesson that is just being learned is waited for. */
const WAITS = 60_000;

/** Rows shown of what was read. */
const SHOWN = 12;

const idOf = (kitchen: string, { line: _line, ...p }: PastBatch): string =>
  v5(`${kitchen} ${JSON.stringify(p)}`, PAST);

/**
 * A notebook read, and taken in: not at all to look at it first, all of it where nothing is wrong, or what is right of it.
 * Nothing is half in.
 */
export async function takeNotebook(
  pool: pg.Pool,
  text: string,
  take: 'no' | 'all' | 'right',
  watch?: Watch,
): Promise<NotebookTold> {
  const house = await theHouse(pool);
  const recipes = (await readRecipes(pool, house.id)).map((r) => r.recipe);
  const read = readNotebook(text, {
    limits: house.kitchen.bandLimits,
    recipes,
    today: dayOf(new Date(), house.keeping.dayEnds),
  });
  const told: NotebookTold = {
    right: read.batches.length,
    wrong: new Set(read.problems.map((p) => p.line)).size,
    problems: read.problems.slice(0, MOST_TOLD),
    columns: read.columns,
    shown: read.batches.slice(0, SHOWN),
    known: read.batches.filter((b) => b.recipeId !== null).length,
    taken: 0,
    teaching: 0,
  };
  if (take === 'no') return told;
  if (take === 'all' && read.problems.length > 0)
    throw new Refusal(
      422,
      read.problems.slice(0, 50).map((p) => ({
        field: `line ${p.line}, ${p.column}`,
        given: p.given,
        allowed: p.allowed,
      })),
    );
  const byId = new Map(recipes.map((r) => [r.id, r]));
  const teaching = read.batches
    .filter((b) => b.recipeId !== null && b.bowl !== null && b.amounts.length > 0)
    .toSorted((a, b) => b.day.localeCompare(a.day))
    .slice(0, MOST_TEACHING);
  const lessons = teaching.flatMap((b, n) => {
    watch?.reach(n / teaching.length);
    const recipe = byId.get(b.recipeId ?? '');
    try {
      const lesson = recipe && pastLesson(idOf(house.id, b), b, recipe, house);
      return lesson ? [lesson] : [];
    } catch (error) {
      // What no pot of the recipe’s could be teaches nothing; it stands in the log all the same.
      if (error instanceof OutOfRange) return [];
      throw error;
    }
  });
  return transaction(async (db) => {
    if (!(await waitToLearn(db, house.id, WAITS)))
      throw busy(message('something else is being learned from'));
    const batches = read.batches.map((b) => loggedPast(idOf(house.id, b), b));
    const taken = await writeAllLogged(db, house.id, batches);
    await writeLessons(db, house.id, lessons);
    await askAnew(db, house.id);
    return { ...told, taken: taken.length, teaching: lessons.length };
  }, pool);
}
