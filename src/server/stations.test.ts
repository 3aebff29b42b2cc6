import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import type pg from 'pg';
import type { Access } from '../core/record/access';
import { recordEvent, startBatch } from './actions/batches';
import { recordKeep } from './actions/keep/keep';
import { saveRecipe } from './actions/recipes';
import {
  forgetPin,
  lower,
  makeCode,
  pair,
  raise,
  rename,
  revoke,
  setPin,
  theMe,
  theStations,
} from './actions/stations';
import { loadDemo } from './data/demo/demo';
import { refusal, testDatabase } from './data/testDatabase';
import { as, HERE, type PairedStation, type Who } from './guard/asking';
import { hashed, LEAD_LASTS } from './guard/keys';
import { readBatch, readBatches } from './queries/batches';
import { readRecipe, readVersions } from './queries/recipes';
import { goOnWithSession, readStationByKey } from './queries/stations';
import { startOf } from './testKit';

const K = 'quay-house';
let pool: pg.Pool;
let drop: () => Promise<void>;
let demo: string;

beforeAll(async () => {
  ({ pool, drop } = await testDatabase());
  await loadDemo(pool, join(process.cwd(), 'demo'));
  demo = (await readBatches(pool, K))[0]?.id ?? '';
});
afterAll(() => drop());

const by = <T>(who: Who, work: () => Promise<T>): Promise<T> =>
  as({ who, address: '192.168.1.9', secure: false }, work);
const asked = (more: object = {}) => ({ name: 'Pass tablet', access: 'line', ...more });

/** A station let in by a code, as it comes in by its key. */
async function letIn(access: Access = 'line', worksAs = ''): Promise<{ key: string; who: PairedStation }> {
  const { code } = await makeCode(pool, asked({ access, worksAs }));
  const { key } = await pair(pool, { code });
  const found = await readStationByKey(pool, hashed(key));
  if (!found) throw new Error('no station');
  return { key, who: { kind: 'station', ...found, raised: false } };
}
const ageCodes = (minutes: number) =>
  pool.query("UPDATE pairing SET expires_at = expires_at - $1 * interval '1 minute'", [minutes]);

describe('a code', () => {
  test('of six digits lets one station in, as what the lead said, once', async () => {
    const { code, until } = await makeCode(pool, asked({ worksAs: 'Closer' }));
    expect(code).toMatch(/^\d{6}$/);
    expect(Math.abs(new Date(until).getTime() - Date.now() - 300_000)).toBeLessThan(20_000);
    const { key } = await pair(pool, { code: `${code.slice(0, 3)} ${code.slice(3)}` });
    expect(await readStationByKey(pool, hashed(key))).toMatchObject({
      kitchenId: K,
      name: 'Pass tablet',
      access: 'line',
      worksAs: 'Closer',
    });
    expect((await refusal(pair(pool, { code }))).problems[0]?.field).toBe('code');
  });

  test('and its key stand nowhere as they are', async () => {
    const { code } = await makeCode(pool, asked({ name: 'Secret' }));
    const { rows: waiting } = await pool.query('SELECT to_jsonb(p)::text AS row FROM pairing p');
    expect(waiting.map((r) => r.row).join()).not.toContain(code);
    const { key } = await pair(pool, { code });
    const { rows } = await pool.query('SELECT to_jsonb(s)::text AS row FROM station s');
    expect(rows.map((r) => r.row).join()).not.toContain(key);
    expect(key.length).toBeGreaterThanOrEqual(43);
  });

  test('stands five minutes', async () => {
    const { code } = await makeCode(pool, asked());
    await ageCodes(4.9);
    const other = await makeCode(pool, asked());
    expect(await pair(pool, { code })).toHaveProperty('key');
    await ageCodes(5.1);
    expect((await refusal(pair(pool, { code: other.code }))).problems[0]?.field).toBe('code');
  });

  test('is gone after ten guesses, right as it would have been', async () => {
    const { code } = await makeCode(pool, asked());
    const wrong = code === '000000' ? '000001' : '000000';
    for (let i = 0; i < 9; i++) await refusal(pair(pool, { code: wrong }));
    const held = await pool.query('SELECT 1 FROM pairing');
    expect(held.rowCount).toBe(1);
    await refusal(pair(pool, { code: wrong }));
    expect((await refusal(pair(pool, { code }))).problems[0]?.field).toBe('code');
  });

  test.each([
    [{ name: '' }, 'name'],
    [{ name: 'x'.repeat(41) }, 'name'],
    [{ access: 'owner' }, 'access'],
    [{ worksAs: 'x'.repeat(31) }, 'worksAs'],
  ])('for %j is refused by its field', async (more, field) => {
    expect((await refusal(makeCode(pool, asked(more)))).problems[0]?.field).toBe(field);
  });

  test.each(['12345', '1234567', '12a456', '', null, 123456])('typed as %j is refused', async (code) => {
    expect((await refusal(pair(pool, { code }))).problems[0]).toMatchObject({ field: 'code' });
  });
});

