import highsLoader from 'highs';
import { seeded } from '../src/core/maths/random';
import { earliestDueFirst, improved } from '../src/core/schedule/dispatch';
import { holds, type JobShop, type Mode, type Task, valuesOf } from '../src/core/schedule/problem';
import { scheduled } from '../src/core/schedule/schedule';
import { JOB_SHOPS, jobShop } from './jobShops';

/** The published optimum of each, and that nothing is under it. */
describe('classical job shops', () => {
  test.each(['FT06', 'LA01', 'LA05'] as const)('%s: the published optimum is found and proven', (name) => {
    const { jobs, optimum } = JOB_SHOPS[name];
    const problem = jobShop(jobs);
    const found = scheduled(problem);
    expect(found.proven).toBe(true);
    expect(found.values).toEqual([optimum]);
    expect(found.bounds).toEqual([optimum]);
    if (found.placement) expect(holds(problem, found.placement)).toBe(true);
  });

  test('FT10 stayed open for a quarter of a century: what is found in a few seconds is better than by due date, and 930 lies between it and the bound', () => {
    const { jobs, optimum } = JOB_SHOPS.FT10;
    const problem = jobShop(jobs);
    const found = scheduled(problem, (p) => p.nodes >= 500, { tries: 800 });
    const [value = 0] = found.values;
    const [bound = 0] = found.bounds;
    expect(value).toBeGreaterThanOrEqual(optimum);
    const due = earliestDueFirst(problem);
    expect(value).toBeLessThan(due ? (valuesOf(problem, due)[0] ?? 0) : 0);
    // What the longest job takes, and no less.
    expect(bound).toBeGreaterThan(655);
    expect(bound).toBeLessThanOrEqual(optimum);
    if (found.placement) expect(holds(problem, found.placement)).toBe(true);
  });

  test('earliest due date first, the lower rung, is never better than the search, and mostly worse', () => {
    const worth = (name: 'FT06' | 'LA01' | 'LA05') => {
      const problem = jobShop(JOB_SHOPS[name].jobs);
      const due = earliestDueFirst(problem);
      return due ? (valuesOf(problem, due)[0] ?? 0) / JOB_SHOPS[name].optimum : 0;
    };
    const over = (['FT06', 'LA01', 'LA05'] as const).map(worth);
    expect(Math.min(...over)).toBeGreaterThanOrEqual(1);
    expect(over.filter((o) => o > 1.05).length).toBeGreaterThanOrEqual(2);
  });
});

/** A kitchen’s worth of soups: two rings, each its own time on either, hands at both ends, something washed up. */
function soups(seed: number): JobShop {
  const random = seeded(seed);
  const whole = (low: number, high: number) => low + Math.floor(random() * (high - low + 1));
  const tasks = Array.from({ length: 5 }, (_, i): Task => {
    // The two that share a pot an hour apart.
    const due = i === 1 ? whole(8, 12) : whole(0, 2);
    const modes = [0, 1].map((ring): Mode => {
      const duration = whole(4, 7);
      return {
        id: `${ring}`,
        duration,
        uses: [
          { resource: ring, amount: 1, from: 0, to: duration },
          { resource: 2, amount: 1, from: 0, to: 2 },
          { resource: 2, amount: 1, from: duration - 1, to: duration },
          ...(i < 2 ? [{ resource: 3, amount: 1, from: 0, to: duration, since: due - 1 }] : []),
        ],
      };
    });
    return { id: `${i}`, earliest: due, latest: 22, modes: modes as unknown as Task['modes'] };
  });
  return {
    tasks,
    resources: [1, 1, 2, 1].map((capacity, i) => ({ id: `${i}`, capacity })),
    precedences: [{ before: 3, after: 4, gap: 1 }],
    goals: [
      {
        kind: 'sum',
        terms: tasks.map((t, task) => ({
          task,
          weight: 1 + (task % 2),
          after: t.earliest,
          of: 'start' as const,
        })),
      },
    ],
  };
}

/** The same as a mixed-integer program, a column for each task, mode and start (Pritsker, Watters & Wolfe 1969, from memory). */
function asProgram({ tasks, resources, precedences, goals }: JobShop): string {
  const columns = tasks.flatMap((t, i) =>
    t.modes.flatMap((m, k) =>
      Array.from({ length: t.latest - t.earliest + 1 }, (_, s) => ({
        name: `x${i}_${k}_${t.earliest + s}`,
        task: i,
        mode: m,
        start: t.earliest + s,
      })),
    ),
  );
  const [goal] = goals;
  if (goal.kind !== 'sum') throw new RangeError('a sum');
  const cost = (c: (typeof columns)[number]) =>
    goal.terms.reduce(
      (sum, t) => (t.task === c.task ? sum + t.weight * Math.max(0, c.start - t.after) : sum),
      0,
    );
  const sum = (of: readonly (readonly [number, string])[]) =>
    of.map(([f, name]) => `${f < 0 ? '-' : '+'} ${Math.abs(f)} ${name}`).join(' ');
  const rows = [
    ...tasks.map((_, i) => `${sum(columns.filter((c) => c.task === i).map((c) => [1, c.name]))} = 1`),
    ...precedences.map(
      (p) =>
        `${sum([
          ...columns.filter((c) => c.task === p.after && c.start > 0).map((c) => [c.start, c.name] as const),
          ...columns
            .filter((c) => c.task === p.before)
            .map((c) => [-(c.start + c.mode.duration), c.name] as const),
        ])} >= ${p.gap}`,
    ),
    ...resources.flatMap((r, n) =>
      Array.from({ length: 40 }, (_, m) => {
        const at = m - 2;
        const taken = columns.filter((c) =>
          c.mode.uses.some(
            (u) => u.resource === n && (u.since ?? c.start + u.from) <= at && c.start + u.to > at,
          ),
        );
        return taken.length > 1 ? `${sum(taken.map((c) => [1, c.name]))} <= ${r.capacity}` : '';
      }).filter(Boolean),
    ),
  ];
  return `Minimize\n obj: ${sum(columns.map((c) => [cost(c), c.name]))}\nSubject To\n${rows
    .map((row, i) => ` r${i}: ${row}`)
    .join('\n')}\nBinary\n${columns.map((c) => ` ${c.name}`).join('\n')}\nEnd`;
}

test('soups on rings come to what HiGHS, a mixed-integer solver, makes of the same', async () => {
  const highs = await highsLoader();
  const compared = [1, 2, 3, 4, 5, 6, 7, 8].map((seed) => {
    const problem = soups(seed);
    const theirs = highs.solve(asProgram(problem));
    const ours = scheduled(problem);
    expect(ours.proven).toBe(true);
    return [ours.values[0] ?? null, theirs.Status === 'Optimal' ? Math.round(theirs.ObjectiveValue) : null];
  });
  for (const [ours, theirs] of compared) expect(ours).toBe(theirs);
  // Some of each: held for a while, and not to be done.
  expect(compared.filter(([v]) => (v ?? 0) > 0).length).toBeGreaterThanOrEqual(3);
});

test('a few orders tried are never better than the search', () => {
  for (const seed of [1, 2, 3, 4]) {
    const problem = soups(seed);
    const quick = improved(problem, 60);
    const best = scheduled(problem).values[0] ?? Number.POSITIVE_INFINITY;
    if (quick) expect(valuesOf(problem, quick)[0]).toBeGreaterThanOrEqual(best);
  }
});
