/**
 * Work on shared things: what is to be done, on what, in which order. Whole units of time throughout; a kitchen
 * counts minutes, a job shop whatever its instance is given in.
 */

/** What has no end. */
export const NEVER = 1_000_000_000;

/** Something of which so much is there at once. */
export type Resource = { readonly id: string; readonly capacity: number };

/**
 * What a task takes of a resource while it runs: from `from` to `to` after its start. With `since` it is
 * taken from that moment of the clock on, whenever the task itself begins: a pot stands about until it is
 * washed.
 */
export type ResourceUse = {
  readonly resource: number;
  readonly amount: number;
  readonly from: number;
  readonly to: number;
  readonly since?: number;
};

/** One way of doing a task. What it takes itself of one resource at one time is never more than there is. */
export type Mode = {
  readonly id: string;
  readonly duration: number;
  readonly uses: readonly ResourceUse[];
  /** Latest start in this mode. */
  readonly latest?: number;
};

/** Done in one go, in one of its modes, the preferred first; it starts between `earliest` and `latest`. */
export type Task = {
  readonly id: string;
  readonly modes: readonly [Mode, ...Mode[]];
  readonly earliest: number;
  readonly latest: number;
};

/** `after` starts `gap` after `before` ends, or later. */
type Precedence = { readonly before: number; readonly after: number; readonly gap: number };

/** `weight` for each unit a task starts, or ends, after `after`. */
type Term = {
  readonly task: number;
  readonly weight: number;
  readonly after: number;
  readonly of: 'start' | 'end';
};

/** What is to be least: the end of the last task, or a sum. Both only grow when a task moves to later. */
export type Objective =
  | { readonly kind: 'makespan' }
  | { readonly kind: 'sum'; readonly terms: readonly Term[] };

export type JobShop = {
  readonly tasks: readonly Task[];
  readonly resources: readonly Resource[];
  readonly precedences: readonly Precedence[];
  /** The first counts before the second, and so on. */
  readonly goals: readonly [Objective, ...Objective[]];
};

/** When each task starts and in which of its modes. */
export type Placement = { readonly starts: readonly number[]; readonly modes: readonly number[] };

const modeOf = (problem: JobShop, { modes }: Placement, task: number): Mode => {
  const mode = problem.tasks[task]?.modes[modes[task] ?? -1];
  if (!mode) throw new RangeError(`task ${task} has no mode ${modes[task]}`);
  return mode;
};

/** What `goal` comes to with tasks started and ended so. */
export function worth(goal: Objective, starts: ArrayLike<number>, ends: ArrayLike<number>): number {
  if (goal.kind === 'makespan') {
    let last = 0;
    for (let i = 0; i < ends.length; i++) last = Math.max(last, ends[i] ?? 0);
    return last;
  }
  let sum = 0;
  for (const { task, weight, after, of } of goal.terms)
    sum += weight * Math.max(0, ((of === 'start' ? starts : ends)[task] ?? 0) - after);
  return sum;
}

/** What each goal of a placement comes to. */
export function valuesOf(problem: JobShop, placement: Placement): readonly number[] {
  const ends = problem.tasks.map(
    (_, i) => (placement.starts[i] ?? 0) + modeOf(problem, placement, i).duration,
  );
  return problem.goals.map((goal) => worth(goal, placement.starts, ends));
}

/** More wanted of a resource than there is, first at `at` and until `until`, by `tasks`. */
type Overload = {
  readonly resource: number;
  readonly at: number;
  readonly until: number;
  readonly wanted: number;
  readonly tasks: readonly number[];
};

type Span = { readonly task: number; readonly begin: number; readonly end: number; readonly amount: number };

/** When each resource is taken in `placement`, by whom. */
function spansOf(problem: JobShop, placement: Placement): readonly (readonly Span[])[] {
  const spans: Span[][] = problem.resources.map(() => []);
  for (const task of problem.tasks.keys()) {
    const start = placement.starts[task] ?? 0;
    for (const use of modeOf(problem, placement, task).uses) {
      const begin = use.since ?? start + use.from;
      const end = start + use.to;
      if (end > begin) spans[use.resource]?.push({ task, begin, end, amount: use.amount });
    }
  }
  return spans;
}

/** Every stretch in which more is wanted of a resource than there is, by resource and time. */
export function overloads(problem: JobShop, placement: Placement): readonly Overload[] {
  const found: Overload[] = [];
  for (const [resource, spans] of spansOf(problem, placement).entries()) {
    const capacity = problem.resources[resource]?.capacity ?? 0;
    const moments = [...new Set(spans.flatMap((s) => [s.begin, s.end]))].sort((a, b) => a - b);
    let open: { at: number; wanted: number; tasks: Set<number> } | null = null;
    for (const at of moments) {
      const here = spans.filter((s) => s.begin <= at && s.end > at);
      const wanted = here.reduce((sum, s) => sum + s.amount, 0);
      if (wanted > capacity) {
        open ??= { at, wanted, tasks: new Set() };
        open.wanted = Math.max(open.wanted, wanted);
        for (const s of here) open.tasks.add(s.task);
      } else if (open) {
        found.push({ resource, at: open.at, until: at, wanted: open.wanted, tasks: [...open.tasks] });
        open = null;
      }
    }
  }
  return found;
}

/** True when nothing is wanted that is not there, and order and bounds are kept. */
export function holds(problem: JobShop, placement: Placement): boolean {
  const start = (i: number): number => placement.starts[i] ?? Number.NaN;
  return (
    problem.tasks.every((t, i) => {
      const { latest = NEVER } = modeOf(problem, placement, i);
      return start(i) >= t.earliest && start(i) <= Math.min(t.latest, latest);
    }) &&
    problem.precedences.every(
      (p) => start(p.after) >= start(p.before) + modeOf(problem, placement, p.before).duration + p.gap,
    ) &&
    overloads(problem, placement).length === 0
  );
}
