import { demoHouse, demoRecipe } from '../../../../demo/demo';
import { planFor } from '../../plan/plan';
import { advance } from '../../pot/advance';
import { emptyPot } from '../../pot/pot';
import type { Step } from '../../pot/step';
import { watchFor } from './watch';

const { kitchen, vessels, burners } = demoHouse();
const pot = emptyPot(vessels[1]!, burners[0]!);
const cooked = (...steps: Step[]) => steps.reduce((p, s) => advance(p, s, kitchen).pot, pot);
const carrots: Step = {
  kind: 'add',
  items: [
    { ingredient: 'carrot', amount: 600, cut: { shape: 'cube', edgeMm: 12 } },
    { ingredient: 'leek', amount: 300, cut: { shape: 'slab', edgeMm: 5 } },
    { ingredient: 'crab-shells', amount: 500 },
    { ingredient: 'water', amount: 3000 },
  ],
};
const boil: Step = { kind: 'bring-to', to: 'simmer', flame: 1, lid: 'on' };
const simmer = (minutes: number): Step => ({ kind: 'simmer', minutes, lid: 'on' });

test('at the simmer each kind of piece is watched, the hardest first, and the minutes it is told come true', () => {
  const now = cooked(carrots, boil, simmer(5));
  const watch = watchFor(simmer(30), now, now, null, kitchen);
  if (watch?.kind !== 'pieces') throw new Error('no pieces');
  // Shells are strained off: nobody waits for them.
  expect(watch.of.map((p) => [p.ingredient, p.cut.edgeMm])).toEqual([
    ['carrot', 12],
    ['leek', 5],
  ]);
  const [carrot] = watch.of;
  expect(carrot?.done).toBeLessThan(1);
  const minutes = carrot?.minutes ?? 0;
  const at = (m: number) => {
    const later = watchFor(simmer(1), now, advance(now, simmer(m), kitchen).pot, null, kitchen);
    return later?.kind === 'pieces' ? (later.of.find((p) => p.ingredient === 'carrot')?.done ?? 0) : 0;
  };
  // The centre is still warming: told a little late, never much too soon.
  expect(at(minutes)).toBeGreaterThanOrEqual(0.99);
  expect(at(minutes * 0.7)).toBeLessThan(1);
  expect(watchFor(simmer(1), now, advance(now, simmer(90), kitchen).pot, null, kitchen)).toMatchObject({
    of: [{ minutes: 0 }, { minutes: 0 }],
  });
  // In the cold nothing softens.
  const cold = cooked(carrots);
  expect(watchFor(simmer(9), cold, cold, null, kitchen)).toMatchObject({
    of: [{ minutes: null }, { minutes: null }],
  });
});

test('acid doubles the minutes, as it does in the pot', () => {
  const plain = cooked(carrots, boil, simmer(4));
  const sour = { ...plain, buffer: { ...plain.buffer, moment: plain.buffer.capacity * 4.2 } };
  const minutes = (p: typeof plain) => {
    const watch = watchFor(simmer(9), p, p, null, kitchen);
    return watch?.kind === 'pieces' ? (watch.of.find((x) => x.ingredient === 'carrot')?.minutes ?? 0) : 0;
  };
  expect(minutes(sour) / minutes(plain)).toBeCloseTo(2, 6);
});

test('a smooth soup has no pieces to watch; a climb and a falling level have their ends', () => {
  const smooth = cooked({ kind: 'add', items: [{ ingredient: 'water', amount: 3000 }] });
  expect(watchFor(simmer(5), smooth, smooth, null, kitchen)).toBeNull();
  expect(watchFor(boil, smooth, smooth, null, kitchen)).toMatchObject({
    kind: 'climb',
    from: smooth.celsius,
  });
  const to = watchFor({ ...boil, to: 80 }, smooth, smooth, null, kitchen);
  expect(to).toMatchObject({ to: 80 });
  // It is there already.
  const hot = cooked({ kind: 'add', items: [{ ingredient: 'water', amount: 3000 }] }, boil);
  expect(watchFor({ ...boil, to: 80 }, hot, hot, null, kitchen)).toBeNull();
  const down: Step = { kind: 'reduce', flame: 1, to: { share: 0.8 } };
  const part = advance(hot, down, kitchen, hot.seconds + 240).pot;
  const level = watchFor(down, hot, part, 2400, kitchen);
  if (level?.kind !== 'level') throw new Error('no level');
  expect(level.nowMm).toBeLessThan(level.fromMm);
  expect(level.toMm).toBeLessThan(level.nowMm);
  expect(watchFor(down, hot, part, null, kitchen)).toBeNull();
});

test('every simmer of the house with something hard in it has it watched', () => {
  const recipe = demoRecipe('cockle-and-leek-chowder');
  const plan = planFor(recipe, { litres: 8, target: 150 }, { ...recipe.home, kitchen });
  const { ran } = plan.solved.run;
  const n = ran.findIndex((r) => r.step.kind === 'simmer');
  const { before, step } = ran[n]!;
  expect(watchFor(step, before, before, null, kitchen)?.kind).toBe('pieces');
});
