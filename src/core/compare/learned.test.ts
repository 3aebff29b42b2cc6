import { demoHouse, demoRecipe } from '../../../demo/demo';
import { planFor } from '../plan/plan';
import { pacedClock } from '../service/pace';
import { inEnglish } from '../text/inWords';
import { learnedIn, learnedWords } from './learned';

const house = demoHouse();
const chowder = demoRecipe('cockle-and-leek-chowder');
const vessel = house.vessels.find((v) => v.id === 'tall-steel-36')!;
const burner = house.burners.find((b) => b.id === 'front-left')!;
const aim = { litres: 12, target: 150 };
const number = (by: number) => ({ by, spread: 0.03, readings: 9 });
const setupWith = (own: object) => ({ vessel, burner, kitchen: { ...house.kitchen, own } });
const learned = (own: object) => {
  const setup = setupWith(own);
  return learnedIn(chowder, aim, setup, planFor(chowder, aim, setup).solved.dosing);
};

test('weak flour: the plan says so, on how many readings, and how much more it has for it', () => {
  const found = learned({ flour: { 'plain-flour': number(0.8) } })!;
  const grams = (own: object) =>
    planFor(chowder, aim, setupWith(own)).weighOut.find((l) => l.solved === 'thickness')!.g;
  expect(found.more!.by).toBeCloseTo(grams({ flour: { 'plain-flour': number(0.8) } }) - grams({}), -1);
  expect(found.more!.by).toBeGreaterThan(40);
  expect(inEnglish(learnedWords(found))).toMatch(
    /^By your own readings: your plain flour is 20 % weaker than the book, from 9 readings\. The dose has \d+ g more for it\.$/,
  );
});

test('a soup that comes out strong here has less; what bears on another soup is not said', () => {
  const own = { soup: { 'cockle-and-leek-chowder': number(1.1), 'crab-shell-bisque': number(2) } };
  const found = learned(own)!;
  expect(found.more!.by).toBeLessThan(-10);
  expect(found.says).toHaveLength(1);
  expect(learned({ soup: { 'crab-shell-bisque': number(2) } })).toBeNull();
});

test('what thickens is said before where it is cooked', () => {
  const found = learned({ burner: { 'front-left': number(0.6) }, flour: { 'plain-flour': number(0.95) } })!;
  expect(found.says.map((s) => inEnglish(s).split(' is ')[0])).toEqual(['your plain flour', 'Front left']);
});

test('as in the books there is nothing to say', () => {
  expect(learned({ flour: { 'plain-flour': number(1.005) } })).toBeNull();
});

test('a kitchen’s own burner, pot and soup move the plan that way, and no twin of theirs', () => {
  const seconds = (own: object, at = burner) =>
    planFor(chowder, aim, { ...setupWith(own), burner: at }).seconds;
  const weak = { burner: { 'front-left': number(0.7) } };
  expect(seconds(weak)).toBeGreaterThan(1.1 * seconds({}));
  const twin = { ...burner, id: 'twin' };
  expect(seconds(weak, twin)).toBeCloseTo(seconds({}, twin), 6);
  const lost = (own: object) => planFor(chowder, aim, setupWith(own)).steamG;
  expect(lost({ waterLoss: { 'tall-steel-36 off': number(1.5) } })).toBeGreaterThan(1.15 * lost({}));
  // Under a lid it never has, nothing.
  expect(lost({ waterLoss: { 'tall-steel-36 ajar': number(1.5) } })).toBeCloseTo(lost({}), 6);
});

test('on this kitchen’s clock work takes as long as it takes here, and the fire as long as it takes', () => {
  const plan = planFor(chowder, aim, { vessel, burner, kitchen: house.kitchen });
  const clock = pacedClock(plan, { sweat: 1.5 });
  const sweat = plan.steps.find((s) => s.step.kind === 'sweat')!;
  const end = sweat.startsAt + sweat.seconds;
  expect(clock(sweat.startsAt)).toBeCloseTo(sweat.startsAt, 6);
  expect(clock(end) - end).toBeCloseTo(0.5 * sweat.seconds, 6);
  expect(clock(plan.seconds) - plan.seconds).toBeCloseTo(0.5 * sweat.seconds, 6);
  expect(pacedClock(plan, {})(1234)).toBe(1234);
});