describe('a station', () => {
  test('stands in the list with when it was seen; one that asks knows itself', async () => {
    const { who } = await letIn('trainee');
    const told = await by(who, () => theStations(pool, true));
    const own = told.stations.find((s) => s.id === who.id);
    expect(own).toMatchObject({ access: 'trainee', mine: true, revokedAt: null });
    expect(told.stations.filter((s) => s.mine)).toHaveLength(1);
    await pool.query("UPDATE station SET seen_at = now() - interval '1 hour' WHERE id = $1", [who.id]);
    const { rows } = await pool.query('SELECT key_hash FROM station WHERE id = $1', [who.id]);
    await readStationByKey(pool, rows[0].key_hash);
    const again = (await theStations(pool, true)).stations.find((s) => s.id === who.id);
    expect(Date.now() - new Date(again?.seenAt ?? 0).getTime()).toBeLessThan(60_000);
  });

  test('is given another name, and told where there is no such one', async () => {
    const { who } = await letIn();
    await rename(pool, who.id, { name: 'Cold larder' });
    expect((await theStations(pool, true)).stations.find((s) => s.id === who.id)?.name).toBe('Cold larder');
    expect((await refusal(rename(pool, randomUUID(), { name: 'x' }))).status).toBe(404);
    expect((await refusal(rename(pool, 'x', { name: 'x' }))).status).toBe(404);
  });

  test('that is revoked has a key that opens nothing, and is a lead’s no more', async () => {
    const { key, who } = await letIn();
    await setPin(pool, { pin: '2468' });
    const token = await by(who, () => raise(pool, { pin: '2468' }));
    await revoke(pool, who.id);
    expect(await readStationByKey(pool, hashed(key))).toBeNull();
    expect(await goOnWithSession(pool, who.id, hashed(token), LEAD_LASTS)).toBe(false);
    const told = (await theStations(pool, true)).stations;
    expect(told.find((s) => s.id === who.id)?.revokedAt).not.toBeNull();
    expect(told.findIndex((s) => s.revokedAt !== null)).toBeGreaterThan(
      told.findLastIndex((s) => s.revokedAt === null),
    );
    await forgetPin(pool);
  });
});

