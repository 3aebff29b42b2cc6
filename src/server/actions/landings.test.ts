import { demoHouse } from '../../../demo/demo';
import type { Landing } from '../../core/recipe/listed';
import type { NamedRecipe } from '../queries/recipes';
import { landingsOf } from './landings';

const HOUSE = demoHouse();
const named = (n: number): NamedRecipe => ({
  id: `soup-${n}`,
  name: `Soup ${n}`,
  school: '',
  band: 'Coating',
  version: 1,
  madeAt: '2026-11-27T12:00:00.000Z',
  archived: false,
  cookedAt: null,
});
const LANDING: Landing = {
  litres: 4,
  lands: 'Coating',
  viscosity: 140,
  ingredients: ['leek'],
  allergens: [],
};
type Asked = { readonly versions: readonly { readonly id: string }[] };

/** The thread’s work, done here; `slow` ms each time, and impossible for whatever `fails` names. */
const asked: string[][] = [];
function threadThat({ slow = 0, fails = '' } = {}): void {
  Object.assign(globalThis, {
    panacheWork: async (_name: string, { versions }: Asked) => {
      asked.push(versions.map((v) => v.id));
      await new Promise((r) => setTimeout(r, slow));
      if (versions.some((v) => v.id === fails)) throw new Error('takes too long');
      return versions.map(() => LANDING);
    },
    panacheLandings: undefined,
  });
  asked.length = 0;
}

test('each version is worked out once, ten at a time; a kitchen that was changed has them worked out anew', async () => {
  threadThat();
  const all = Array.from({ length: 25 }, (_, n) => named(n));
  expect(await landingsOf(HOUSE, all, 5000)).toEqual(all.map(() => LANDING));
  expect(asked.map((a) => a.length)).toEqual([10, 10, 5]);
  expect(await landingsOf(HOUSE, all, 5000)).toEqual(all.map(() => LANDING));
  expect(asked).toHaveLength(3);
  const newer = all.map((r, n) => (n === 3 ? { ...r, version: 2 } : r));
  await landingsOf(HOUSE, newer, 5000);
  expect(asked.at(-1)).toEqual(['soup-3']);
  await landingsOf({ ...HOUSE, revision: HOUSE.revision + 1 }, all, 5000);
  expect(asked.slice(4).flat()).toHaveLength(25);
});

test('whoever waits is answered in time with what is known; the rest is known when it is asked for again', async () => {
  threadThat({ slow: 60 });
  const all = Array.from({ length: 30 }, (_, n) => named(n));
  const early = await landingsOf(HOUSE, all, 90);
  expect(early.slice(0, 10)).toEqual(all.slice(0, 10).map(() => LANDING));
  expect(early.at(-1)).toBeUndefined();
  expect(await landingsOf(HOUSE, all, 5000)).toEqual(all.map(() => LANDING));
  // Nothing was worked out twice on the way.
  expect(new Set(asked.flat()).size).toBe(asked.flat().length);
});

test('one that takes too long costs only itself', async () => {
  threadThat({ fails: 'soup-2' });
  const all = Array.from({ length: 5 }, (_, n) => named(n));
  const found = await landingsOf(HOUSE, all, 5000);
  expect(found.map((l) => l === null)).toEqual([false, false, true, false, false]);
});

test('two who ask for other recipes at once both get theirs', async () => {
  threadThat({ slow: 20 });
  const [these, those] = [
    Array.from({ length: 12 }, (_, n) => named(n)),
    Array.from({ length: 12 }, (_, n) => named(100 + n)),
  ];
  const [a, b] = await Promise.all([landingsOf(HOUSE, these, 5000), landingsOf(HOUSE, those, 5000)]);
  expect([...a, ...b].every((l) => l === LANDING)).toBe(true);
});
