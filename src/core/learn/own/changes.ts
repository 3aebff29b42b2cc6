import { identity, type Matrix, sum, type Vector } from '../../maths/matrix';
import type { Lesson } from './batch/lesson';
import { agreement, type Gaussian, lawOf, without } from './gaussian';
import { canChange, type NumberKey, ownerOf } from './laws';
import { type Epoch, namesOf, prepared, type Taken, taken } from './taken';

/** A change of a thing’s number that readings show: found in this batch, to have been since that one. */
export type Noticed = {
  readonly owner: string;
  readonly key: NumberKey;
  readonly since: string;
  readonly sinceBatch: string;
  readonly foundIn: string;
  /** Of the number, as a factor, before it and since. */
  readonly before: number;
  readonly after: number;
  /** ln of how much better it explains the readings than no change does. */
  readonly evidence: number;
};

/** Lessons a change is looked for in: one is found within so many batches of it. */
const LOOKED_BACK = 6;

/** A number pulled at less than this, all its last lessons together, has not changed. Our assumption. */
const PULLED = 2.8;

/** So many owners are looked into. */
const SUSPECTS = 3;

/** In so many batches a number of a thing changes once: what a change has to be worth, as ln. Our assumption. */
const ONE_IN = Math.log(1500);

/** Of batches one in so many has something in it that nobody wrote down: by how much it may be off, in ln. Our assumption. */
const ASTRAY = { share: 0.05, by: 0.4 } as const;

/** How likely a lesson is, a batch gone astray among the ways it may have come about. */
function likely(law: { readonly mean: Vector; readonly covariance: Matrix }, lesson: Lesson): number {
  const right = Math.log(1 - ASTRAY.share) + agreement(law, lesson).evidence;
  const astray =
    Math.log(ASTRAY.share) +
    agreement(
      { mean: law.mean, covariance: sum(law.covariance, identity(law.mean.length), ASTRAY.by ** 2) },
      lesson,
    ).evidence;
  const most = Math.max(right, astray);
  return most + Math.log(Math.exp(right - most) + Math.exp(astray - most));
}

/** What is believed after the lessons in turn, and how likely each was: ln, summed. */
function through(
  from: Gaussian,
  all: readonly { readonly lesson: Lesson; readonly epochs: readonly Epoch[] }[],
) {
  let g = from;
  let evidence = 0;
  for (const { lesson, epochs } of all) {
    g = prepared(g, lesson.keys, epochs);
    evidence += likely(
      lawOf(
        g,
        lesson.keys.map((key, n) => namesOf(key, epochs[n] as Epoch)),
      ),
      lesson,
    );
    g = taken(g, lesson, epochs).g;
  }
  return { g, evidence };
}

export type Change = { readonly key: NumberKey; readonly from: number; readonly evidence: number };

/** The change that explains the recent lessons best, where one does by enough. */
export function changeIn(settled: Gaussian, recent: readonly Taken[]): Change | null {
  const last = recent.at(-1);
  if (!last) return null;
  const suspects = suspectsIn(recent, last);
  if (suspects.length === 0) return null;
  // All else is summed over: it is the same for every change.
  const named = new Set(
    recent.flatMap(({ lesson, epochs }) => lesson.keys.flatMap((k, n) => namesOf(k, epochs[n] as Epoch))),
  );
  let before = without(settled, (name) => !named.has(name));
  let best: Change | null = null;
  for (const [from, { lesson }] of recent.entries()) {
    const after = recent.slice(from);
    const plain = through(before, after).evidence;
    for (const key of after.length > LOOKED_BACK ? [] : suspects) {
      const owner = ownerOf(key);
      const bears = (t: Taken): boolean => t.lesson.keys.some((k) => ownerOf(k) === owner);
      if (after.filter(bears).length < 2 || !bears(recent[from] as Taken)) continue;
      const anew = through(
        before,
        after.map((t) => begunAnew(t, owner, lesson.at)),
      );
      const evidence = anew.evidence - plain - ONE_IN;
      if (evidence > (best?.evidence ?? 0)) best = { key, from, evidence };
    }
    const { epochs } = recent[from] as Taken;
    before = taken(before, lesson, epochs).g;
  }
  return best;
}

/** Numbers that may have changed, one of each owner: those the last lessons pulled the same way, the hardest pulled first. */
function suspectsIn(recent: readonly Taken[], last: Taken): readonly NumberKey[] {
  const pulled = last.lesson.keys.map((key, n) => {
    const pulls = recent.flatMap(({ lesson, pulls: all, epochs }) => {
      const k = lesson.keys.indexOf(key);
      return k >= 0 && epochs[k]?.n === last.epochs[n]?.n ? [all[k] ?? 0] : [];
    });
    const together = [2, 3, 4].map((so) =>
      pulls.length < so ? 0 : Math.abs(pulls.slice(-so).reduce((s, p) => s + p, 0)) / Math.sqrt(so),
    );
    return { key, by: canChange(key) ? Math.max(...together) : 0 };
  });
  const hard = pulled.filter((p) => p.by > PULLED).toSorted((a, b) => b.by - a.by);
  return [...new Map(hard.toReversed().map((p) => [ownerOf(p.key), p.key])).values()]
    .reverse()
    .slice(0, SUSPECTS);
}

/** The lesson with `owner` begun anew before it. */
const begunAnew = (
  { lesson, epochs }: Taken,
  owner: string,
  since: string,
): Pick<Taken, 'lesson' | 'epochs'> => ({
  lesson,
  epochs: lesson.keys.map((key, n) => {
    const epoch = epochs[n] as Epoch;
    return ownerOf(key) === owner ? { ...epoch, n: epoch.n + 1, since, why: 'change' } : epoch;
  }),
});

/** The recent lessons gone through again with the changed thing begun anew where it changed. */
export function changed(
  settled: Gaussian,
  recent: readonly Taken[],
  change: Change,
  known: Readonly<Record<string, Epoch>>,
) {
  const owner = ownerOf(change.key);
  const since = recent[change.from]?.lesson as Lesson;
  let now = settled;
  const again: Taken[] = [];
  for (const [n, t] of recent.entries()) {
    const as = n < change.from ? t : begunAnew(t, owner, since.at);
    const one = taken(now, as.lesson, as.epochs);
    now = one.g;
    again.push(one.as);
  }
  const last = again.findLast(({ lesson }) => lesson.keys.includes(change.key)) as Taken;
  const epoch = last.epochs[last.lesson.keys.indexOf(change.key)] as Epoch;
  const was = lawOf(prepared(settled, [change.key], [known[owner] as Epoch]), [
    namesOf(change.key, known[owner] as Epoch),
  ]);
  const is = lawOf(now, [namesOf(change.key, epoch)]);
  return {
    now,
    recent: again,
    epochs: { ...known, [owner]: epoch },
    noticed: {
      owner,
      key: change.key,
      since: since.at,
      sinceBatch: since.id,
      foundIn: recent.at(-1)?.lesson.id ?? '',
      before: Math.exp(was.mean[0] ?? 0),
      after: Math.exp(is.mean[0] ?? 0),
      evidence: change.evidence,
    },
  };
}
