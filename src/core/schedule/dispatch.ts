import { seeded } from '../maths/random';
import { type JobShop, type Mode, NEVER, type Placement, valuesOf } from './problem';

type Span = { readonly begin: number; readonly end: number; readonly amount: number };

/** The earliest start from `from` on at which what `mode` takes is free; {@link NEVER} where there is none up to `latest`. */
function earliestFit(
  problem: JobShop,
  taken: readonly (readonly Span[])[],
  mode: Mode,
  from: number,
  latest: number,
): number {
  let start = from;
  for (let moved = true; moved; ) {
    moved = false;
    if (start > latest) return NEVER;
    for (const use of mode.uses) {
      const begin = use.since ?? start + use.from;
      const end = start + use.to;
      if (end <= begin) continue;
      const room = (problem.resources[use.resource]?.capacity ?? 0) - use.amount;
      if (room < 0) return NEVER;
      const near = (taken[use.resource] ?? []).filter((s) => s.begin < end && s.end > begin);
      if (near.length === 0) continue;
      // Where too much is wanted, it begins with one of them or with this.
      for (const at of [begin, ...near.map((s) => s.begin)]) {
        if (at < begin) continue;
        const here = near.filter((s) => s.begin <= at && s.end > at);
        if (here.reduce((sum, s) => sum + s.amount, 0) <= room) continue;
        if (use.since !== undefined) return NEVER;
        start = Math.max(start + 1, Math.min(...here.map((s) => s.end)) - use.from);
        moved = true;
        break;
      }
      if (moved) break;
    }
  }
  return start;
}

/** What a task adds to the goals with this start and end; to compare, the earlier first. */
function adds(problem: JobShop, task: number, start: number, end: number): readonly number[] {
  return problem.goals.map((goal) =>
    goal.kind === 'makespan'
      ? end
      : goal.terms.reduce(
          (sum, t) =>
            t.task === task ? sum + t.weight * Math.max(0, (t.of === 'start' ? start : end) - t.after) : sum,
          0,
        ),
  );
}

function less(a: readonly number[], b: readonly number[]): boolean {
  for (const [i, v] of a.entries()) if (v !== b[i]) return v < (b[i] ?? 0);
  return false;
}

/** Tasks put down one after the other in `order`, each where it costs least. `stuck` is the first that fits nowhere. */
export function inOrder(
  problem: JobShop,
  order: readonly number[],
): { readonly placement: Placement } | { readonly stuck: number } {
  const { tasks, precedences } = problem;
  const taken: Span[][] = problem.resources.map(() => []);
  const starts = tasks.map(() => 0);
  const modes = tasks.map(() => 0);
  const ends = tasks.map(() => Number.NaN);
  const left = [...order];
  while (left.length > 0) {
    const at = left.findIndex((i) =>
      precedences.every((p) => p.after !== i || !Number.isNaN(ends[p.before] as number)),
    );
    if (at === -1) throw new RangeError('each of the tasks left waits for another');
    const [i] = left.splice(at, 1) as [number];
    const task = tasks[i];
    if (!task) throw new RangeError(`there is no task ${i}`);
    const from = precedences.reduce(
      (most, p) => (p.after === i ? Math.max(most, (ends[p.before] as number) + p.gap) : most),
      task.earliest,
    );
    let best: { start: number; mode: number; costs: readonly number[] } | null = null;
    for (const [m, mode] of task.modes.entries()) {
      const start = earliestFit(problem, taken, mode, from, Math.min(task.latest, mode.latest ?? NEVER));
      if (start === NEVER) continue;
      const costs = [...adds(problem, i, start, start + mode.duration), start + mode.duration];
      if (!best || less(costs, best.costs)) best = { start, mode: m, costs };
    }
    if (!best) return { stuck: i };
    starts[i] = best.start;
    modes[i] = best.mode;
    ends[i] = best.start + (task.modes[best.mode] as Mode).duration;
    for (const use of (task.modes[best.mode] as Mode).uses) {
      const begin = use.since ?? best.start + use.from;
      const end = best.start + use.to;
      if (end > begin) taken[use.resource]?.push({ begin, end, amount: use.amount });
    }
  }
  return { placement: { starts, modes } };
}

/** Orders a foreman would try: what is due first, what may wait least, what takes longest, what has most after it. */
export function rules(problem: JobShop): readonly (readonly number[])[] {
  const { tasks, precedences, goals } = problem;
  const all = tasks.map((_, i) => i);
  const after = new Map<number, number[]>();
  for (const p of precedences) after.set(p.before, [...(after.get(p.before) ?? []), p.after]);
  const takes = (i: number) => Math.min(...(tasks[i]?.modes ?? []).map((m) => m.duration));
  const tail = new Map<number, number>();
  const tailOf = (i: number): number => {
    const known = tail.get(i);
    if (known !== undefined) return known;
    const t = takes(i) + Math.max(0, ...(after.get(i) ?? []).map(tailOf));
    tail.set(i, t);
    return t;
  };
  const first = goals[0];
  const due = (i: number): number =>
    first.kind === 'sum'
      ? (first.terms.find((t) => t.task === i)?.after ?? NEVER)
      : (tasks[i]?.latest ?? NEVER);
  const by = (key: (i: number) => number) => all.toSorted((a, b) => key(a) - key(b) || a - b);
  return [
    by(due),
    by((i) => tasks[i]?.latest ?? NEVER),
    by((i) => -tailOf(i)),
    by((i) => -takes(i)),
    by((i) => due(i) - tailOf(i)),
  ];
}

/** Earliest due first, whatever else: what anybody would do with a list and no time to think. */
export function earliestDueFirst(problem: JobShop): Placement | null {
  const placed = inOrder(problem, rules(problem)[0] ?? []);
  return 'placement' in placed ? placed.placement : null;
}

/**
 * Orders changed a little, over and over, as long as nothing gets worse; one that fits nowhere goes first the next
 * time. `tries` orders are tried; the same `seed` tries the same.
 */
export function improved(problem: JobShop, tries: number, seed = 7): Placement | null {
  const random = seeded(seed);
  const pick = (below: number) => Math.floor(random() * below);
  let best: Placement | null = null;
  let values: readonly number[] = [];
  let order: readonly number[] = [];
  const take = (next: readonly number[]): number | null => {
    const placed = inOrder(problem, next);
    if ('stuck' in placed) return placed.stuck;
    const worths = valuesOf(problem, placed.placement);
    if (!best || !less(values, worths)) {
      if (!best || less(worths, values)) best = placed.placement;
      values = worths;
      order = next;
    }
    return null;
  };
  let stuck: number | null = null;
  for (const rule of rules(problem)) {
    if (order.length === 0) order = rule;
    const s = take(rule);
    if (s !== null) stuck = s;
  }
  for (let n = 0; n < tries && problem.tasks.length > 1; n++) {
    const next = [...order];
    if (stuck !== null && !best) {
      next.splice(next.indexOf(stuck), 1);
      next.splice(pick(Math.max(1, next.length >> 1)) * (n % 2), 0, stuck);
    } else {
      const [task] = next.splice(pick(next.length), 1) as [number];
      next.splice(pick(next.length + 1), 0, task);
    }
    if (!best) order = next;
    const s = take(next);
    if (s !== null) stuck = s;
  }
  return best;
}
