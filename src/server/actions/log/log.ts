import type pg from 'pg';
import * as z from 'zod';
import {
  type DatedBatch,
  type HouseKnows,
  LearningAct,
  type LoggedBatch,
  type LogOpened,
  type LogPage,
  type NamedNumber,
  type NumberHistory,
  type PredictsOpened,
} from '../../../contract/log';
import { ingredient, isIngredient } from '../../../core/food/catalogue';
import { filmsKnown } from '../../../core/keep/standing';
import type { House } from '../../../core/kitchen/house';
import { afterAct } from '../../../core/learn/own/byHand';
import { NOTHING_LEARNED } from '../../../core/learn/own/knowledge';
import { kindOf, type NumberKey, thingOf } from '../../../core/learn/own/laws';
import { type KnownNumber, knownNumbers } from '../../../core/learn/own/standing';
import { ownNumbers } from '../../../core/learn/own/teach';
import { tiedIn } from '../../../core/learn/own/tied';
import { worthReading } from '../../../core/learn/own/worth';
import { calibrationOf } from '../../../core/log/calibration';
import { LANDINGS, type Logged } from '../../../core/log/logged';
import { foodIn } from '../../../core/pot/kitchen';
import { dayOf } from '../../../core/units/clock';
import { type Queryable, transaction } from '../../data/database';
import { readBatch } from '../../queries/batches';
import { readFilmLines } from '../../queries/keep';
import {
  countToLog,
  type LearnedRow,
  leaveOut,
  readLearned,
  readLesson,
  readLessonsOf,
  readLogged,
  readLoggedOne,
  readNewestLessons,
  writeAct,
  writeLearned,
} from '../../queries/log';
import { readRecipeNames } from '../../queries/recipes';
import { unknown } from '../../refusal';
import { acceptSaid } from '../../saying';
import { theHouse } from '../kitchen';

/** How many batches a page of the log has, and over how many it is judged how well was foreseen. */
const A_PAGE = 50;

/** What a page of the log is asked by, as it stands in its address. */
export type LogQuery = {
  readonly find?: string | null;
  readonly soup?: string | null;
  readonly landed?: string | null;
  readonly before?: string | null;
};

/** “2026-01-31T18:00:00.000Z.id”: the batch after which a page goes on. */
const cursorIn = (text: string | null | undefined) => {
  const at = text?.lastIndexOf('.') ?? -1;
  if (!text || at < 0) return null;
  const [startedAt, id] = [text.slice(0, at), text.slice(at + 1)];
  return z.uuid().safeParse(id).success && Number.isFinite(Date.parse(startedAt)) ? { startedAt, id } : null;
};

/** The kitchen’s day of a moment. */
const dayIn = (house: House, at: string): string => dayOf(new Date(at), house.keeping.dayEnds);

const dated = (house: House, b: Logged): DatedBatch => ({ ...b, day: dayIn(house, b.startedAt) });

/** A page of the log, newest first. */
export async function logPage(db: Queryable, { find, soup, landed, before }: LogQuery): Promise<LogPage> {
  const house = await theHouse(db);
  const [batches, left] = await Promise.all([
    readLogged(db, house.id, {
      words: (find ?? '').slice(0, 100),
      recipeId: soup || null,
      landed: LANDINGS.find((l) => l === landed) ?? null,
      before: cursorIn(before),
      most: A_PAGE + 1,
    }),
    countToLog(db, house.id),
  ]);
  return {
    batches: batches.slice(0, A_PAGE).map((b) => dated(house, b)),
    more: batches.length > A_PAGE,
    left,
  };
}

/** The log as it opens: its first page, how well was foreseen, what changed. */
export async function openLog(db: Queryable, query: LogQuery): Promise<LogOpened> {
  const house = await theHouse(db);
  const [page, lessons, learned] = await Promise.all([
    logPage(db, query),
    readNewestLessons(db, house.id, A_PAGE),
    readLearned(db, house.id),
  ]);
  const noticed = learned?.knowledge.noticed ?? [];
  const name = noticed.length > 0 ? await namer(db, house) : () => '';
  return {
    ...page,
    names: Object.fromEntries(noticed.map((n) => [n.key, name(n.key)])),
    calibration: calibrationOf(lessons.filter((l) => !l.leftOut).flatMap((l) => l.did.judged ?? [])),
    noticed: noticed.map((n) => ({ ...n, day: dayIn(house, n.since) })),
  };
}

