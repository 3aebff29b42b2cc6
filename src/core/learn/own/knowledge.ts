import { dot, type Matrix, times, type Vector } from '../../maths/matrix';
import type { Lesson } from './batch/lesson';
import { changed, changeIn, type Noticed } from './changes';
import { type Gaussian, lawOf, NOTHING_KNOWN, spreadsOf, without } from './gaussian';
import { type NumberKey, ownerOf, spreadBefore } from './laws';
import { type Epoch, namesOf, prepared, type Taken, taken } from './taken';

/** Readings and batches a number rests on since its owner last began anew. */
export type Rests = { readonly readings: number; readonly batches: number; readonly last: string };

/** All a house has learned. Plain data: it is kept as it is. */
export type Knowledge = {
  /** As it stood before `recent`, and with all. */
  readonly settled: Gaussian;
  readonly now: Gaussian;
  /** Lessons a change may still be found in, the newest last. */
  readonly recent: readonly Taken[];
  readonly epochs: Readonly<Record<string, Epoch>>;
  readonly rests: Readonly<Record<string, Rests>>;
  readonly noticed: readonly Noticed[];
  readonly lessons: number;
};

export const NOTHING_LEARNED: Knowledge = {
  settled: NOTHING_KNOWN,
  now: NOTHING_KNOWN,
  recent: [],
  epochs: {},
  rests: {},
  noticed: [],
  lessons: 0,
};

/** What a lesson did to one of its numbers: its law before and after, as logarithms. */
export type LearningStep = {
  readonly key: NumberKey;
  readonly before: { readonly mean: number; readonly spread: number };
  readonly after: { readonly mean: number; readonly spread: number };
  /** 1 where it was believed whole, less where it agreed with nothing. */
  readonly weight: number;
};

/** How what was foreseen came out, in standard deviations and ln: by what the house knew, and by nothing. */
export type Judged = {
  readonly what: 'viscosity' | 'litres';
  readonly read: number;
  readonly miss: number;
  readonly spread: number;
  readonly missUnlearned: number;
  readonly spreadUnlearned: number;
};

/** Lessons kept to look for changes in. */
const KEPT = 8;

/** What is no longer any number’s part, and in no recent lesson, is gone. */
function tidied(g: Gaussian, epochs: Knowledge['epochs'], recent: readonly Taken[]): Gaussian {
  const used = new Set(
    recent.flatMap(({ lesson, epochs: of }) => lesson.keys.flatMap((key, n) => namesOf(key, of[n] as Epoch))),
  );
  return without(g, (name) => {
    const at = name.lastIndexOf(' @');
    return at > 0 && !used.has(name) && epochs[name.slice(0, at)]?.n !== Number(name.slice(at + 2));
  });
}

/** The beginning each number of a lesson is of: another lot than was written begins it anew. */
function epochsFor(known: Knowledge['epochs'], lesson: Lesson): readonly Epoch[] {
  return lesson.keys.map((key): Epoch => {
    const was = known[ownerOf(key)];
    const lot = lesson.lots[key];
    if (!was) return { n: 1, since: lesson.at, why: 'begun', ...(lot !== undefined && { lot }) };
    if (lot === undefined || lot === was.lot) return was;
    // A kitchen that begins to write lots down has the flour it had.
    if (was.lot === undefined) return { ...was, lot };
    return { n: was.n + 1, since: lesson.at, why: 'lot', lot };
  });
}

export type Taught = {
  readonly knowledge: Knowledge;
  readonly steps: readonly LearningStep[];
  readonly judged: readonly Judged[];
  readonly noticed: Noticed | null;
};

