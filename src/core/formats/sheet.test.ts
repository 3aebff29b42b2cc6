import { demoHouse, demoRecipe } from '../../../demo/demo';
import { planFor } from '../plan/plan';
import { clockFrom, planSheet } from './sheet';

const house = demoHouse();
const [, , vessel] = house.vessels;
const [burner] = house.burners;

test('the clock goes over midnight both ways', () => {
  expect(clockFrom('18:30', -3600)).toBe('17:30');
  expect(clockFrom('00:10', -20 * 60)).toBe('23:50');
  expect(clockFrom('23:50', 30 * 60)).toBe('00:20');
});

test('a sheet has every line weighed, every step in the order of the clock, and the pass at the end', () => {
  const plan = planFor(
    demoRecipe('cockle-and-leek-chowder'),
    { litres: 12, target: 153 },
    { vessel: vessel!, burner: burner!, kitchen: house.kitchen },
  );
  const sheet = planSheet(plan, '18:30', { volume: 'L', temperature: 'F' });
  expect(sheet.lines).toHaveLength(plan.weighOut.length);
  expect(sheet.lines.filter((l) => l.dose).map((l) => l.name)).toEqual(['Plain flour']);
  expect(sheet.steps).toHaveLength(plan.steps.length + 1);
  expect(sheet.steps.at(-1)).toMatchObject({ at: '18:30', title: 'On the pass' });
  expect(sheet.steps.map((s) => s.at)).toEqual(sheet.steps.map((s) => s.at).toSorted());
  expect(sheet.steps.map((s) => s.title).join()).toMatch(/190 °F/);
  expect(sheet.order).toMatch(
    /^12 L, Coating \(150 mPa·s in the bowl\), in Tall Steel 36 on Front left, for 18:30/,
  );
});