/** How many of the newest batches it is judged by how well was foreseen. */
const JUDGED_OVER = 100;

/** How well was foreseen: over the newest batches, and of each soup of them. */
export async function openPredicts(db: Queryable): Promise<PredictsOpened> {
  const house = await theHouse(db);
  const [newest, recipes, batches] = await Promise.all([
    readNewestLessons(db, house.id, JUDGED_OVER),
    readRecipeNames(db, house.id),
    readLogged(db, house.id, { words: '', recipeId: null, before: null, most: JUDGED_OVER }),
  ]);
  const lessons = newest.filter((l) => !l.leftOut);
  const schools = new Map(recipes.map((r) => [r.id, r.school]));
  const judged = (of: typeof lessons) => calibrationOf(of.flatMap((l) => l.did.judged ?? []));
  /** By what each lesson is of, in its order. */
  const by = (name: (l: (typeof lessons)[number]) => string | null | undefined) =>
    [...new Set(lessons.flatMap((l) => name(l) ?? []))]
      .toSorted()
      .map((n) => ({ name: n, calibration: judged(lessons.filter((l) => name(l) === n)) }));
  const took = batches.flatMap((b) =>
    b.tookSeconds && b.plannedSeconds > 0 ? [Math.log(b.tookSeconds / b.plannedSeconds)] : [],
  );
  return {
    over: lessons.length,
    all: judged(lessons),
    soups: by((l) => l.name),
    schools: by((l) => schools.get(l.recipeId ?? '')),
    minutes:
      took.length > 0
        ? { n: took.length, error: Math.sqrt(took.reduce((s, x) => s + x * x, 0) / took.length) }
        : null,
  };
}

/** What things are called in this kitchen. */
async function namer(db: Queryable, house: House): Promise<(key: NumberKey) => string> {
  const soups = new Map((await readRecipeNames(db, house.id)).map((r) => [r.id, r.name]));
  return (key) => {
    const thing = thingOf(key);
    switch (kindOf(key)) {
      case 'waterLoss': {
        const at = thing.lastIndexOf(' ');
        return house.vessels.find((v) => v.id === thing.slice(0, at))?.name ?? thing.slice(0, at);
      }
      case 'burner':
        return house.burners.find((b) => b.id === thing)?.name ?? thing;
      case 'soup':
        return soups.get(thing) ?? thing;
      case 'instrument':
      case 'work':
      case 'pouring':
        return thing;
      default:
        return isIngredient(thing) ? (foodIn(house.kitchen, thing).name ?? ingredient(thing).name) : thing;
    }
  };
}

const named = (house: House, number: KnownNumber, name: (key: NumberKey) => string): NamedNumber => ({
  ...number,
  kind: kindOf(number.key),
  of: name(number.key),
  day: number.epoch.n > 1 ? dayIn(house, number.epoch.since) : null,
});

const learnedOr = (row: LearnedRow | null): Omit<LearnedRow, 'revision'> =>
  row ?? { knowledge: NOTHING_LEARNED, byHand: { fixed: {}, forgotten: {} }, anew: false };

