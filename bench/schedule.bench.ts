import { JOB_SHOPS, jobShop } from '../checks/jobShops';
import { demoHouse, demoIds, demoRecipe } from '../demo/demo';
import { middleOf } from '../src/core/flow/bands';
import { earliestDueFirst } from '../src/core/schedule/dispatch';
import { valuesOf } from '../src/core/schedule/problem';
import { type Progress, schedule } from '../src/core/schedule/schedule';
import { arranged } from '../src/core/service/arrange/arrange';
import { jobsOf, standsFor } from '../src/core/service/arrange/jobs';
import { boardOf } from '../src/core/service/board';
import { Service } from '../src/core/service/schema';
import { Timetables } from '../src/core/service/timetables';
import { bar } from './kit/bar';

/** What a scheduling comes to, and when: the first answer, and each goal’s end. */
function watched(run: Generator<Progress, Progress, boolean | undefined>, most: number) {
  const began = performance.now();
  const since = () => performance.now() - began;
  let step = run.next();
  const first = since();
  while (!step.done) step = run.next(since() > most);
  return { ...step.value, first, took: since() };
}
const seconds = (ms: number) => `${(ms / 1000).toFixed(2)} s`;
const gap = (value: number, bound: number) =>
  value === bound
    ? 'proven'
    : `${(((value - bound) / Math.max(1, value)) * 100).toFixed(0)} % from its bound ${bound}`;

/** Ten soups on six burners, in eight pots, three pairs of hands, three times on the pass. */
const demo = demoHouse();
const twin = <T extends { id: string }>(of: readonly T[], id: string, as: string): T => ({
  ...(of.find((x) => x.id === id) as T),
  id: as,
});
const house = {
  ...demo,
  vessels: [
    ...demo.vessels,
    ...['b', 'c'].flatMap((n) => [
      twin(demo.vessels, 'middle-28', `middle-28-${n}`),
      twin(demo.vessels, 'tall-steel-36', `tall-steel-36-${n}`),
    ]),
  ],
  burners: [
    ...demo.burners,
    twin(demo.burners, 'front-left', 'back-left'),
    twin(demo.burners, 'front-right', 'back-right'),
  ],
};
const recipes = new Map(demoIds().map((id) => [id, demoRecipe(id)]));
const tables = new Timetables(house, recipes);
const ten = Service.parse({
  format: 'panache.service/1',
  id: '6f0f6f0e-5d1c-4c0e-9a53-0d2f7c1b9a0f',
  name: 'Ten soups',
  day: '2026-12-03',
  hands: 3,
  tools: { 'stick blender': 2, 'jug blender': 2, sieve: 1 },
  soups: demoIds().map((id, i) => ({
    id,
    order: {
      recipeId: id,
      target: Math.round(middleOf(recipes.get(id)?.band ?? 'Coating', house.kitchen.bandLimits)),
      vesselId: ['middle-28', 'tall-steel-36', 'middle-28-b'][i % 3],
      burnerId: 'front-left',
    },
    amount: { litres: 6 + (i % 3) * 2 },
    draws: [{ at: [705, 735, 780][i % 3], part: 1 }],
  })),
});
const here = { house, tables, live: {}, now: null };
const began = performance.now();
const { problem } = jobsOf(ten, here, (b) => standsFor(b, house));
const tabled = performance.now() - began;
const modes = problem.tasks.reduce((sum, t) => sum + (t.modes.length > 1 ? t.modes.length : 0), 0);
const [hold] = problem.goals;
const held = watched(schedule({ ...problem, goals: [hold] }), 5000);
bar(
  `ten soups on six burners, the first answer ÷ working out their ${modes} timetables`,
  held.first / tabled,
  { atMost: 0.5 },
  `${seconds(held.first)} and ${seconds(tabled)}`,
);
bar(
  'ten soups on six burners: minutes held hot above what cannot be less, share',
  ((held.values[0] ?? 0) - (held.bounds[0] ?? 0)) / Math.max(1, held.values[0] ?? 0),
  { atMost: 0.05 },
  `${held.values[0]} min in ${seconds(held.took)}`,
);
const due = earliestDueFirst(problem);
console.log(
  `earliest due first ÷ the search, min held hot: ${due ? `${valuesOf(problem, due)[0]} ÷ ${held.values[0]}` : 'earliest due first finds no way at all'}`,
);
let last = '';
let since = performance.now();
const all = arranged(ten, here, (s) => {
  if (s.at !== last) {
    last = s.at;
    since = performance.now();
  }
  return performance.now() - since > { tables: 1e6, held: 5000, hands: 2000, flame: 3000 }[s.at];
});
if (all.kind === 'arranged')
  console.log(
    `arranged as on the board: ${all.arranged.held} min held hot, ${all.arranged.hands} pairs of hands${all.arranged.handsProven ? ', proven' : ''}, flames ${gap(all.arranged.flame, all.arranged.flameBound)}`,
  );
const placed = all.kind === 'arranged' ? { ...ten, placed: { ...all.arranged.placed } } : ten;
const redrawn = performance.now();
for (let n = 0; n < 200; n++) boardOf(placed, here);
bar('the board laid out anew ÷ one frame (16.7 ms)', (performance.now() - redrawn) / 200 / 16.7, {
  atMost: 0.5,
});
for (const [name, { jobs, optimum }] of Object.entries(JOB_SHOPS)) {
  const of = watched(schedule(jobShop(jobs), { tries: name === 'FT10' ? 2000 : 60 }), 30_000);
  bar(
    `${name} ÷ its published optimum`,
    (of.values[0] ?? 0) / optimum,
    { atMost: name === 'FT10' ? 1.06 : 1 },
    `${of.values[0]} and ${optimum}, ${gap(of.values[0] ?? 0, of.bounds[0] ?? 0)}, ${seconds(of.took)}`,
  );
}
