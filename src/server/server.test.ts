import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import type pg from 'pg';
import { StartRequest } from '../contract/batches';
import { batchState } from '../core/batch/state';
import { rimVolume } from '../core/heat/vessel';
import { Order } from '../core/order/order';
import { spoken } from '../core/text/spoken';
import { recordEvent, startBatch } from './actions/batches';
import { planStored } from './actions/planning';
import { loadDemo } from './data/demo/demo';
import { migrate } from './data/migrate';
import { refusal, testDatabase } from './data/testDatabase';
import { railOf } from './live/rail';
import { log } from './log';
import { readBatch, readBatches } from './queries/batches';
import { readHouse } from './queries/kitchen';
import { readRecipes, writeVersion } from './queries/recipes';
import { accept, readJson, respond } from './refusal';

let pool: pg.Pool;
let drop: () => Promise<void>;
const demo = join(process.cwd(), 'demo');

beforeAll(async () => {
  ({ pool, drop } = await testDatabase());
  await loadDemo(pool, demo);
});
afterAll(() => drop());

const wish = (more: object = {}) => ({
  recipeId: 'cockle-and-leek-chowder',
  litres: 12,
  target: 153,
  vesselId: 'tall-steel-36',
  burnerId: 'front-left',
  ...more,
});
const start = (more: object = {}) => ({
  ...wish(more),
  id: randomUUID(),
  startedAt: new Date().toISOString(),
  ...more,
});
const tap = (body: object) => ({ id: randomUUID(), at: new Date().toISOString(), station: 'Closer', body });
const count = async (table: string) =>
  Number((await pool.query(`SELECT count(*) FROM ${table}`)).rows[0].count);

describe('loading', () => {
  test('migrations and the demo are applied once, however often they are run', async () => {
    expect(await migrate(pool)).toEqual([]);
    expect(await loadDemo(pool, demo)).toBe(false);
    const house = await readHouse(pool);
    expect(house?.vessels).toHaveLength(4);
    expect(house?.burners).toHaveLength(4);
    expect((await readRecipes(pool, 'quay-house')).map((r) => r.recipe.id)).toEqual([
      'cockle-and-leek-chowder',
      'smoked-parsnip-veloute',
      'haddock-and-sweetcorn-chowder',
      'celeriac-and-pear-cream',
      'chestnut-mushroom-cream',
      'crab-shell-bisque',
      'green-pea-and-lettuce-cream',
      'jacket-potato-soup',
      'mussel-veloute-with-liaison',
      'roast-carrot-cream',
    ]);
  });

  test('the demo’s pots run from 4 to 60 L', async () => {
    const litres = ((await readHouse(pool))?.vessels ?? []).map(
      (v) => (Math.PI * (v.diameterMm / 200) ** 2 * v.heightMm) / 100,
    );
    expect(Math.round(Math.min(...litres))).toBe(4);
    expect(Math.round(Math.max(...litres))).toBe(60);
  });

  test('one batch is under way, five steps in, with probe and scale', async () => {
    const [ticket] = spoken(await railOf(pool, Date.now()));
    expect(ticket).toMatchObject({ name: 'Smoked parsnip velouté', step: 6 });
  });
});

