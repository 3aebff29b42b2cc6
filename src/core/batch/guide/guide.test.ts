import { demoBatch } from '../../../../demo/batch';
import { demoFile } from '../../../../demo/demo';
import { temperingSchedule } from '../../dairy/tempering';
import { planFor } from '../../plan/plan';
import { volumeMl } from '../../pot/contents/contents';
import type { StepKind } from '../../pot/kinds/names';
import { Recipe } from '../../recipe/recipe';
import { schoolOf } from '../../recipe/schools';
import { type Guide, guideFor, pours } from './guide';

const of = (id: string, kind: StepKind): Guide | null => {
  const { plan } = demoBatch(id, { litres: 8, pot: 'middle-28', burner: 'front-right' });
  const ran = plan.solved.run.ran.find((r) => r.step.kind === kind);
  if (!ran) throw new Error(`${id} has no ${kind}`);
  return guideFor(ran.step, ran.before, plan.setup.kitchen);
};
const as = <K extends Guide['kind']>(guide: Guide | null, kind: K): Extract<Guide, { kind: K }> => {
  if (guide?.kind !== kind) throw new Error(`${kind} is guided, got ${guide?.kind}`);
  return guide as Extract<Guide, { kind: K }>;
};

test('pours grow about twofold and come to the whole', () => {
  for (const ml of [600, 4300, 8600]) {
    const list = pours(ml);
    expect(list).toHaveLength(4);
    expect(list.reduce((a, b) => a + b, 0)).toBeCloseTo(ml, 6);
    for (const [n, p] of list.entries()) if (n > 0) expect(p).toBeGreaterThan((list[n - 1] ?? 0) * 1.5);
  }
});

test('a roux: each colour keeps less of the flour, and the one asked for is named', () => {
  const roux = as(of('smoked-parsnip-veloute', 'roux'), 'roux');
  expect(roux.wanted).toBe('blond');
  expect(roux.colours.map((c) => c.keeps)).toEqual([1, 0.9, 0.65, 0.4]);
});

test('a liaison: ladles warm the bowl step by step to where it goes back, under the limit of the yolk', () => {
  const temper = as(of('mussel-veloute-with-liaison', 'temper'), 'temper');
  expect(temper.startsAt).toBeLessThan(12);
  for (const [n, celsius] of temper.ladles.entries())
    expect(celsius).toBeGreaterThan(temper.ladles[n - 1] ?? temper.startsAt);
  expect(temper.ladles.at(-1)).toBeGreaterThanOrEqual(temper.warmTo);
  expect(temper.ladles.at(-2) ?? 0).toBeLessThan(temper.warmTo);
  expect(temper.never).toBe(90);
  expect(temper.to).toBeLessThan(temper.never ?? 0);
  expect(temper.back).toBeLessThan(temper.pot);
});

test('the ladles follow the heat balance: half a litre at 10 °C and ladles of the same at 80 °C (worked by hand)', () => {
  // Equal heats: (10 + 80)/2 = 45, then (2 × 45 + 80)/3 = 56.67, then (3 × 56.67 + 80)/4 = 62.5.
  const schedule = temperingSchedule({
    liaison: 2000,
    liaisonCelsius: 10,
    ladle: 2000,
    pot: 40_000,
    potCelsius: 80,
    warmTo: 60,
  });
  expect(schedule.ladles.map((l) => Math.round(l.celsius * 100) / 100)).toEqual([45, 56.67, 62.5]);
});

test('seafood: the pot drops by what goes in cold, and the centre takes minutes', () => {
  const sea = as(of('mussel-veloute-with-liaison', 'poach'), 'seafood');
  expect(sea.dropsTo).toBeLessThan(sea.from - 2);
  expect(sea.centre).toBe(63);
  expect(sea.seconds).toBeGreaterThan(30);
});

test('blending: as many millilitres as the share of the pot', () => {
  const { plan } = demoBatch('smoked-parsnip-veloute', {
    litres: 8,
    pot: 'middle-28',
    burner: 'front-right',
  });
  const ran = plan.solved.run.ran.find((r) => r.step.kind === 'puree');
  const blend = as(ran ? guideFor(ran.step, ran.before, plan.setup.kitchen) : null, 'blend');
  expect(blend.ml).toBeCloseTo(
    volumeMl(ran?.before ?? plan.solved.run.pot) * (ran?.step.kind === 'puree' ? ran.step.fraction : 0),
    6,
  );
});

test('salt: what is in, and what is still to add for the house’s level', () => {
  const salt = as(of('cockle-and-leek-chowder', 'season'), 'salt');
  expect(salt.wanted).toBe(0.9);
  expect(salt.percent).toBeGreaterThan(0);
  expect(salt.toAdd === 0 || salt.unsaltedLiquid === 0).toBe(true);
});

test('straining: what comes through, and what stays in the sieve', () => {
  // Shells boiled in the one pot and lifted out: the school, not the house’s own way.
  const { plan } = demoBatch('crab-shell-bisque', { litres: 8, pot: 'middle-28', burner: 'front-right' });
  const { pans: _pans, ...rest } = demoFile('crab-shell-bisque');
  const recipe = Recipe.parse({ ...rest, format: 'panache.recipe/1', steps: schoolOf('rice')?.steps });
  const ran = planFor(recipe, plan.aim, plan.setup).solved.run.ran.find((r) => r.step.kind === 'strain');
  if (!ran) throw new Error('it is strained');
  const sieve = as(guideFor(ran.step, ran.before, plan.setup.kitchen), 'strain');
  expect(sieve.solidsG).toBeGreaterThan(100);
  expect(sieve.ml).toBeGreaterThan(1000);
});

test('a simmer speaks for itself', () => {
  expect(of('smoked-parsnip-veloute', 'simmer')).toBeNull();
});