/** How what a lesson foresaw came out, by what was known of its numbers before it. */
function judgedBy(
  law: { readonly mean: Vector; readonly covariance: Matrix },
  lesson: Lesson,
): readonly Judged[] {
  return lesson.foreseen.map(({ what, miss, slopes, own, read }) => ({
    what,
    read,
    miss: miss - dot(slopes, law.mean),
    spread: Math.hypot(own, Math.sqrt(Math.max(0, dot(slopes, times(law.covariance, slopes))))),
    missUnlearned: miss,
    spreadUnlearned: Math.hypot(own, ...slopes.map((s, n) => s * spreadBefore(lesson.keys[n] as NumberKey))),
  }));
}

/** The house once it has had a lesson more; in time that does not grow with how many it had. */
export function taught(before: Knowledge, lesson: Lesson): Taught {
  const epochs = epochsFor(before.epochs, lesson);
  const ready = prepared(before.now, lesson.keys, epochs);
  const numbers = lesson.keys.map((key, n) => namesOf(key, epochs[n] as Epoch));
  const law = lawOf(ready, numbers);
  const one = taken(ready, lesson, epochs);
  const known = {
    ...before.epochs,
    ...Object.fromEntries(lesson.keys.map((k, n) => [ownerOf(k), epochs[n] as Epoch])),
  };
  const recent = [...before.recent, one.as];
  const change = changeIn(before.settled, recent);
  const so = change
    ? changed(before.settled, recent, change, known)
    : { now: one.g, recent, epochs: known, noticed: null as Noticed | null };
  let { settled } = before;
  let kept = so.recent;
  while (kept.length > KEPT) {
    const [first, ...others] = kept;
    if (first) settled = taken(settled, first.lesson, first.epochs).g;
    kept = others;
  }
  const after = lawOf(
    so.now,
    lesson.keys.map((key) => namesOf(key, so.epochs[ownerOf(key)] as Epoch)),
  );
  const [spread, spreadAfter] = [spreadsOf(law), spreadsOf(after)];
  return {
    knowledge: {
      settled: tidied(settled, so.epochs, kept),
      now: tidied(so.now, so.epochs, kept),
      recent: kept,
      epochs: so.epochs,
      rests: restsOn(before, lesson, so),
      noticed: so.noticed ? [...before.noticed, so.noticed].slice(-50) : before.noticed,
      lessons: before.lessons + 1,
    },
    steps: lesson.keys.map((key, n) => ({
      key,
      before: { mean: law.mean[n] ?? 0, spread: spread[n] ?? 0 },
      after: { mean: after.mean[n] ?? 0, spread: spreadAfter[n] ?? 0 },
      weight: one.as.weight,
    })),
    judged: judgedBy(law, lesson),
    noticed: so.noticed,
  };
}

/** What the numbers of a lesson rest on now: since their owner last began anew, by a lot or by a change just found. */
function restsOn(
  before: Knowledge,
  lesson: Lesson,
  { epochs, recent }: { readonly epochs: Knowledge['epochs']; readonly recent: readonly Taken[] },
): Knowledge['rests'] {
  const rests = { ...before.rests };
  const isAnew = (owner: string): boolean => before.epochs[owner]?.n !== epochs[owner]?.n;
  const keys = new Set([
    ...lesson.keys,
    ...Object.keys(rests).filter((k) => isAnew(ownerOf(k as NumberKey))),
  ]);
  for (const key of keys as Set<NumberKey>) {
    const owner = ownerOf(key);
    const n = epochs[owner]?.n;
    // What began anew may have done so some lessons ago.
    const since = isAnew(owner)
      ? recent.filter(({ lesson: l, epochs: of }) => of[l.keys.indexOf(key)]?.n === n)
      : recent.slice(-1);
    const counts = since.map(({ lesson: l }) => l.counts[l.keys.indexOf(key)] ?? 0);
    const was = isAnew(owner) ? undefined : rests[key];
    rests[key] = {
      readings: (was?.readings ?? 0) + counts.reduce((s, c) => s + c, 0),
      batches: (was?.batches ?? 0) + counts.filter((c) => c > 0).length,
      last: lesson.keys.includes(key) ? lesson.at : (rests[key]?.last ?? lesson.at),
    };
  }
  return rests;
}
