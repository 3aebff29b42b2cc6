import { dot, factored, type Matrix } from '../../maths/matrix';
import type { OwnNumber, OwnNumbers } from '../../pot/kitchen';
import type { Lesson } from './batch/lesson';
import type { Noticed } from './changes';
import { type Judged, type Knowledge, type LearningStep, NOTHING_LEARNED, taught } from './knowledge';
import { kindOf, type NumberKey, spreadBefore, thingOf } from './laws';
import { knownNumbers, type SetByHand } from './standing';

/** What a lesson did when it was taken in. */
export type Did = {
  readonly steps: readonly LearningStep[];
  readonly judged: readonly Judged[];
  readonly noticed: Noticed | null;
};

/** The lesson as if `gone` numbers had never been looked at: they are summed over, as unsure as they were to begin with. */
export function withoutNumbers(lesson: Lesson, gone: (key: NumberKey) => boolean): Lesson {
  const kept = lesson.keys.flatMap((key, n) => (gone(key) ? [] : [n]));
  if (kept.length === lesson.keys.length) return lesson;
  const out = lesson.keys.flatMap((key, n) => (gone(key) ? [n] : []));
  const part = (rows: readonly number[], columns: readonly number[]): Matrix =>
    rows.map((r) => columns.map((c) => lesson.precision[r]?.[c] as number));
  // Λaa − Λab (Λbb + B)⁻¹ Λba, with B how unsure those are by themselves.
  const inner = factored(
    part(out, out).map((row, r) =>
      row.map((v, c) =>
        r === c ? v + 1 / spreadBefore(lesson.keys[out[r] as number] as NumberKey) ** 2 : v,
      ),
    ),
  );
  const across = part(kept, out);
  const shifts = out.map((n) => lesson.shift[n] as number);
  const pull = inner.solve(shifts);
  const pick = <T>(all: readonly T[]): T[] => kept.map((n) => all[n] as T);
  return {
    ...lesson,
    keys: pick(lesson.keys),
    counts: pick(lesson.counts),
    precision: part(kept, kept).map((row, r) =>
      row.map((v, c) => v - dot(across[r] as number[], inner.solve(across[c] as number[]))),
    ),
    shift: pick(lesson.shift).map((s, r) => s - dot(across[r] as number[], pull)),
    foreseen: lesson.foreseen.map((f) => ({ ...f, slopes: pick(f.slopes) })),
    atEnd: pick(lesson.atEnd),
    could: lesson.could.map((c) => ({ ...c, slopes: pick(c.slopes) })),
  };
}

/** As a lesson counts where numbers were forgotten: what was read of one before that is as if nobody had. */
export const remembered = (lesson: Lesson, forgotten: Readonly<Record<string, string>>): Lesson =>
  withoutNumbers(lesson, (key) => {
    const since = forgotten[key];
    return since !== undefined && lesson.at < since;
  });

/** The house after `lesson`, and what that did. */
export function teach(
  before: Knowledge,
  lesson: Lesson,
  forgotten: Readonly<Record<string, string>> = {},
): { readonly knowledge: Knowledge; readonly did: Did } {
  const { knowledge, ...did } = taught(before, remembered(lesson, forgotten));
  return { knowledge, did };
}

/** All lessons from the first, in their order. */
export function teachAll(
  lessons: Iterable<Lesson>,
  forgotten: Readonly<Record<string, string>> = {},
): Knowledge {
  let k = NOTHING_LEARNED;
  for (const lesson of lessons) k = teach(k, lesson, forgotten).knowledge;
  return k;
}

/** Kinds of number a pot goes by. */
const OF_THE_POT: ReadonlySet<string> = new Set([
  'flour',
  'puree',
  'leaching',
  'waterLoss',
  'burner',
  'juices',
  'softening',
  'soup',
]);

/** A number moved by less than this, and no surer than it was, is as the model has it: it need not be carried about. */
const NOTICEABLE = 0.002;

/** What a kitchen goes by of what it has learned: at the pot, and on the board. */
export type LearnedNumbers = { readonly pot: OwnNumbers; readonly pace: Readonly<Record<string, number>> };

/** Every number that readings, or a hand, have moved or made surer: of the pot, and of how long work takes. */
export function ownNumbers(k: Knowledge, fixed: SetByHand = {}): LearnedNumbers {
  const pot: Record<string, Record<string, OwnNumber>> = {};
  const pace: Record<string, number> = {};
  for (const n of knownNumbers(k, fixed)) {
    const kind = kindOf(n.key);
    if (Math.abs(Math.log(n.by)) < NOTICEABLE && n.spread > 0.99 * n.before) continue;
    if (kind === 'work') pace[thingOf(n.key)] = n.by;
    if (OF_THE_POT.has(kind))
      pot[kind] = {
        ...pot[kind],
        [thingOf(n.key)]: { by: n.by, spread: n.spread, readings: n.rests.readings },
      };
  }
  return { pot, pace };
}