describe('starting a batch', () => {
  test('writes it with its plan; the same id again changes nothing', async () => {
    const request = start();
    expect(await startBatch(pool, accept(StartRequest, request))).toEqual({ id: request.id, isNew: true });
    expect(await startBatch(pool, accept(StartRequest, request))).toEqual({ id: request.id, isNew: false });
    const batch = await readBatch(pool, request.id);
    expect(batch?.plan.steps).toHaveLength(11);
    expect(batch?.plan.steps[1]?.details[0]).toMatch(/g plain flour/);
    expect((await railOf(pool, Date.now())).map((t) => t.id)).toContain(request.id);
  });

  test.each([
    [{ litres: 0 }, 400, 'litres', /0\.2 to 500 L/],
    [{ litres: -3 }, 400, 'litres', /0\.2 to 500 L/],
    [{ litres: 'twelve' }, 400, 'litres', /a number from/],
    [{ target: 1e9 }, 400, 'target', /5 to 2500 mPa·s/],
    [{ recipeId: 'gruel' }, 404, 'recipeId', /cockle-and-leek-chowder/],
    [{ vesselId: 'bathtub' }, 404, 'vesselId', /low-wide-26/],
    [{ burnerId: 'sun' }, 404, 'burnerId', /front-left/],
    [{ litres: 60, vesselId: 'low-wide-26' }, 422, 'litres', /at most 3\.2 L/],
    [{ startedAt: 'now' }, 400, 'startedAt', /2026-01-31T16:20:00Z/],
    [{ id: '1' }, 400, 'id', /UUID/],
  ])('%j is refused, named, and nothing is written', async (wrong, status, field, allowed) => {
    const before = await count('batch');
    const request = { ...start(), ...wrong };
    const refused = await refusal((async () => startBatch(pool, accept(StartRequest, request)))());
    expect(refused.status).toBe(status);
    expect(refused.problems[0]?.field).toBe(field);
    expect(refused.problems[0]?.allowed).toMatch(allowed);
    expect(await count('batch')).toBe(before);
  });

  test('planning alone writes nothing', async () => {
    const before = await count('batch');
    const { plan } = await planStored(pool, accept(Order, wish()));
    expect(plan.found.band).toBe('Coating');
    expect(await count('batch')).toBe(before);
  });
});

