import fc from 'fast-check';
import { earliestDueFirst, improved, inOrder } from './dispatch';
import {
  holds,
  type JobShop,
  type Mode,
  NEVER,
  type Objective,
  type Placement,
  type Task,
  valuesOf,
} from './problem';
import { feasible, schedule, scheduled } from './schedule';
import { search } from './search';
import { edgeFind } from './unary';

const HORIZON = 9;

/** Every placement there is, the best first goal counted first; null where none holds. */
function byEnumeration(problem: JobShop): readonly number[] | null {
  let best: readonly number[] | null = null;
  const starts: number[] = [];
  const modes: number[] = [];
  const go = (i: number): void => {
    const task = problem.tasks[i];
    if (!task) {
      const placement: Placement = { starts: [...starts], modes: [...modes] };
      if (!holds(problem, placement)) return;
      const values = valuesOf(problem, placement);
      const at = values.findIndex((v, g) => v !== best?.[g]);
      if (!best || (at !== -1 && (values[at] ?? 0) < (best[at] ?? 0))) best = values;
      return;
    }
    for (const m of task.modes.keys())
      for (let s = task.earliest; s <= task.latest; s++) {
        starts[i] = s;
        modes[i] = m;
        go(i + 1);
      }
  };
  go(0);
  return best;
}

const modeFrom = (durations: number, resources: number) =>
  fc
    .record({
      duration: fc.integer({ min: 1, max: durations }),
      uses: fc.array(
        fc.record({
          resource: fc.integer({ min: 0, max: resources - 1 }),
          from: fc.integer({ min: 0, max: 2 }),
          length: fc.integer({ min: 1, max: 2 }),
          since: fc.option(fc.integer({ min: 0, max: 5 }), { nil: undefined, freq: 2 }),
        }),
        { minLength: 1, maxLength: 2 },
      ),
    })
    .map(
      ({ duration, uses }): Mode => ({
        id: '',
        duration,
        uses: uses.flatMap(({ resource, from, length, since }, n) => {
          const to = Math.min(duration, from + length);
          // A task never stands in its own way.
          const twice = uses.findIndex((u) => u.resource === resource) !== n;
          if (to <= from || twice) return [];
          return [{ resource, amount: 1, from, to, ...(since !== undefined && { since }) }];
        }),
      }),
    );

const goalFor = (tasks: number): fc.Arbitrary<Objective> =>
  fc.oneof(
    fc.constant<Objective>({ kind: 'makespan' }),
    fc
      .array(
        fc.record({
          task: fc.integer({ min: 0, max: tasks - 1 }),
          weight: fc.integer({ min: 1, max: 3 }),
          after: fc.integer({ min: 0, max: 4 }),
          of: fc.constantFrom('start' as const, 'end' as const),
        }),
        { minLength: 1, maxLength: 4 },
      )
      .map((terms): Objective => ({ kind: 'sum', terms })),
  );

const problems: fc.Arbitrary<JobShop> = fc.integer({ min: 2, max: 4 }).chain((size) =>
  fc
    .record({
      tasks: fc.array(
        fc.record({
          earliest: fc.integer({ min: 0, max: 2 }),
          latest: fc.integer({ min: 2, max: size === 4 ? 5 : HORIZON - 2 }),
          modes: fc.array(modeFrom(3, 2), { minLength: 1, maxLength: size === 4 ? 1 : 2 }),
        }),
        { minLength: size, maxLength: size },
      ),
      capacities: fc.tuple(fc.integer({ min: 1, max: 2 }), fc.integer({ min: 1, max: 2 })),
      after: fc.array(fc.boolean(), { minLength: size, maxLength: size }),
      gap: fc.integer({ min: 0, max: 1 }),
      goals: fc.tuple(goalFor(size), goalFor(size)),
    })
    .map(({ tasks, capacities, after, gap, goals }) => ({
      tasks: tasks.map((t, i) => ({ id: `${i}`, ...t, modes: t.modes as unknown as Task['modes'] })),
      resources: capacities.map((capacity, i) => ({ id: `${i}`, capacity })),
      precedences: after.flatMap((yes, i) => (yes && i > 0 ? [{ before: i - 1, after: i, gap }] : [])),
      goals,
    })),
);

