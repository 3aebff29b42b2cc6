import type { RuleSet } from './rules';

/**
 * The arithmetic of cooling: what readings say of a rule's limits. Nothing is supposed of what nobody read, and whatever
 * is not known counts against it. °C, ms of the clock; s where a rule has s.
 */

/** What can be said of a limit: only `holds` is green. */
export const ANSWERS = ['holds', 'will not', 'cannot be told'] as const;
export type Answer = (typeof ANSWERS)[number];

/** A temperature of the thickest middle, and when. */
export type Read = { readonly at: number; readonly celsius: number };

/**
 * When the rule's clock began: at the earliest when it was last known to be at or over the rule's start, at the latest when
 * it was first read under it. It begins once; a hotter reading afterwards does not move it.
 */
export type Clock = { readonly earliest: number; readonly latest: number };

/** A limit of cooling by the readings so far. */
type StageRead = {
  readonly to: number;
  readonly seconds: number;
  /** When it was last read over `to`. */
  readonly overAt: number | null;
  /** When it was first read at `to` or under, and never over it since. */
  readonly metAt: number | null;
};

/** One cooling, from when it was hot: until it is reheated to the rule's own figure, which begins another. */
export type Course = {
  /** It was hot, or may have begun to cool, at this moment: the clock begins no earlier. */
  readonly hotAt: number;
  readonly clock: Clock | null;
  readonly stages: readonly StageRead[];
  readonly last: Read | null;
};

type Cooling = RuleSet['cooling'];

/** A cooling of which nothing was read yet, that was hot at `hotAt`. */
export const beginCourse = (hotAt: number, rule: Cooling): Course => ({
  hotAt,
  clock: null,
  stages: rule.stages.map(({ to, seconds }) => ({ to, seconds, overAt: null, metAt: null })),
  last: null,
});

/**
 * The course after a reading no earlier than those before it. With `settled` it was put away cold before: what is read then
 * is for the shelf's own limit, and says nothing against how it cooled.
 */
export function readOn(course: Course, read: Read, rule: Cooling, settled = false): Course {
  const hot = read.celsius >= rule.from;
  const { clock, hotAt } = course;
  return {
    hotAt: hot ? Math.max(hotAt, read.at) : hotAt,
    clock: clock ?? (hot ? null : { earliest: Math.min(hotAt, read.at), latest: read.at }),
    stages: settled
      ? course.stages
      : course.stages.map((s) =>
          read.celsius > s.to ? { ...s, overAt: read.at, metAt: null } : { ...s, metAt: s.metAt ?? read.at },
        ),
    last: read,
  };
}

/** How a limit stands at a moment: still to come, or what can be said of it. */
export type LimitAnswer = Answer | 'open';
export type Limit = {
  readonly to: number;
  /** ms by which it has to be met, counted from the earliest the clock can have begun. */
  readonly by: number;
  readonly met: number | null;
  readonly answer: LimitAnswer;
};

/**
 * The limits of a course at `now`. One that was read in time, however early the clock began, holds. One that was read over its
 * limit after its time, however late the clock began, was not kept. What lies between cannot be told.
 */
export function limitsOf({ hotAt, clock, stages }: Course, now: number): readonly Limit[] {
  const earliest = clock?.earliest ?? hotAt;
  const latest = clock?.latest ?? Number.POSITIVE_INFINITY;
  return stages.map(({ to, seconds, overAt, metAt }) => {
    const by = earliest + seconds * 1000;
    const answer: LimitAnswer =
      metAt !== null && metAt <= by
        ? 'holds'
        : metAt === null && now <= by
          ? 'open'
          : overAt !== null && overAt >= latest + seconds * 1000
            ? 'will not'
            : 'cannot be told';
    return { to, by, met: metAt, answer };
  });
}

/** The worst of several answers; `open` counts as better than what is not kept, and worse than what holds. */
export function worst(answers: readonly LimitAnswer[]): LimitAnswer {
  for (const a of ['will not', 'cannot be told', 'open'] as const) if (answers.includes(a)) return a;
  return 'holds';
}