/** What the house knows, what it cannot tell apart, what would tell it most. */
export async function houseKnows(db: Queryable): Promise<HouseKnows> {
  const house = await theHouse(db);
  const { knowledge, byHand } = learnedOr(await readLearned(db, house.id));
  const name = await namer(db, house);
  const newest = new Map<string, string>();
  const soups: Record<string, string> = {};
  for (const b of await readLogged(db, house.id, { words: '', recipeId: null, before: null, most: 200 }))
    if (!newest.has(b.recipeId)) {
      newest.set(b.recipeId, b.id);
      soups[b.id] = b.name;
    }
  const lessons = await Promise.all([...newest.values()].slice(0, 12).map((id) => readLesson(db, id)));
  return {
    numbers: knownNumbers(knowledge, byHand.fixed).map((n) => named(house, n, name)),
    tied: tiedIn(knowledge, byHand.fixed),
    noticed: knowledge.noticed.map((n) => ({ ...n, day: dayIn(house, n.since) })),
    worth: lessons
      .flatMap((l) => (l ? worthReading(knowledge, l, byHand.fixed).slice(0, 1) : []))
      .toSorted((a, b) => a.after / a.now - b.after / b.now)
      .slice(0, 3),
    soups,
    places: Object.entries(filmsKnown(await readFilmLines(db, house.id))).map(([id, film]) => ({
      name: house.keeping.places.find((p) => p.id === id)?.name ?? id,
      by: film.factor,
      spread: film.spread,
    })),
    lessons: knowledge.lessons,
    left: await countToLog(db, house.id),
    forgotten: byHand.forgotten,
  };
}

/** One number with the lessons that made it. Refuses one nobody has read anything of. */
export async function numberHistory(db: Queryable, key: string): Promise<NumberHistory> {
  const house = await theHouse(db);
  const { knowledge, byHand } = learnedOr(await readLearned(db, house.id));
  const all = knownNumbers(knowledge, byHand.fixed);
  const number = all.find((n) => n.key === key);
  if (!number)
    throw unknown(
      'key',
      key,
      all.map((n) => n.key),
    );
  const lessons = await readLessonsOf(db, house.id, key, 100);
  return {
    number: named(house, number, await namer(db, house)),
    lessons: lessons.flatMap((l) => {
      const step = l.did.steps?.find((s) => s.key === key);
      return step
        ? [
            {
              batch: l.id,
              name: l.name ?? '',
              at: l.at,
              day: dayIn(house, l.at),
              leftOut: l.leftOut,
              before: { by: Math.exp(step.before.mean), spread: step.before.spread },
              after: { by: Math.exp(step.after.mean), spread: step.after.spread },
              weight: step.weight,
            },
          ]
        : [];
    }),
  };
}

/** A batch with its record, as the log opens it. Refuses an id that is none’s. */
export async function loggedBatch(db: Queryable, id: string): Promise<LoggedBatch> {
  const house = await theHouse(db);
  const logged = z.uuid().safeParse(id).success ? await readLoggedOne(db, house.id, id) : null;
  if (!logged) throw unknown('batch', id, []);
  const batch = await readBatch(db, id);
  const { rows } = await db.query<{ id: string }>(
    'SELECT id FROM lot WHERE kitchen_id = $1 AND batch_id = $2',
    [house.id, id],
  );
  return { logged: dated(house, logged), batch, kept: rows.map((r) => r.id) };
}

/**
 * Does what somebody wants of what was learned: a number set, freed or forgotten, a batch left out or counted again. What was
 * done is written down; what it changes of the numbers is worked out at once where it can be, from the lessons where it must.
 */
export async function actOnLearning(pool: pg.Pool, input: unknown): Promise<{ readonly anew: boolean }> {
  const { id, by, body } = acceptSaid(LearningAct, input);
  return transaction(async (db) => {
    const house = await theHouse(db);
    const { knowledge, byHand } = learnedOr(await readLearned(db, house.id));
    await writeAct(db, house.id, { id, station: by, body });
    const after = afterAct(byHand, body, new Date().toISOString());
    const anew = body.kind !== 'fix' && body.kind !== 'free';
    if ('batch' in body) {
      const { rowCount } = await leaveOut(db, house.id, body.batch, body.kind === 'leave out');
      if (rowCount !== 1) throw unknown('batch', body.batch, []);
    }
    await writeLearned(db, house.id, {
      knowledge,
      own: ownNumbers(knowledge, after.fixed),
      byHand: after,
      anew,
    });
    return { anew };
  }, pool);
}
