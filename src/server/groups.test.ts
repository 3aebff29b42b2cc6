import { join } from 'node:path';
import type pg from 'pg';
import { kitchenFileOf } from '../core/kitchen/kitchenFile';
import { inEnglish } from '../core/text/inWords';
import { answer, publish, theGroup, waitingOfGroup } from './actions/groups';
import { saveKitchen, theHouse } from './actions/kitchen';
import { archiveRecipe, createRecipe, saveRecipe } from './actions/recipes';
import type { KitchenPool } from './data/database';
import { addKitchen, loadDemo } from './data/demo/demo';
import { asApplication, refusal, testDatabase } from './data/testDatabase';
import { inKitchen } from './guard/asking';
import { writeGroup } from './queries/kitchens';
import { readRecipe, readRecipes, readVersions } from './queries/recipes';

/** A canteen’s leading kitchen and two it publishes to, beside one that is in no group; as the application’s own role. */
const HEAD = 'quay-house';
const SOUP = 'smoked-parsnip-veloute';
const ROLE = 'panache_groups_test';
let owner: pg.Pool;
let app: KitchenPool;
let leave: () => Promise<void>;
let drop: () => Promise<void>;
let [one, two, other] = ['', '', ''];

beforeAll(async () => {
  ({ pool: owner, drop } = await testDatabase());
  await loadDemo(owner, join(process.cwd(), 'demo'));
  ({ app, leave } = await asApplication(owner, ROLE));
  one = await addKitchen(owner, 'Harbour View');
  two = await addKitchen(owner, 'Harbour View');
  other = await addKitchen(owner, 'Elsewhere');
  await writeGroup(owner, { id: 'quay', name: 'Quay Group', head: HEAD, kitchens: [HEAD, one, two] });
}, 60_000);
afterAll(async () => {
  await leave();
  await drop();
});

const groupOf = (kitchen: string) => inKitchen(kitchen, () => theGroup(app, inEnglish));
const publishing = (input: object, kitchen = HEAD) =>
  inKitchen(kitchen, () => publish(app, { by: 'Lead', ...input }));
const answering = (kitchen: string, id: string, said: 'taken' | 'declined') =>
  inKitchen(kitchen, () => answer(app, id, { answer: said, by: 'Lead' }));
const newest = async (kitchen: string) => (await groupOf(kitchen))?.published[0];

test('two of one name have ids of their own', () => {
  expect([one, two, other]).toEqual(['harbour-view', 'harbour-view-2', 'elsewhere']);
});

test('a kitchen in no group has none, and publishes nothing; one that does not lead publishes nothing either', async () => {
  expect(await groupOf(other)).toBeNull();
  expect(await inKitchen(other, () => waitingOfGroup(app))).toBeNull();
  for (const kitchen of [other, one])
    expect((await refusal(publishing({ kind: 'rules' }, kitchen))).problems[0]?.allowed).toBe(
      'the kitchen that leads the group',
    );
});

test('a recipe goes to each kitchen as it stands, is taken as a version of its own or declined, and the leader sees who did', async () => {
  expect(await publishing({ kind: 'recipe', recipe: SOUP, note: 'from Monday' })).toEqual({
    edition: 1,
    isNew: true,
  });
  // As it stands already it is no other edition.
  expect(await publishing({ kind: 'recipe', recipe: SOUP })).toEqual({ edition: 1, isNew: false });
  const there = await newest(one);
  expect(there).toMatchObject({
    kind: 'recipe',
    subject: SOUP,
    edition: 1,
    note: 'from Monday',
    answer: null,
  });
  expect(there?.changes.length).toBeGreaterThan(5);
  expect(await inKitchen(one, () => waitingOfGroup(app))).toBe(1);
  expect(await inKitchen(HEAD, () => waitingOfGroup(app))).toBe(0);

  expect(await answering(one, there?.id ?? '', 'taken')).toEqual({ takenAs: 1 });
  expect(await answering(two, there?.id ?? '', 'declined')).toEqual({ takenAs: null });
  const body = (await inKitchen(HEAD, () => readRecipe(app, HEAD, SOUP)))?.body;
  expect((await inKitchen(one, () => readRecipe(app, one, SOUP)))?.body).toEqual(body);
  expect((await inKitchen(one, () => readVersions(app, one, SOUP)))[0]).toMatchObject({
    by: 'Lead',
    note: 'Quay Group, edition 1: from Monday',
  });
  expect(await inKitchen(two, () => readRecipes(app, two))).toEqual([]);
  expect((await newest(HEAD))?.answers).toEqual([
    { kitchen: one, name: 'Harbour View', answer: 'taken', published: there?.id },
    { kitchen: two, name: 'Harbour View', answer: 'declined', published: there?.id },
  ]);
  // Nobody but the leader sees how others answered.
  expect((await newest(one))?.answers).toEqual([]);
  expect(await inKitchen(one, () => waitingOfGroup(app))).toBe(0);
});