describe('the record', () => {
  const begun = async () => {
    const request = start({ anyway: true });
    await startBatch(pool, accept(StartRequest, request));
    return request.id;
  };

  test('a tap sent twice, even at once, is kept once', async () => {
    const id = await begun();
    const event = tap({ kind: 'step-done', step: 0 });
    const answers = await Promise.all(Array.from({ length: 6 }, () => recordEvent(pool, id, event)));
    expect(answers.filter((a) => a.isNew)).toHaveLength(1);
    expect((await readBatch(pool, id))?.events).toEqual([{ ...event, receivedAt: expect.any(String) }]);
  });

  test('withdrawing keeps both lines, and the state goes back', async () => {
    const id = await begun();
    const done = tap({ kind: 'step-done', step: 0 });
    await recordEvent(pool, id, done);
    await recordEvent(pool, id, tap({ kind: 'withdrawn', event: done.id }));
    const batch = await readBatch(pool, id);
    expect(batch?.events).toHaveLength(2);
    expect(batch && batchState(batch).current).toBe(0);
  });

  test('cannot be rewritten, not even by hand', async () => {
    const id = await begun();
    await recordEvent(pool, id, tap({ kind: 'step-done', step: 0 }));
    await expect(pool.query("UPDATE batch_event SET station = 'Nobody'")).rejects.toThrow(/append-only/);
    await expect(pool.query('DELETE FROM batch_event')).rejects.toThrow(/append-only/);
    await expect(pool.query('TRUNCATE batch_event')).rejects.toThrow(/append-only/);
  });

  test.each([
    [{ kind: 'step-done', step: 99 }, 400],
    [{ kind: 'step-done', step: 11 }, 422],
    [{ kind: 'withdrawn', event: '00000000-0000-4000-8000-000000000000' }, 422],
    [{ kind: 'boiled-over' }, 400],
  ])('%j speaks of nothing the batch has', async (body, status) => {
    const id = await begun();
    const before = await count('batch_event');
    expect((await refusal(recordEvent(pool, id, tap(body)))).status).toBe(status);
    expect(await count('batch_event')).toBe(before);
  });

  test.each<[string, (rim: { mm: number; ml: number }) => object, string | null]>([
    ['a level at the rim', ({ mm }) => ({ kind: 'depth', mm: Math.floor(mm) }), null],
    ['a level over the rim', ({ mm }) => ({ kind: 'depth', mm: Math.floor(mm) + 1 }), 'body.mm'],
    ['a volume to the rim', ({ ml }) => ({ kind: 'volume', ml: Math.floor(ml) }), null],
    ['a volume over the rim', ({ ml }) => ({ kind: 'volume', ml: Math.floor(ml) + 1 }), 'body.ml'],
    ['a timer nobody started', () => ({ kind: 'timer-stopped', timer: randomUUID() }), 'body.timer'],
    ['a step nobody added', () => ({ kind: 'step-done', step: randomUUID() }), 'body.step'],
  ])(
    '%s: what the pot and the batch have is taken, what they have not is refused by its field',
    async (_what, body, field) => {
      const id = await begun();
      const { vessel } = (await readBatch(pool, id))?.plan.cooked ?? {};
      if (!vessel) throw new Error('it has a pot');
      const rim = { mm: vessel.heightMm, ml: rimVolume(vessel) };
      const recorded = recordEvent(pool, id, tap(body(rim)));
      if (field === null) expect(await recorded).toMatchObject({ isNew: true });
      else expect((await refusal(recorded)).problems[0]?.field).toBe(field);
    },
  );

  test('a line is of no more than a day ahead, and no more than a day before its batch began', async () => {
    const id = await begun();
    const HOUR = 3_600_000;
    const { startedAt } = (await readBatch(pool, id)) ?? {};
    const at = (ms: number) => ({ ...tap({ kind: 'note', text: 'x' }), at: new Date(ms).toISOString() });
    const begins = Date.parse(startedAt ?? '');
    for (const ms of [Date.now() + 23 * HOUR, begins - 23 * HOUR])
      expect(await recordEvent(pool, id, at(ms))).toMatchObject({ isNew: true });
    for (const ms of [Date.now() + 25 * HOUR, begins - 25 * HOUR])
      expect((await refusal(recordEvent(pool, id, at(ms)))).problems[0]?.field).toBe('at');
  });

  test('an id is one line’s: of another batch it is refused, of this one it is the same line', async () => {
    const [one, two] = [await begun(), await begun()];
    const event = tap({ kind: 'note', text: 'once' });
    expect(await recordEvent(pool, one, event)).toMatchObject({ isNew: true });
    expect(await recordEvent(pool, one, event)).toMatchObject({ isNew: false });
    expect(await refusal(recordEvent(pool, two, event))).toMatchObject({ status: 409 });
  });

  test('a batch that is not there', async () => {
    expect((await refusal(recordEvent(pool, 'soup', tap({ kind: 'step-done', step: 0 })))).status).toBe(404);
    expect((await refusal(recordEvent(pool, randomUUID(), tap({ kind: 'step-done', step: 0 })))).status).toBe(
      404,
    );
  });

  test('a batch keeps the recipe version it was cooked from', async () => {
    const id = await begun();
    const [first] = (await readBatches(pool, 'quay-house')).filter((b) => b.id === id);
    const { rows } = await pool.query(
      "SELECT body FROM recipe_version WHERE recipe_id = 'cockle-and-leek-chowder'",
    );
    const version = await writeVersion(pool, 'quay-house', { ...rows[0].body, name: 'Cockle chowder' });
    expect(version).toBe((first?.recipeVersion ?? 0) + 1);
    expect((await readBatch(pool, id))?.plan.recipeName).toBe('Cockle and leek chowder');
    expect((await readRecipes(pool, 'quay-house'))[0]?.recipe.name).toBe('Cockle chowder');
    await expect(pool.query('UPDATE recipe_version SET version = 9')).rejects.toThrow(/append-only/);
  });
});

describe('at the edge', () => {
  const post = (body: BodyInit) => new Request('http://x/', { method: 'POST', body });

  test('a 10 MB body is turned away without being read whole', async () => {
    const refused = await refusal(readJson(post('x'.repeat(10 * 1024 * 1024))));
    expect(refused.status).toBe(413);
    expect(refused.problems[0]?.allowed).toMatch(/at most 65536 bytes/);
  });

  test('what is not JSON, and nothing at all', async () => {
    expect((await refusal(readJson(post('{half')))).problems[0]?.given).toBe('not JSON');
    expect((await refusal(readJson(post('')))).problems[0]?.given).toBe('empty');
  });

  test('an unforeseen failure is one plain line, not its insides', async () => {
    const written = jest.spyOn(log(), 'error').mockImplementation(() => {});
    const answer = await respond(async () => {
      throw new Error('password is hunter2');
    });
    expect(answer.status).toBe(500);
    expect(await answer.text()).not.toMatch(/hunter2/);
    expect(written).toHaveBeenCalledWith({ err: expect.any(Error) }, 'a request failed');
    written.mockRestore();
  });
});