describe('the PIN', () => {
  beforeEach(async () => {
    await forgetPin(pool);
    await setPin(pool, { pin: '4711' });
  });
  afterAll(() => forgetPin(pool));
  const wrong = (who: Who) => refusal(by(who, () => raise(pool, { pin: '0000' })));
  const waited = (seconds: number) =>
    pool.query("UPDATE lead_pin SET wait_until = wait_until - $1 * interval '1 second'", [seconds]);
  const waitsFor = async () => {
    const { rows } = await pool.query(
      'SELECT extract(epoch FROM wait_until - clock_timestamp()) AS s FROM lead_pin',
    );
    return Number(rows[0].s);
  };

  test('stands as Argon2id, with 19 MiB and two passes', async () => {
    const { rows } = await pool.query('SELECT hash FROM lead_pin');
    expect(rows[0].hash).toMatch(/^\$argon2id\$v=19\$m=19456,t=2,p=1\$/);
    expect(rows[0].hash).not.toContain('4711');
  });

  test('makes the station that typed it a lead’s for ten minutes from each use, and no other', async () => {
    const { who } = await letIn();
    const other = await letIn();
    const token = hashed(await by(who, () => raise(pool, { pin: '4711' })));
    expect(await goOnWithSession(pool, who.id, token, LEAD_LASTS)).toBe(true);
    expect(await goOnWithSession(pool, other.who.id, token, LEAD_LASTS)).toBe(false);
    await pool.query("UPDATE lead_session SET until = until - interval '9 minutes'");
    expect(await goOnWithSession(pool, who.id, token, LEAD_LASTS)).toBe(true);
    await pool.query("UPDATE lead_session SET until = until - interval '9 minutes'");
    expect(await goOnWithSession(pool, who.id, token, LEAD_LASTS)).toBe(true);
    await pool.query("UPDATE lead_session SET until = until - interval '10 minutes'");
    expect(await goOnWithSession(pool, who.id, token, LEAD_LASTS)).toBe(false);
  });

  test('is laid down again by a tap', async () => {
    const { who } = await letIn();
    const token = hashed(await by(who, () => raise(pool, { pin: '4711' })));
    await by(who, () => lower(pool));
    expect(await goOnWithSession(pool, who.id, token, LEAD_LASTS)).toBe(false);
  });

  test('waits a minute after five wrong ones, whatever station types it, and not for the right one either', async () => {
    const { who } = await letIn();
    const other = await letIn();
    for (let left = 4; left > 0; left--)
      expect(JSON.stringify((await wrong(who)).problems)).toContain(
        left === 1 ? 'one try left' : `${left} tries`,
      );
    await wrong(who);
    expect(await waitsFor()).toBeGreaterThan(50);
    expect(await waitsFor()).toBeLessThanOrEqual(60);
    const right = await refusal(by(other.who, () => raise(pool, { pin: '4711' })));
    expect(JSON.stringify(right.problems)).toContain('too many wrong PINs');
    await waited(61);
    expect(await by(other.who, () => raise(pool, { pin: '4711' }))).toBeTruthy();
  });

  test('waits twice as long after each further one, up to an hour; a right one begins anew', async () => {
    const { who } = await letIn();
    for (let i = 0; i < 5; i++) await wrong(who);
    for (const minutes of [2, 4, 8, 16, 32, 60, 60]) {
      await waited(3601);
      await wrong(who);
      expect(Math.round((await waitsFor()) / 60)).toBe(minutes);
    }
    await waited(3601);
    await by(who, () => raise(pool, { pin: '4711' }));
    for (let i = 0; i < 4; i++) await wrong(who);
    expect(await by(who, () => raise(pool, { pin: '4711' }))).toBeTruthy();
  });

  test('that is set anew makes no one a lead who was one by that before; a station needs the old one for it', async () => {
    const { who } = await letIn('lead');
    const token = hashed(await by(who, () => raise(pool, { pin: '4711' })));
    expect((await refusal(by(who, () => setPin(pool, { pin: '9999' })))).status).toBe(403);
    await by({ ...who, raised: true }, () => setPin(pool, { pin: '9999' }));
    expect(await goOnWithSession(pool, who.id, token, LEAD_LASTS)).toBe(false);
    await refusal(by(who, () => raise(pool, { pin: '4711' })));
    expect(await by(who, () => raise(pool, { pin: '9999' }))).toBeTruthy();
  });

  test.each(['123', '1234567890123', 'abcd', '', null, 1234])('typed as %j is refused', async (pin) => {
    expect((await refusal(setPin(pool, { pin }))).problems[0]?.field).toBe('pin');
  });

  test('that is lost is forgotten at the machine: the next lead sets another, and until then nobody is raised', async () => {
    const { who } = await letIn('lead');
    await forgetPin(pool);
    expect((await by(who, () => theMe(pool))).pinSet).toBe(false);
    expect(JSON.stringify((await refusal(by(who, () => raise(pool, { pin: '4711' })))).problems)).toContain(
      'no PIN is set',
    );
    await by(who, () => setPin(pool, { pin: '1357' }));
    expect(await by(who, () => raise(pool, { pin: '1357' }))).toBeTruthy();
  });
});

const note = (more: object = {}) => ({
  id: randomUUID(),
  at: new Date().toISOString(),
  station: 'Lead',
  body: { kind: 'note', text: 'so it goes' },
  ...more,
});
const kept = (body: object, more: object = {}) => ({
  id: randomUUID(),
  at: new Date().toISOString(),
  station: 'Lead',
  body,
  ...more,
});
const PUT_BY = {
  kind: 'put by',
  what: 'stock',
  name: 'Vegetable stock',
  madeAt: new Date(Date.now() - 3_600_000).toISOString(),
  ml: 6000,
  allergens: ['celery'],
  container: { kind: 'pans', pan: 'tub-2', count: 3 },
  place: 'fridge',
};