test('said twice it is said once; what was declined can be taken after all, what was taken is not declined after', async () => {
  const id = (await newest(one))?.id ?? '';
  expect(await answering(one, id, 'taken')).toEqual({ takenAs: 1 });
  const { rows } = await owner.query(
    'SELECT count(*)::int AS n FROM published_answer WHERE kitchen_id = $1',
    [one],
  );
  expect(rows[0].n).toBe(1);
  expect((await refusal(answering(one, id, 'declined'))).problems[0]?.given).toBe('it was taken');
  expect(await answering(two, id, 'taken')).toEqual({ takenAs: 1 });
  expect((await newest(two))?.answer).toBe('taken');
});

test('what a kitchen has made of a recipe stands below what it takes; an edition that was overtaken is not taken any more', async () => {
  const first = (await newest(one))?.id ?? '';
  const own = (await inKitchen(one, () => readRecipe(app, one, SOUP)))?.body;
  await inKitchen(one, () =>
    saveRecipe(app, one, SOUP, { body: { ...own, name: 'Our own parsnip' }, base: 1, note: '', by: 'Lead' }),
  );
  const head = (await inKitchen(HEAD, () => readRecipe(app, HEAD, SOUP)))!;
  await inKitchen(HEAD, () =>
    saveRecipe(app, HEAD, SOUP, {
      body: { ...head.body, name: 'Smoked parsnip, again' },
      base: head.version,
      note: '',
      by: 'Lead',
    }),
  );
  expect(await publishing({ kind: 'recipe', recipe: SOUP })).toEqual({ edition: 2, isNew: true });
  const second = await newest(one);
  expect(second).toMatchObject({ edition: 2, answer: null });
  expect(second?.changes.filter((c) => c.kind !== 'same').map((c) => [c.kind, c.text])).toEqual([
    ['out', 'Our own parsnip'],
    ['in', 'Smoked parsnip, again'],
  ]);
  expect((await refusal(answering(one, first, 'taken'))).status).toBe(409);
  expect(await answering(one, second?.id ?? '', 'taken')).toEqual({ takenAs: 3 });
  expect((await inKitchen(one, () => readVersions(app, one, SOUP))).map((v) => v.body.name)).toEqual([
    'Smoked parsnip, again',
    'Our own parsnip',
    head.body.name,
  ]);
});

test('a recipe put away here is out again by taking it: what was taken is there to be cooked', async () => {
  const id = 'chestnut-mushroom-cream';
  const head = (await inKitchen(HEAD, () => readRecipe(app, HEAD, id)))!;
  await inKitchen(two, () => createRecipe(app, two, { body: head.body, note: '', by: 'Lead' }));
  await inKitchen(two, () => archiveRecipe(app, two, id, { archived: true }));
  await publishing({ kind: 'recipe', recipe: id });
  expect(await answering(two, (await newest(two))?.id ?? '', 'taken')).toEqual({ takenAs: 1 });
  expect((await inKitchen(two, () => readRecipes(app, two))).map((r) => r.recipe.id)).toContain(id);
});