describe('schedule', () => {
  test('finds what every placement tried finds, goal after goal, and none where there is none', () => {
    fc.assert(
      fc.property(problems, (problem) => {
        const known = byEnumeration(problem);
        const found = scheduled(problem);
        expect(found.proven).toBe(true);
        expect(found.placement ? found.values : null).toEqual(known);
        if (found.placement) expect(holds(problem, found.placement)).toBe(true);
        if (found.placement) expect(found.bounds).toEqual(found.values);
        expect(feasible(problem, 1e6)).toBe(known !== null);
      }),
      { numRuns: 400, seed: 3 },
    );
  }, 120_000);

  test('the search alone, with nothing to begin from, finds the same for the first goal', () => {
    fc.assert(
      fc.property(problems, (problem) => {
        const run = search(
          problem,
          0,
          problem.goals.map(() => NEVER),
          null,
        );
        let step = run.next();
        while (!step.done) step = run.next();
        const known = byEnumeration(problem);
        expect(step.value.placement ? step.value.value : null).toBe(known ? known[0] : null);
      }),
      { numRuns: 400, seed: 11 },
    );
  }, 60_000);

  test('an order put down task by task holds whenever it is put down', () => {
    fc.assert(
      fc.property(problems, (problem) => {
        const placed = improved(problem, 10);
        if (placed) expect(holds(problem, placed)).toBe(true);
        const due = earliestDueFirst(problem);
        if (due) expect(holds(problem, due)).toBe(true);
      }),
      { numRuns: 300, seed: 5 },
    );
  });

  const two: JobShop = {
    tasks: [
      {
        id: 'a',
        earliest: 0,
        latest: 20,
        modes: [{ id: '', duration: 5, uses: [{ resource: 0, amount: 1, from: 0, to: 5 }] }],
      },
      {
        id: 'b',
        earliest: 0,
        latest: 20,
        modes: [{ id: '', duration: 5, uses: [{ resource: 0, amount: 1, from: 0, to: 5 }] }],
      },
    ],
    resources: [{ id: 'ring', capacity: 1 }],
    precedences: [],
    goals: [{ kind: 'makespan' }],
  };

  test('one that was told it has had time enough stands with its bound', () => {
    const run = schedule(two, { tries: 1 });
    run.next();
    const step = run.next(true);
    expect(step.done).toBe(true);
    expect(step.value).toMatchObject({ proven: false, values: [10], bounds: [0] });
  });

  test('a limit on a goal is kept, and refused where it cannot be', () => {
    expect(scheduled(two, undefined, { limits: [10] }).values).toEqual([10]);
    expect(scheduled(two, undefined, { limits: [9] })).toMatchObject({ placement: null, proven: true });
  });

  test('a thing taken since a set moment keeps whoever comes before it from being late', () => {
    const pot = (since?: number): Mode => ({
      id: '',
      duration: 4,
      uses: [{ resource: 0, amount: 1, from: 0, to: 4, ...(since !== undefined && { since }) }],
    });
    const problem = (since: number): JobShop => ({
      ...two,
      tasks: [
        { id: 'stands', earliest: 8, latest: 8, modes: [pot(since)] },
        { id: 'other', earliest: 0, latest: 6, modes: [pot()] },
      ],
    });
    expect(scheduled(problem(4)).values).toEqual([12]);
    expect(scheduled(problem(3))).toMatchObject({ placement: null, proven: true });
  });

  test('says which task fits nowhere in an order', () => {
    const late = { ...two, tasks: two.tasks.map((t) => ({ ...t, latest: 4 })) };
    expect(inOrder(late, [1, 0])).toEqual({ stuck: 0 });
  });

  test('more modes than bits in a word are all looked at', () => {
    const modes = Array.from(
      { length: 45 },
      (_, i): Mode => ({
        id: `${i}`,
        duration: i === 44 ? 1 : 7,
        uses: [{ resource: 0, amount: 1, from: 0, to: i === 44 ? 1 : 7 }],
      }),
    );
    const problem = {
      ...two,
      tasks: two.tasks.map((t) => ({ ...t, modes: modes as unknown as Task['modes'] })),
    };
    expect(scheduled(problem)).toMatchObject({ values: [2], proven: true });
  });
});

describe('edgeFind', () => {
  test('an interval that no longer fits before two others comes after them', () => {
    // Of three, two have to be done by 7; the third, released at 0, cannot be among them.
    const release = Int32Array.from([0, 1, 0]);
    const done = edgeFind({
      size: 3,
      release,
      deadline: Int32Array.from([7, 7, 20]),
      length: Int32Array.from([3, 3, 4]),
    });
    expect(done).toBe(true);
    expect([...release]).toEqual([0, 1, 6]);
  });

  test('three that want ten units in nine cannot all be done', () => {
    const of = { size: 3, release: Int32Array.from([0, 0, 0]), length: Int32Array.from([3, 3, 4]) };
    expect(edgeFind({ ...of, deadline: Int32Array.from([9, 9, 9]) })).toBe(false);
    expect(
      edgeFind({ ...of, release: Int32Array.from([0, 0, 0]), deadline: Int32Array.from([10, 10, 10]) }),
    ).toBe(true);
  });
});
