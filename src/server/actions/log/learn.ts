import type pg from 'pg';
import { batchState } from '../../../core/batch/state';
import { type Lesson, lessonOf } from '../../../core/learn/own/batch/lesson';
import { toldBy } from '../../../core/learn/own/batch/told';
import { type ByHand, NOTHING_BY_HAND } from '../../../core/learn/own/byHand';
import { type Knowledge, NOTHING_LEARNED } from '../../../core/learn/own/knowledge';
import { type Did, ownNumbers, teach } from '../../../core/learn/own/teach';
import { loggedOf } from '../../../core/log/logged';
import { same } from '../../../core/maths/same';
import { transaction } from '../../data/database';
import { readBatch } from '../../queries/batches';
import { readHouse } from '../../queries/kitchen';
import {
  countToLog,
  holdLearning,
  readLearned,
  readLesson,
  readLessons,
  readToLog,
  startLogging,
  unlog,
  writeDid,
  writeLearned,
  writeLesson,
  writeLogged,
} from '../../queries/log';
import type { Watch } from '../../work/watch';

/** Batches logged in one go: the next begins where this ends. */
const AT_ONCE = 12;

/** Lessons gone through between two looks at whether to go on. */
const STRETCH = 200;

type Db = Pick<pg.PoolClient, 'query'>;

/** All lessons from the first, in the order of their batches, and what each did written beside it. */
async function learnAnew(
  db: Db,
  kitchenId: string,
  { forgotten }: ByHand,
  watch?: Watch,
): Promise<Knowledge> {
  let knowledge = NOTHING_LEARNED;
  let after: { at: string; id: string } | null = null;
  for (;;) {
    const lessons: readonly Lesson[] = await readLessons(db, kitchenId, after, STRETCH);
    const did: Did[] = [];
    for (const lesson of lessons) {
      const step = teach(knowledge, lesson, forgotten);
      knowledge = step.knowledge;
      did.push(step.did);
    }
    await writeDid(
      db,
      lessons.map((l) => l.id),
      did,
    );
    watch?.reach(knowledge.lessons / (knowledge.lessons + STRETCH));
    const last = lessons.at(-1);
    if (!last || lessons.length < STRETCH) return knowledge;
    after = { at: last.at, id: last.id };
  }
}

/** What a lesson says of the house, without when it was worked out. */
const says = ({ keys, precision, shift, lots }: Lesson): unknown[] => [keys, precision, shift, lots];

/** A batch as it now stands in the log, and what it teaches; null of one that is on the stove again. */
async function logOne(db: Db, kitchenId: string, id: string): Promise<Lesson | null> {
  await startLogging(db, id);
  const batch = await readBatch(db, id);
  if (!batch || !batchState(batch).finished || batch.away) return null;
  await writeLogged(db, kitchenId, loggedOf(batch));
  return lessonOf(batch, toldBy(batch));
}

/**
 * Logs what was finished since, and learns from it: one at a time of all processes. Says how many batches are still to be
 * logged. With `anew`, or where an old lesson has become another, all lessons are gone through again from the first.
 */
export async function logAndLearn(pool: pg.Pool, watch?: Watch): Promise<{ readonly left: number }> {
  return transaction(async (db) => {
    const house = await readHouse(db);
    if (!house || !(await holdLearning(db, house.id))) return { left: 0 };
    const before = await readLearned(db, house.id);
    const byHand = before?.byHand ?? NOTHING_BY_HAND;
    let anew = before?.anew ?? false;
    let knowledge = before?.knowledge ?? NOTHING_LEARNED;
    const ids = await readToLog(db, house.id, AT_ONCE);
    for (const id of ids) {
      const lesson = await logOne(db, house.id, id);
      const known = await readLesson(db, id);
      if (!lesson) {
        if (await unlog(db, id)) anew = true;
        continue;
      }
      if (known && same(says(known), says(lesson))) continue;
      const { knowledge: next, did } = teach(knowledge, lesson, byHand.forgotten);
      const counts = await writeLesson(db, house.id, lesson, did);
      if (known) anew = true;
      else if (counts) knowledge = next;
    }
    if (ids.length === 0 && !anew) return { left: 0 };
    if (anew) knowledge = await learnAnew(db, house.id, byHand, watch);
    await writeLearned(db, house.id, {
      knowledge,
      own: ownNumbers(knowledge, byHand.fixed),
      byHand,
      anew: false,
    });
    return { left: await countToLog(db, house.id) };
  }, pool);
}
