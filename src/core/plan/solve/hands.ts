import { ROWS } from '../../pot/kinds/rows';
import { pansOf } from '../../pot/pans/together';
import type { Step } from '../../pot/step';
import type { Recipe } from '../../recipe/recipe';

/** A step as it is put into its place in time: which pans it is done with, how long it takes, whether somebody stands at it. */
export type HandTask = {
  readonly pans: readonly string[];
  readonly seconds: number;
  readonly attended: boolean;
};

/** A step as a task of so many seconds. */
export const taskOf = (step: Step, seconds: number): HandTask => ({
  pans: pansOf(step),
  seconds: Math.max(1, seconds),
  attended: ROWS[step.kind].attended,
});

/** What keeps the hands, in seconds counted back from the pass. */
type Busy = { readonly from: number; readonly to: number };

/** The first moment at or after `from`, counted back, from which the hands have `length` s to themselves. */
function freeFrom(busy: readonly Busy[], from: number, length: number): number {
  const clash = busy.find((b) => b.from < from + length - 1e-9 && b.to > from + 1e-9);
  return clash ? freeFrom(busy, clash.to, length) : from;
}

/**
 * When each of `tasks`, in an order they can be done in, is best begun by one pair of hands: s from the start. Each as late as
 * what comes after it in its pans allows, so that nothing stands and waits longer than it must; the longest chain first.
 * Counted back from the end, the hands at one thing at a time.
 */
export function justInTime(tasks: readonly HandTask[]): readonly number[] {
  const next = tasks.map((t, n) =>
    t.pans.flatMap((p) => {
      const later = tasks.findIndex((o, m) => m > n && o.pans.includes(p));
      return later === -1 ? [] : [later];
    }),
  );
  const chain: number[] = [];
  for (const [n, t] of tasks.entries()) {
    const before = tasks.slice(0, n).flatMap((_, m) => (next[m]?.includes(n) ? [chain[m] ?? 0] : []));
    chain[n] = t.seconds + Math.max(0, ...before);
  }
  const busy: Busy[] = [];
  const begun = new Map<number, number>();
  while (begun.size < tasks.length) {
    const open = tasks.flatMap((_, n) => (!begun.has(n) && next[n]?.every((m) => begun.has(m)) ? [n] : []));
    const n = open.reduce((best, k) => ((chain[k] ?? 0) > (chain[best] ?? 0) ? k : best));
    const task = tasks[n] as HandTask;
    const from = Math.max(0, ...(next[n] ?? []).map((m) => begun.get(m) ?? 0));
    const at = task.attended ? freeFrom(busy, from, task.seconds) : from;
    if (task.attended) busy.push({ from: at, to: at + task.seconds });
    begun.set(n, at + task.seconds);
  }
  const whole = Math.max(0, ...begun.values());
  return tasks.map((_, n) => whole - (begun.get(n) ?? 0));
}

/** The recipe with its steps in the order one pair of hands does them in, `tasks` being its steps as they stand. */
export function inOrder(recipe: Recipe, tasks: readonly HandTask[]): Recipe {
  const at = justInTime(tasks);
  const order = [...recipe.steps.keys()].sort((a, b) => (at[a] ?? 0) - (at[b] ?? 0) || a - b);
  const begins: Record<string, number> = {};
  for (const n of order) for (const pan of tasks[n]?.pans ?? []) begins[pan] ??= at[n] ?? 0;
  return { ...recipe, begins, steps: order.flatMap((n) => recipe.steps[n] ?? []) };
}
