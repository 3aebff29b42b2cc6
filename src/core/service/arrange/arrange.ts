import type { JobShop, Placement } from '../../schedule/problem';
import { type Progress, schedule } from '../../schedule/schedule';
import { type BoardPlace, batchesOf, orderOf, type Service, type ServiceBatch } from '../service';
import { type Here, jobsOf, placesOf, type ServiceJobs, standsFor } from './jobs';

/** How an arranging stands. */
export type Arranging =
  /** Working out how long each takes where it might stand. */
  | { readonly at: 'tables'; readonly done: number; readonly of: number }
  /** Looking for less time held hot, for fewer hands, for a later flame. */
  | { readonly at: 'held' | 'hands' | 'flame'; readonly held: number | null; readonly bound: number };

/** A service arranged: nothing late, then least held hot, then fewest hands, then the latest flame. */
type Arranged = {
  readonly placed: Readonly<Record<string, BoardPlace>>;
  /** Minutes held hot, all soups together, and what no arrangement can be under. */
  readonly held: number;
  readonly heldBound: number;
  /** Pairs of hands at once. */
  readonly hands: number;
  /** True when fewer are proven not to do. */
  readonly handsProven: boolean;
  /** Minutes from each flame, and weighing, to the last pass, together: less is later. */
  readonly flame: number;
  readonly flameBound: number;
  readonly proven: boolean;
};

export type Outcome =
  | { readonly kind: 'arranged'; readonly arranged: Arranged }
  /** Proven, or not found in the time there was. */
  | { readonly kind: 'cannot'; readonly proven: boolean; readonly nowhere: readonly ServiceBatch[] };

/** Works out every timetable an arranging may need, yielding after each. */
export function* timetables(service: Service, here: Here): Generator<Arranging> {
  const wanted = batchesOf(service)
    .filter((b) => !here.live[b.key])
    .flatMap((b) =>
      (service.placed[b.key]?.pinned ? [] : standsFor(b, here.house)).map((s) => orderOf(b, s)),
    );
  for (const [done, order] of wanted.entries()) {
    here.tables.of(order);
    yield { at: 'tables', done: done + 1, of: wanted.length };
  }
}

const withHands = (problem: JobShop, capacity: number): JobShop => ({
  ...problem,
  resources: problem.resources.map((r) => (r.id === 'hands' ? { ...r, capacity } : r)),
});

/** The pairs of hands wanted at once in a placement. */
function handsWanted({ problem }: Pick<ServiceJobs, 'problem'>, placement: Placement): number {
  const hands = problem.resources.findIndex((r) => r.id === 'hands');
  const moments: [number, number][] = problem.tasks.flatMap((task, i) =>
    (task.modes[placement.modes[i] ?? 0]?.uses ?? []).flatMap((u): [number, number][] =>
      u.resource === hands
        ? [
            [(placement.starts[i] ?? 0) + u.from, u.amount],
            [(placement.starts[i] ?? 0) + u.to, -u.amount],
          ]
        : [],
    ),
  );
  moments.sort((a, b) => a[0] - b[0] || a[1] - b[1]);
  let now = 0;
  let most = 0;
  for (const [, by] of moments) {
    now += by;
    most = Math.max(most, now);
  }
  return most;
}

/**
 * Arranges a service. At each report the caller says whether that part has had time enough; what was found stands
 * then, with the bounds that show how far from the best it may be.
 */
export function* arrange(service: Service, here: Here): Generator<Arranging, Outcome, boolean | undefined> {
  for (const state of timetables(service, here)) if ((yield state) === true) break;
  const jobs = jobsOf(service, here, (b) => standsFor(b, here.house));
  if (jobs.nowhere.length > 0) return { kind: 'cannot', proven: true, nowhere: jobs.nowhere };
  const { problem } = jobs;
  const first: JobShop = { ...problem, goals: [problem.goals[0]] };
  let step = yield* reported(schedule(first), 'held');
  if (!step.placement) return { kind: 'cannot', proven: step.proven, nowhere: [] };
  const held = step.values[0] ?? 0;
  const heldBound = step.bounds[0] ?? 0;
  let { proven } = step;
  let placement = step.placement;
  let hands = handsWanted(jobs, placement);
  let handsProven = false;
  while (hands > 1) {
    step = yield* reported(schedule(withHands(first, hands - 1), { limits: [held] }), 'hands', true);
    if (!step.placement) {
      handsProven = step.proven;
      break;
    }
    placement = step.placement;
    hands = handsWanted(jobs, placement);
  }
  proven &&= handsProven || hands <= 1;
  const flame = problem.goals[1];
  step = flame
    ? yield* reported(
        schedule(
          { ...withHands(problem, hands), goals: [flame, problem.goals[0]] },
          {
            limits: [1e9, held],
            from: placement,
          },
        ),
        'flame',
      )
    : step;
  placement = step.placement ?? placement;
  return {
    kind: 'arranged',
    arranged: {
      placed: placesOf(jobs, placement),
      held,
      heldBound,
      hands,
      handsProven: handsProven || hands <= 1,
      flame: step.values[0] ?? 0,
      flameBound: step.bounds[0] ?? 0,
      proven: proven && step.proven,
    },
  };
}

/** A scheduling told on as an arranging; `one` is content with the first placement. */
function* reported(
  run: Generator<Progress, Progress, boolean | undefined>,
  at: 'held' | 'hands' | 'flame',
  one = false,
): Generator<Arranging, Progress, boolean | undefined> {
  let step = run.next();
  while (!step.done) {
    const { placement, values, bounds } = step.value;
    if (one && placement) return step.value;
    const enough = yield { at, held: values[0] ?? null, bound: bounds[0] ?? 0 };
    step = run.next(enough);
  }
  return step.value;
}

/** Arranges to the end, or until `enough`. */
export function arranged(
  service: Service,
  here: Here,
  enough: (a: Arranging) => boolean = () => false,
): Outcome {
  const run = arrange(service, here);
  let step = run.next();
  while (!step.done) step = run.next(enough(step.value));
  return step.value;
}
