import '../food/load';
import { demoFile } from '../../../demo/demo';
import { Recipe } from './recipe';

const issues = (steps: readonly object[], more: object = {}): string => {
  const { error } = Recipe.safeParse({ ...demoFile('smoked-parsnip-veloute'), steps, ...more });
  return error?.issues.map((i) => `${i.path.join('.')}: ${i.message}`).join('\n') ?? '';
};
const add = (ingredient: string, amount: string, more: object = {}) => ({
  kind: 'add',
  items: [{ ingredient, amount, ...more }],
});
const stock = add('vegetable-stock', '2 L');
const simmer = { kind: 'simmer', minutes: 10, lid: 'on' };

test('a second go of something is there only once it has gone in twice; what is ready as a purée is no go of it', () => {
  const of = (name: string) => ({ kind: 'puree', fraction: 'all', of: [name], tool: 'stick blender' });
  const once = [stock, add('leek', '200 g'), simmer];
  expect(issues([...once, of('leek#2')])).toMatch(/steps\.3\.of: .*is not in the pot by then.*leek#2/s);
  expect(issues([...once, { kind: 'strain', of: ['leek#2'] }])).toMatch(/steps\.3\.of/);
  expect(issues([...once, of('leek#1')])).toBe('');
  expect(issues([...once, add('leek', '100 g'), of('leek#2')])).toBe('');
  expect(issues([...once, add('leek', '100 g', { as: 'puree' }), of('leek#2')])).toMatch(/steps\.4\.of/);
});

test('nothing simmers before there is liquid, and seasoning with wine is none', () => {
  expect(issues([add('leek', '200 g'), simmer])).toMatch(/no liquid in the pot yet/);
  expect(
    issues([{ kind: 'season', items: [{ ingredient: 'white-wine', amount: '50 mL' }] }, simmer]),
  ).toMatch(/no liquid in the pot yet/);
  expect(issues([stock, simmer])).toBe('');
  expect(issues([add('tomato-passata', '500 g'), simmer])).toBe('');
});

test('forty steps are a recipe, forty-one are not', () => {
  const season = { kind: 'season', items: [{ ingredient: 'salt', amount: '1 g' }] };
  const steps = (n: number) => [stock, ...Array.from({ length: n - 1 }, () => season)];
  expect(issues(steps(40))).toBe('');
  expect(issues(steps(41))).not.toBe('');
});
