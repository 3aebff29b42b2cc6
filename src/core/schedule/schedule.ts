import { improved } from './dispatch';
import { type JobShop, NEVER, type Placement, valuesOf } from './problem';
import { type Found, search } from './search';

/** How a scheduling stands: which goal is worked on, and what of each is known. */
export type Progress = {
  readonly goal: number;
  readonly placement: Placement | null;
  /** What each goal comes to in `placement`; empty while there is none. */
  readonly values: readonly number[];
  /** What no placement can be under, by goal: those of goals to come are 0. */
  readonly bounds: readonly number[];
  readonly nodes: number;
  /** True when nothing better can be: each goal proven, one after the other. */
  readonly proven: boolean;
  readonly done: boolean;
};

/** Orders tried before the search begins. */
const TRIES = 60;

export type Start = {
  /** Orders tried before the search; 60 unless said. */
  readonly tries?: number;
  /** What each goal may come to at most. */
  readonly limits?: readonly number[];
  /** A placement that holds, to begin with instead. */
  readonly from?: Placement;
};

/**
 * The best placement, goal after goal: a few good orders tried for a first answer, then a complete search for each goal that
 * keeps what those before it came to. Whoever asks says at each report whether that goal has had time enough
 * (`true`); what was found stands then, with the bound that shows how far from the best it may be. No placement at the
 * end, and proven, means that there is none.
 */
export function* schedule(
  problem: JobShop,
  { tries = TRIES, limits: asked = [], from }: Start = {},
): Generator<Progress, Progress, boolean | undefined> {
  const limits: number[] = problem.goals.map((_, g) => asked[g] ?? NEVER);
  const within = (p: Placement | null): Placement | null =>
    p && valuesOf(problem, p).every((v, g) => v <= (limits[g] ?? NEVER)) ? p : null;
  let placement = from ?? within(improved(problem, tries));
  const bounds: number[] = problem.goals.map(() => 0);
  let proven = true;
  let nodes = 0;
  const report = (goal: number, done: boolean): Progress => ({
    goal,
    placement,
    values: placement ? valuesOf(problem, placement) : [],
    bounds: [...bounds],
    nodes,
    proven: done && proven,
    done,
  });
  for (const goal of problem.goals.keys()) {
    let enough = (yield report(goal, false)) === true;
    const known = placement ? valuesOf(problem, placement)[goal] : undefined;
    const run = search(problem, goal, limits, placement, known);
    let last: Found | undefined;
    while (!enough) {
      const step = run.next();
      last = step.value;
      placement = last.placement;
      bounds[goal] = Math.min(last.bound, last.value);
      if (step.done) break;
      enough = (yield { ...report(goal, false), nodes: nodes + last.nodes }) === true;
    }
    nodes += last?.nodes ?? 0;
    if (!last?.done) proven = false;
    if (!placement) break;
    limits[goal] = valuesOf(problem, placement)[goal] ?? NEVER;
  }
  return report(problem.goals.length - 1, true);
}

/** Runs it to its end, or until `enough` says of a report that its goal has had time enough. */
export function scheduled(
  problem: JobShop,
  enough: (p: Progress) => boolean = () => false,
  start: Start = {},
): Progress {
  const run = schedule(problem, start);
  let step = run.next();
  while (!step.done) step = run.next(enough(step.value));
  return step.value;
}

/** Whether it can be done at all, looking at so many nodes at most; null when that was not enough to tell. */
export function feasible(problem: JobShop, most = 400): boolean | null {
  const { placement, proven } = scheduled(problem, (p) => p.placement !== null || p.nodes > most);
  return placement ? true : proven ? false : null;
}