describe('a line of the record', () => {
  test('has station and role of the key, whatever it claims to be from; what it said stands beside', async () => {
    const { who } = await letIn('line', 'Closer');
    const line = note({
      via: { station: randomUUID(), name: 'Lead', access: 'lead' },
      brought: true,
      receivedAt: '2020-01-01T00:00:00.000Z',
    });
    await by(who, () => recordEvent(pool, demo, line));
    const written = (await readBatch(pool, demo))?.events.find((e) => e.id === line.id);
    expect(written).toMatchObject({
      station: 'Closer',
      via: { station: who.id, name: 'Pass tablet', access: 'line', said: 'Lead' },
    });
    expect(written).not.toHaveProperty('brought');
    expect(Date.now() - new Date(written?.receivedAt ?? 0).getTime()).toBeLessThan(60_000);
  });

  test('by a station of nobody’s has its name; where the PIN was typed, a lead’s access', async () => {
    const { who } = await letIn();
    const line = note({ station: 'Pass tablet' });
    await by({ ...who, raised: true }, () => recordEvent(pool, demo, line));
    const written = (await readBatch(pool, demo))?.events.find((e) => e.id === line.id);
    expect(written?.station).toBe('Pass tablet');
    expect(written?.via).toEqual({ station: who.id, name: 'Pass tablet', access: 'lead' });
  });

  test('at the machine itself is as it says, by no key', async () => {
    const line = note({ via: { station: randomUUID(), name: 'Lead', access: 'lead' } });
    await by(HERE, () => recordEvent(pool, demo, line));
    const written = (await readBatch(pool, demo))?.events.find((e) => e.id === line.id);
    expect(written?.station).toBe('Lead');
    expect(written).not.toHaveProperty('via');
  });

  test('of what is kept is by the key too, and a trainee throws nothing away', async () => {
    const { who } = await letIn('trainee', 'Newcomer');
    const lot = randomUUID();
    const line = kept(PUT_BY, { via: { station: lot, name: 'Lead', access: 'lead' } });
    await by(who, () => recordKeep(pool, lot, line));
    const { rows } = await pool.query('SELECT station, via FROM keep_event WHERE id = $1', [line.id]);
    expect(rows[0]).toEqual({
      station: 'Newcomer',
      via: { station: who.id, name: 'Pass tablet', access: 'trainee', said: 'Lead' },
    });
    const gone = kept({ kind: 'thrown away', ml: 1000, why: 'spoilt' });
    expect((await refusal(by(who, () => recordKeep(pool, lot, gone)))).status).toBe(403);
    expect((await pool.query('SELECT 1 FROM keep_event WHERE id = $1', [gone.id])).rowCount).toBe(0);
  });

  test('a stranger writes nothing, whatever let it through', async () => {
    const line = note();
    expect((await refusal(by({ kind: 'stranger' }, () => recordEvent(pool, demo, line)))).status).toBe(401);
    expect((await pool.query('SELECT 1 FROM batch_event WHERE id = $1', [line.id])).rowCount).toBe(0);
  });

  test('a batch is begun by its key', async () => {
    const { who } = await letIn('line', 'Opener');
    const id = randomUUID();
    const request = startOf({ id, anyway: true });
    await by(who, () => startBatch(pool, request));
    expect((await readBatch(pool, id))?.via).toEqual({
      station: who.id,
      name: 'Pass tablet',
      access: 'line',
    });
  });

  test('is sealed with its key; one of the machine is sealed as before there were keys', async () => {
    const { who } = await letIn();
    const [keyed, own] = [note(), note()];
    await by(who, () => recordEvent(pool, demo, keyed));
    await by(HERE, () => recordEvent(pool, demo, own));
    const rowOf = async (id: string) =>
      (await pool.query('SELECT row FROM to_seal WHERE id = $1', [id])).rows[0].row;
    expect((await rowOf(keyed.id)).via).toMatchObject({ name: 'Pass tablet' });
    expect(Object.keys(await rowOf(own.id)).sort()).toEqual([
      'at',
      'batch',
      'body',
      'clock',
      'id',
      'received',
      'seq',
      'station',
    ]);
  });
});

test('what a station saves is by its key: a recipe’s version says whose it was, and as what', async () => {
  const { who } = await letIn('line', 'Day lead');
  const recipe = await readRecipe(pool, K, 'smoked-parsnip-veloute');
  if (!recipe) throw new Error('no recipe');
  await by({ ...who, raised: true }, () =>
    saveRecipe(pool, K, recipe.body.id, {
      body: { ...recipe.body, name: 'Parsnip, smoked' },
      by: 'Head chef',
      base: recipe.version,
    }),
  );
  expect((await readVersions(pool, K, recipe.body.id))[0]?.by).toBe('Day lead, lead');
});
