import { disagrees, saidOfThickness } from './disagrees';

test('thin by the cook, thin by the model: they agree; right by the model: they do not', () => {
  expect(disagrees(['too thin'], 100, 153)).toBe(false);
  expect(disagrees(['too thin'], 150, 153)).toBe(true);
  expect(disagrees(['too thin'], 300, 153)).toBe(true);
  expect(disagrees(['too thick'], 300, 153)).toBe(false);
  expect(disagrees(['too thick'], 100, 153)).toBe(true);
});

test('off by 8 % it counts as off', () => {
  expect(disagrees(['too thick'], 153 * Math.exp(0.079), 153)).toBe(true);
  expect(disagrees(['too thick'], 153 * Math.exp(0.081), 153)).toBe(false);
});

test('of what is not thickness there is nothing to disagree about', () => {
  expect(saidOfThickness(['too salty'])).toBe(0);
  expect(disagrees(['too salty'], 10, 153)).toBe(false);
  expect(disagrees([], 10, 153)).toBe(false);
});
