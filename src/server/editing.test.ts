import { randomUUID } from 'node:crypto';
import { rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Papa from 'papaparse';
import type pg from 'pg';
import { demoFile, demoKitchen } from '../../demo/demo';
import { Archive } from '../core/formats/archive';
import { changedLines } from '../core/formats/changedLines';
import { kitchenWords } from '../core/formats/kitchenWords';
import { planSheet } from '../core/formats/sheet';
import { planFor } from '../core/plan/plan';
import { inEnglish } from '../core/text/inWords';
import { startBatch } from './actions/batches';
import { recordWaterTest, restoreKitchen, saveKitchen, theHouse } from './actions/kitchen';
import { planStored } from './actions/planning';
import { archiveRecipe, createRecipe, deleteRecipe, restoreVersion, saveRecipe } from './actions/recipes';
import { takeArchive as takeFile } from './archive/take';
import { archiveText } from './archive/write';
import { loadBlank, loadDemo } from './data/demo/demo';
import { refusal, testDatabase } from './data/testDatabase';
import { planPdf } from './exports/planPdf';
import { weighOutCsv } from './exports/weighOutCsv';
import { readBatches } from './queries/batches';
import { readKitchenFile, readKitchenVersions } from './queries/kitchen';
import { readRecipe, readRecipes, readVersions } from './queries/recipes';
import { readWaterTests } from './queries/waterTests';

const K = 'quay-house';
let pool: pg.Pool;
let drop: () => Promise<void>;

beforeAll(async () => {
  ({ pool, drop } = await testDatabase());
  await loadDemo(pool, join(process.cwd(), 'demo'));
});
afterAll(() => drop());

const count = async (table: string) =>
  Number((await pool.query(`SELECT count(*) FROM ${table}`)).rows[0].count);
const soup = (id: string, more: object = {}) => ({
  ...demoFile('cockle-and-leek-chowder'),
  id,
  name: id,
  ...more,
});

describe('recipes', () => {
  test('a new one is kept as version 1, exactly as typed; its id cannot be taken twice', async () => {
    const body = soup('first-soup');
    expect(await createRecipe(pool, K, { body, note: 'begun' })).toEqual({
      id: 'first-soup',
      version: 1,
      isNew: true,
    });
    expect((await readRecipe(pool, K, 'first-soup'))?.body).toEqual(body);
    const again = await refusal(createRecipe(pool, K, { body }));
    expect(again.status).toBe(409);
    expect(again.problems[0]).toMatchObject({
      field: 'id',
      allowed: expect.stringMatching(/change the name/),
    });
  });

  test('bad ones are refused with every field, and nothing is written', async () => {
    const before = [await count('recipe'), await count('recipe_version')];
    const body = soup('bad-soup', { yieldLitres: 'four', band: 'Gluey' });
    const refused = await refusal(createRecipe(pool, K, { body }));
    expect(refused.status).toBe(400);
    expect(refused.problems.map((p) => p.field)).toEqual(expect.arrayContaining(['yieldLitres', 'band']));
    expect(refused.problems.find((p) => p.field === 'yieldLitres')?.allowed).toBe('“four” is not a number');
    await refusal(createRecipe(pool, K, 'a soup'));
    await refusal(createRecipe(pool, K, {}));
    expect([await count('recipe'), await count('recipe_version')]).toEqual(before);
  });

  test('a change is a new version; no change is none; one made from an old version is refused', async () => {
    await createRecipe(pool, K, { body: soup('second-soup') });
    const changed = soup('second-soup', { school: 'Dusted flour, no potatoes' });
    expect(
      await saveRecipe(pool, K, 'second-soup', { body: changed, note: 'no potatoes', base: 1 }),
    ).toMatchObject({ version: 2, isNew: true });
    expect(await saveRecipe(pool, K, 'second-soup', { body: changed, base: 2 })).toMatchObject({
      version: 2,
      isNew: false,
    });
    const stale = await refusal(saveRecipe(pool, K, 'second-soup', { body: soup('second-soup'), base: 1 }));
    expect(stale.status).toBe(409);
    expect(stale.problems[0]?.given).toMatch(/somebody saved it/);
    const versions = await readVersions(pool, K, 'second-soup');
    expect(versions.map((v) => [v.version, v.note])).toEqual([
      [2, 'no potatoes'],
      [1, ''],
    ]);
    expect((await refusal(saveRecipe(pool, K, 'nowhere', { body: changed, base: 1 }))).status).toBe(404);
  });

  test('of two saves at the same moment one wins and the other is told', async () => {
    await createRecipe(pool, K, { body: soup('third-soup') });
    const save = (school: string) =>
      saveRecipe(pool, K, 'third-soup', { body: soup('third-soup', { school }), base: 1 });
    const answers = await Promise.allSettled([save('one'), save('two'), save('three')]);
    expect(answers.filter((a) => a.status === 'fulfilled')).toHaveLength(1);
    for (const a of answers) if (a.status === 'rejected') expect(a.reason).toMatchObject({ status: 409 });
    expect(await readVersions(pool, K, 'third-soup')).toHaveLength(2);
  });

  test('an old version comes back as the newest; the ones between stay', async () => {
    await createRecipe(pool, K, { body: soup('fourth-soup') });
    await saveRecipe(pool, K, 'fourth-soup', { body: soup('fourth-soup', { school: 'two' }), base: 1 });
    expect(await restoreVersion(pool, K, 'fourth-soup', { version: 1 })).toMatchObject({
      version: 3,
      isNew: true,
    });
    expect((await readRecipe(pool, K, 'fourth-soup'))?.recipe.school).toBe('Dusted flour, with potatoes');
    expect(await readVersions(pool, K, 'fourth-soup')).toHaveLength(3);
    expect(
      (await refusal(restoreVersion(pool, K, 'fourth-soup', { version: 9 }))).problems[0]?.allowed,
    ).toMatch(/3, 2, 1/);
  });

  test('put away, it is in no list and no plan, and its batches stay; taken out, it is back', async () => {
    await archiveRecipe(pool, K, 'first-soup', { archived: true });
    const ids = async (archived: boolean) =>
      (await readRecipes(pool, K, { archived })).map((r) => r.recipe.id);
    expect(await ids(false)).not.toContain('first-soup');
    expect(await ids(true)).toContain('first-soup');
    await archiveRecipe(pool, K, 'first-soup', { archived: false });
    expect(await ids(false)).toContain('first-soup');
    expect((await refusal(archiveRecipe(pool, K, 'first-soup', { archived: 'maybe' }))).status).toBe(400);
    expect((await refusal(archiveRecipe(pool, K, 'nowhere', { archived: true }))).status).toBe(404);
  });
});

describe('a recipe taken out for good', () => {
  test('is gone with its versions where it was never cooked, and its id is free', async () => {
    await createRecipe(pool, K, { body: soup('never-cooked') });
    await saveRecipe(pool, K, 'never-cooked', { body: soup('never-cooked', { name: 'Other' }), base: 1 });
    expect(await deleteRecipe(pool, K, 'never-cooked')).toEqual({ id: 'never-cooked', removed: true });
    expect(await readRecipe(pool, K, 'never-cooked')).toBeNull();
    expect(await readVersions(pool, K, 'never-cooked')).toEqual([]);
    expect((await createRecipe(pool, K, { body: soup('never-cooked') })).version).toBe(1);
    await deleteRecipe(pool, K, 'never-cooked');
    expect((await refusal(deleteRecipe(pool, K, 'never-cooked'))).status).toBe(404);
  });
  test('stays where it was cooked or stands in a service, and that is said', async () => {
    const cooked = (await pool.query('SELECT recipe_id FROM batch LIMIT 1')).rows[0].recipe_id as string;
    const before = (await readVersions(pool, K, cooked)).length;
    const said = await refusal(deleteRecipe(pool, K, cooked));
    expect(said.problems[0]).toMatchObject({ field: 'recipe', given: expect.stringMatching(/cooked/) });
    const served = (
      await pool.query(
        `SELECT soup -> 'order' ->> 'recipeId' AS id FROM service s JOIN service_version v USING (kitchen_id, id, revision),
           jsonb_array_elements(v.body -> 'soups') soup
         WHERE NOT EXISTS (SELECT 1 FROM batch b WHERE b.recipe_id = soup -> 'order' ->> 'recipeId') LIMIT 1`,
      )
    ).rows[0].id as string;
    expect((await refusal(deleteRecipe(pool, K, served))).problems[0]).toMatchObject({
      given: expect.stringMatching(/service/),
    });
    expect((await readVersions(pool, K, cooked)).length).toBe(before);
    expect(await readRecipe(pool, K, served)).not.toBeNull();
  });
  test('is not taken out past the program: versions are removed by no statement of their own', async () => {
    await createRecipe(pool, K, { body: soup('kept-one') });
    await expect(pool.query("DELETE FROM recipe_version WHERE recipe_id = 'kept-one'")).rejects.toThrow(
      /append-only/,
    );
    await expect(
      pool.query("UPDATE recipe_version SET note = 'x' WHERE recipe_id = 'kept-one'"),
    ).rejects.toThrow(/append-only/);
  });
});

describe('the kitchen', () => {
  test('is saved whole and read back; every plan counts with it', async () => {
    const house = await theHouse(pool);
    const file = {
      ...demoKitchen(),
      altitudeM: 1600,
      flagged: ['egg' as const],
      show: { volume: 'gal' as const, temperature: 'F' as const },
    };
    const { revision } = await saveKitchen(pool, { kitchen: file, revision: house.revision });
    expect(revision).toBe(house.revision + 1);
    expect(await readKitchenFile(pool)).toEqual(file);
    const { plan } = await planStored(pool, {
      recipeId: 'smoked-parsnip-veloute',
      litres: 8,
      target: 150,
      vesselId: 'middle-28',
      burnerId: 'front-left',
    });
    expect(Math.max(...plan.trace.filter((t) => t.volumeMl > 5000).map((t) => t.celsius))).toBeLessThan(92);
    await saveKitchen(pool, { kitchen: demoKitchen(), revision });
  });

  test('a save over somebody else’s is refused, and so is nonsense; nothing is half-written', async () => {
    const before = await readKitchenFile(pool);
    const { revision } = await theHouse(pool);
    expect(
      (await refusal(saveKitchen(pool, { kitchen: demoKitchen(), revision: revision - 1 }))).status,
    ).toBe(409);
    const bad = { ...demoKitchen(), humidity: 60, burners: [] };
    const refused = await refusal(saveKitchen(pool, { kitchen: bad, revision }));
    expect(refused.problems.map((p) => p.field)).toEqual(expect.arrayContaining(['humidity', 'burners']));
    expect(await readKitchenFile(pool)).toEqual(before);
    expect((await theHouse(pool)).revision).toBe(revision);
  });

  test('the house’s own cream and salt move its plans', async () => {
    const ask = {
      recipeId: 'roast-carrot-cream',
      litres: 6,
      target: 48,
      vesselId: 'middle-28',
      burnerId: 'front-left',
    };
    const before = (await planStored(pool, ask)).plan;
    const file = demoKitchen();
    const products = file.products.map((p) =>
      p.ingredient === 'heavy-cream'
        ? { ...p, fatPercent: 48 }
        : p.ingredient === 'vegetable-stock'
          ? { ...p, sodium: 400 }
          : p,
    );
    const { revision } = await saveKitchen(pool, {
      kitchen: { ...file, products },
      revision: (await theHouse(pool)).revision,
    });
    const after = (await planStored(pool, ask)).plan;
    expect(after.found.fatFraction).toBeGreaterThan(before.found.fatFraction * 1.1);
    const salt = (p: typeof after) => p.weighOut.find((l) => l.ingredient === 'salt')?.g ?? 0;
    expect(salt(after)).toBeLessThan(salt(before) * 0.5);
    await saveKitchen(pool, { kitchen: file, revision });
  });
});

describe('the kitchen’s revisions', () => {
  test('say who saved what and why; one that changes nothing is none', async () => {
    const { revision } = await theHouse(pool);
    const saltier = { ...demoKitchen(), saltPercent: 1.1 };
    const saved = await saveKitchen(pool, { kitchen: saltier, revision, by: 'Lead', note: 'guests asked' });
    expect(await saveKitchen(pool, { kitchen: saltier, revision: saved.revision })).toEqual(saved);
    const [newest, before] = await readKitchenVersions(pool, K);
    expect(newest).toMatchObject({ revision: revision + 1, by: 'Lead', note: 'guests asked' });
    expect(newest?.body.saltPercent).toBe(1.1);
    expect(
      changedLines(kitchenWords(before!.body, inEnglish), kitchenWords(newest!.body, inEnglish)),
    ).toEqual(
      expect.arrayContaining([
        { kind: 'out', text: `Salt in the finished soup ${before?.body.saltPercent} %` },
        { kind: 'in', text: 'Salt in the finished soup 1.1 %' },
      ]),
    );
  });

  test('an old one is made the newest again, those between stay, and none can be rewritten', async () => {
    const versions = await readKitchenVersions(pool, K);
    const [newest, before] = versions;
    const restored = await restoreKitchen(pool, { revision: before!.revision, by: 'Closer' });
    expect(restored.revision).toBe(newest!.revision + 1);
    expect(await readKitchenFile(pool)).toEqual(before!.body);
    const now = await readKitchenVersions(pool, K);
    expect(now.slice(1)).toEqual(versions);
    expect(now[0]).toMatchObject({ by: 'Closer', note: `as revision ${before!.revision} was` });
    // The same again changes nothing.
    expect(await restoreKitchen(pool, { revision: before!.revision })).toEqual(restored);
    expect((await refusal(restoreKitchen(pool, { revision: 999 }))).status).toBe(404);
    await expect(pool.query("UPDATE kitchen_version SET note = ''")).rejects.toThrow(/append-only/);
  });

  test('of two saves at once from the same revision one is refused, and nothing of it stays', async () => {
    const { revision } = await theHouse(pool);
    const save = (saltPercent: number) =>
      saveKitchen(pool, { kitchen: { ...demoKitchen(), saltPercent }, revision });
    const ended = await Promise.allSettled([save(0.5), save(0.6), save(0.7)]);
    expect(ended.filter((e) => e.status === 'fulfilled')).toHaveLength(1);
    for (const e of ended) if (e.status === 'rejected') expect(e.reason.status).toBe(409);
    expect((await theHouse(pool)).revision).toBe(revision + 1);
    await saveKitchen(pool, { kitchen: demoKitchen(), revision: revision + 1 });
  });
});

describe('water tests', () => {
  const ask = (more: object = {}) => ({
    id: randomUUID(),
    vesselId: 'tall-steel-36',
    burnerId: 'front-left',
    readings: {
      by: 'weight',
      litres: 12,
      startCelsius: 15,
      heatedTo: 90,
      heatMinutes: 27,
      keptAt: 95,
      keptMinutes: 30,
      before: 17_600,
      after: 16_800,
    },
    ...more,
  });

  test('set the pot’s loss and the burner’s power once, and are kept', async () => {
    const request = ask();
    const tested = await recordWaterTest(pool, request);
    await recordWaterTest(pool, request);
    const house = await theHouse(pool);
    expect(house.vessels.find((v) => v.id === 'tall-steel-36')?.lossFactor).toBeCloseTo(tested.lossFactor, 9);
    expect(house.burners.find((b) => b.id === 'front-left')?.intoPotW).toBeCloseTo(tested.intoPotW, 6);
    expect(await readWaterTests(pool, K)).toHaveLength(1);
    await expect(pool.query('DELETE FROM water_test')).rejects.toThrow(/append-only/);
  });

  test.each([
    [{ vesselId: 'bath' }, 404, 'vesselId'],
    [{ readings: { ...ask().readings, keptAt: 98 } }, 422, 'readings.keptAt'],
    [{ readings: { ...ask().readings, after: 17_700 } }, 400, 'readings.after'],
    [{ readings: { ...ask().readings, litres: 'much' } }, 400, 'readings.litres'],
  ])('%j is refused by its field, and the kitchen stays', async (wrong, status, field) => {
    const before = await theHouse(pool);
    const refused = await refusal(recordWaterTest(pool, ask(wrong)));
    expect([refused.status, refused.problems[0]?.field]).toEqual([status, field]);
    expect((await theHouse(pool)).revision).toBe(before.revision);
  });
});

/** The archive of a kitchen, as a value. */
async function makeArchive(db: pg.Pool, now: Date) {
  let text = '';
  for await (const piece of archiveText(db, now)) text += piece;
  return Archive.parse(JSON.parse(text));
}

/** Takes in what would stand in a file. */
async function takeArchive(db: pg.Pool, text: string, options = {}) {
  const file = join(tmpdir(), `panache-test-${randomUUID()}.json`);
  await writeFile(file, text);
  try {
    return await takeFile(db, file, options);
  } finally {
    await rm(file);
  }
}

describe('the archive', () => {
  test('goes into an empty kitchen and comes out the same, batches and versions and all', async () => {
    await startBatch(pool, {
      id: randomUUID(),
      recipeId: 'second-soup',
      litres: 3,
      target: 150,
      vesselId: 'low-wide-26',
      burnerId: 'front-right',
      startedAt: new Date().toISOString(),
    });
    const archive = await makeArchive(pool, new Date());
    const other = await testDatabase();
    try {
      await loadDemo(other.pool, join(process.cwd(), 'demo'));
      const text = JSON.stringify(archive);
      const would = await takeArchive(other.pool, text, { rehearse: true });
      expect(would.newRecipes).toEqual(expect.arrayContaining(['first-soup', 'second-soup']));
      expect((await readRecipes(other.pool, K)).map((r) => r.recipe.id)).not.toContain('second-soup');
      expect(await takeArchive(other.pool, text)).toEqual({ ...would, importId: expect.any(String) });
      const back = await makeArchive(other.pool, new Date());
      expect(back.kitchen).toEqual(archive.kitchen);
      expect(back.recipes.find((r) => r.id === 'second-soup')).toEqual(
        archive.recipes.find((r) => r.id === 'second-soup'),
      );
      for (const b of archive.batches) expect(back.batches).toContainEqual(b);
      expect(await takeArchive(other.pool, text)).toMatchObject({
        newRecipes: [],
        newVersions: [],
        newBatches: 0,
      });
    } finally {
      await other.drop();
    }
  });

  test('a batch follows its recipe’s version by what stands in it, whatever number that has here', async () => {
    const archive = await makeArchive(pool, new Date());
    const batch = archive.batches.find((b) => b.recipeId === 'second-soup');
    const theirs = archive.recipes.find((r) => r.id === 'second-soup')?.versions;
    const cooked = theirs?.[(batch?.recipeVersion ?? 0) - 1]?.body;
    if (!batch || !cooked) throw new Error('a batch of it was begun');
    const other = await testDatabase();
    try {
      await loadDemo(other.pool, join(process.cwd(), 'demo'));
      // Here that recipe has had two versions of its own.
      await createRecipe(other.pool, K, { body: soup('second-soup', { name: 'Ours' }) });
      await saveRecipe(other.pool, K, 'second-soup', {
        body: soup('second-soup', { name: 'Ours again' }),
        base: 1,
      });
      await takeArchive(other.pool, JSON.stringify(archive));
      const [taken] = (await readBatches(other.pool, K)).filter((b) => b.id === batch.id);
      const there = await readVersions(other.pool, K, 'second-soup');
      expect(taken?.recipeVersion).not.toBe(batch.recipeVersion);
      expect(there.find((v) => v.version === taken?.recipeVersion)?.body).toEqual(cooked);
    } finally {
      await other.drop();
    }
  });

  test('a broken one is refused with its places, and nothing is changed', async () => {
    const archive = await makeArchive(pool, new Date());
    const before = [await count('recipe'), await count('batch'), (await theHouse(pool)).revision];
    const broken = JSON.parse(JSON.stringify(archive));
    broken.recipes[0].versions[0].body.yieldLitres = -1;
    broken.batches[0].recipeVersion = 99;
    broken.kitchen.saltPercent = 40;
    const refused = await refusal(takeArchive(pool, JSON.stringify(broken, null, 1)));
    const places = refused.problems.map((p) => p.field).join(' | ');
    expect(places).toMatch(/line \d+, kitchen\.saltPercent/);
    expect(places).toMatch(/line \d+, recipes\[0\]\.versions\[0\]\.body\.yieldLitres/);
    expect((await refusal(takeArchive(pool, JSON.stringify(soup('x'))))).problems[0]?.given).toMatch(
      /this is a recipe/,
    );
    expect((await refusal(takeArchive(pool, '{"format":\n!'))).problems[0]?.field).toBe('line 2, column 1');
    expect([await count('recipe'), await count('batch'), (await theHouse(pool)).revision]).toEqual(before);
  });

  test('a kitchen begun without the demo has a pot, a burner and no soup, and takes an archive in', async () => {
    const archive = JSON.stringify(await makeArchive(pool, new Date()));
    const other = await testDatabase();
    try {
      expect(await loadBlank(other.pool)).toBe(true);
      expect(await loadBlank(other.pool)).toBe(false);
      expect(await loadDemo(other.pool, join(process.cwd(), 'demo'))).toBe(false);
      const { id } = await theHouse(other.pool);
      expect(await readRecipes(other.pool, id)).toEqual([]);
      await takeArchive(other.pool, archive);
      expect((await readRecipes(other.pool, id)).length).toBeGreaterThanOrEqual(10);
      expect((await theHouse(other.pool)).id).toBe(id);
    } finally {
      await other.drop();
    }
  });

  test('a kitchen’s file alone changes the settings only', async () => {
    const recipes = await count('recipe');
    const taken = await takeArchive(pool, JSON.stringify({ ...demoKitchen(), name: 'Quay House, upstairs' }));
    expect(taken).toMatchObject({ kitchen: 'Quay House, upstairs', newRecipes: [], newBatches: 0 });
    expect((await theHouse(pool)).name).toBe('Quay House, upstairs');
    expect(await count('recipe')).toBe(recipes);
  });
});

describe('taken away', () => {
  const plan = async () =>
    (
      await planStored(pool, {
        recipeId: 'jacket-potato-soup',
        litres: 12,
        target: 456,
        vesselId: 'tall-steel-36',
        burnerId: 'front-left',
      })
    ).plan;

  test('the CSV reads back with the same grams, by a reader of its own', async () => {
    const p = await plan();
    const { data, errors } = Papa.parse<Record<string, string>>(weighOutCsv(p), {
      header: true,
      skipEmptyLines: true,
    });
    expect(errors).toEqual([]);
    expect(data.map((r) => [r.ingredient, Number(r.g)])).toEqual(p.weighOut.map((l) => [l.ingredient, l.g]));
    expect(data.find((r) => r.worked_out === 'thickness')?.name).toBe('Plain flour');
    const ounces = Papa.parse<Record<string, string>>(weighOutCsv(p, { volume: 'gal', temperature: 'F' }), {
      header: true,
      skipEmptyLines: true,
    }).data;
    // The grams stay as they are; an avoirdupois ounce is 28.3495 g (NIST Handbook 44).
    expect(ounces.map((r) => r.g)).toEqual(data.map((r) => r.g));
    for (const { g, weighed } of ounces) {
      const [lb = 0, oz = 0] = [/([\d.]+) lb/, /([\d.]+) oz/].map((u) => Number(weighed?.match(u)?.[1] ?? 0));
      expect(Math.abs(lb * 453.592 + oz * 28.3495 - Number(g))).toBeLessThan(Math.max(2, Number(g) * 0.01));
    }
  });

  test.each([
    '=1+1',
    ' =1+1',
    '\t@SUM(A1)',
    '\n-2+3',
    '\u00a0+1',
    '\u200b=1',
    '＝1+1',
    '＠SUM(A1)',
    `${'−'.replace('−', '－')}1`,
  ])('a name a spreadsheet would take for a formula is made harmless: %j', async (name) => {
    const p = await plan();
    const [line] = p.weighOut;
    if (!line) throw new Error('a soup has something to weigh');
    const csv = weighOutCsv({ ...p, weighOut: [{ ...line, name }] });
    const { data } = Papa.parse<Record<string, string>>(csv, { header: true, skipEmptyLines: true });
    expect(data[0]?.name).toBe(`'${name}`);
    expect(Number(data[0]?.g)).toBe(line.g);
  });

  test.each(['A4', 'LETTER'] as const)('the PDF of a normal soup is one page of %s', async (paper) => {
    const bytes = Buffer.from(
      await planPdf(planSheet(await plan(), '18:30', { volume: 'L', temperature: 'C' }), paper),
    );
    const text = bytes.toString('latin1');
    expect(text.startsWith('%PDF-')).toBe(true);
    expect(text.match(/\/Type \/Page\b(?!s)/g)).toHaveLength(1);
    expect(text).toMatch(paper === 'A4' ? /595\.28 841\.89/ : /612 792/);
  });

  test('a plan in another way is stored in that way', async () => {
    const { plan: p, recipe } = await planStored(pool, {
      recipeId: 'cockle-and-leek-chowder',
      litres: 12,
      target: 153,
      vesselId: 'tall-steel-36',
      burnerId: 'front-left',
      way: 'slurry.cornstarch',
      share: 1,
    });
    expect(recipe.steps.some((s) => s.kind === 'dust')).toBe(false);
    expect(p.weighOut.find((l) => l.solved === 'thickness')?.ingredient).toBe('cornstarch');
    expect(planFor(recipe, p.aim, p.setup).found.bowlViscosity).toBeCloseTo(p.found.bowlViscosity, 6);
  });
});