test('rules are taken as a revision: bands, code, probing and allergens; pots, pans and room stay', async () => {
  const house = await inKitchen(HEAD, () => theHouse(app));
  const file = kitchenFileOf(house);
  await inKitchen(HEAD, () =>
    saveKitchen(app, {
      kitchen: {
        ...file,
        bandLimits: [25, 90, 260, 700],
        flagged: ['celery'],
        keeping: { ...file.keeping, rules: 'uk', tightened: { hot: 68 }, probeEvery: 45 },
      },
      revision: house.revision,
      note: '',
      by: 'Lead',
    }),
  );
  await publishing({ kind: 'rules', note: 'after the audit' });
  const before = kitchenFileOf(await inKitchen(one, () => theHouse(app)));
  const told = await newest(one);
  expect(told?.changes.some((c) => c.kind === 'in' && /68/.test(c.text))).toBe(true);
  const { takenAs } = await answering(one, told?.id ?? '', 'taken');
  const after = await inKitchen(one, () => theHouse(app));
  expect(after.revision).toBe(takenAs);
  expect(kitchenFileOf(after)).toEqual({
    ...before,
    bandLimits: [25, 90, 260, 700],
    flagged: ['celery'],
    keeping: { ...before.keeping, rules: 'uk', tightened: { hot: 68 }, probeEvery: 45 },
  });
  expect(after.kitchen.rules?.hot.atLeast).toBe(68);
});

test('the leader sees counts of its own kitchens and of nobody else’s; nobody else sees any', async () => {
  const figures = (await groupOf(HEAD))?.figures;
  expect(figures?.map((f) => [f.kitchen, f.name])).toEqual([
    [one, 'Harbour View'],
    [two, 'Harbour View'],
    [HEAD, 'Quay House Canteen'],
  ]);
  // Two has answered the first edition of the recipe, not the second, and not the rules; one has not answered the other recipe.
  expect(figures?.map((f) => [f.waiting, f.declined])).toEqual([
    [1, 0],
    [2, 0],
    [0, 0],
  ]);
  expect((await groupOf(one))?.figures).toBeNull();
  expect((await inKitchen(one, () => app.query("SELECT * FROM group_figures('-infinity')"))).rows).toEqual(
    [],
  );
  expect((await inKitchen(one, () => app.query('SELECT * FROM group_answers()'))).rows).toEqual([]);
});

test('figures count landings and what was thrown away since, and not what was taken back', async () => {
  const at = (days: number) => new Date(Date.now() - days * 86_400_000).toISOString();
  const landed = ['first', 'first', 'put right', 'outside', 'untested', 'thrown'];
  for (const [n, how] of [...landed, 'first'].entries())
    await owner.query(
      `INSERT INTO logged (batch_id, kitchen_id, recipe_id, started_at, words, landed, body)
       VALUES (gen_random_uuid(), $1, 'x', $2, '', $3, '{}')`,
      // The last is of before.
      [two, at(n === landed.length ? 40 : 2), how],
    );
  const binned = async (why: string, days: number) =>
    (
      await owner.query<{ id: string }>(
        `INSERT INTO keep_event (id, kitchen_id, at, station, body)
         VALUES (gen_random_uuid(), $1, $2, 'Lead', jsonb_build_object('kind', 'thrown away', 'ml', 1, 'why', $3::text)) RETURNING id`,
        [two, at(days), why],
      )
    ).rows[0]!.id;
  await binned('left over', 1);
  await binned('cooled too slowly', 1);
  await binned('spoilt', 40);
  const back = await binned('cooled too slowly', 2);
  await owner.query(
    `INSERT INTO keep_event (id, kitchen_id, at, station, body)
     VALUES (gen_random_uuid(), $1, now(), 'Lead', jsonb_build_object('kind', 'withdrawn', 'event', $2::text))`,
    [two, back],
  );
  expect((await groupOf(HEAD))?.figures?.find((f) => f.kitchen === two)).toMatchObject({
    batches: 6,
    first: 2,
    putRight: 1,
    outside: 1,
    untested: 1,
    thrown: 1,
    binned: 2,
    tooSlow: 1,
  });
});

test('a recipe of one’s own under the id of a published one is not lost by taking it', async () => {
  const head = (await inKitchen(HEAD, () => readRecipe(app, HEAD, 'cockle-and-leek-chowder')))!;
  await inKitchen(two, () =>
    createRecipe(app, two, { body: { ...head.body, name: 'Mine' }, note: '', by: 'Lead' }),
  );
  await publishing({ kind: 'recipe', recipe: head.recipe.id });
  await answering(two, (await newest(two))?.id ?? '', 'taken');
  expect(
    (await inKitchen(two, () => readVersions(app, two, head.recipe.id))).map((v) => v.body.name),
  ).toEqual([head.body.name, 'Mine']);
});
