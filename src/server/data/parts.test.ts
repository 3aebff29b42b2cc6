import { createHash, randomUUID } from 'node:crypto';
import {
  copyFileSync,
  existsSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gunzipSync, gzipSync } from 'node:zlib';
import type pg from 'pg';
import type { BatchEvent } from '../../core/batch/events';
import { theRecord } from '../actions/record';
import { verifyRecord } from '../actions/verify';
import { takeArchive } from '../archive/take';
import { archiveText } from '../archive/write';
import { appendEvents, readBatch, readBatches, readLimits, UNBOUND, writeBatch } from '../queries/batches';
import { sealRest } from '../queries/record/seals';
import { loadDemo } from './demo/demo';
import { migrate } from './migrate';
import { bringBack, listParts, makeParts, putAway } from './parts';
import { openSince, testDatabase } from './testDatabase';

let pool: pg.Pool;
let drop: () => Promise<void>;
const folder = mkdtempSync(join(tmpdir(), 'panache-parts-'));
const K = 'quay-house';
const MONTH_AGO = '2026-03';
/** When it has been long enough since. */
const LATER = new Date('2026-11-01T00:00:00Z');

let old: string;
const line = (at: string, body: BatchEvent['body'], id: string = randomUUID()): BatchEvent => ({
  id,
  at,
  receivedAt: at,
  station: 'Opener',
  body,
});
/** Written as an archive’s lines are, with the moment they were received in. */
const write = (batch: string, ...events: readonly BatchEvent[]) =>
  appendEvents(
    pool,
    events.map((event) => ({ batch, event, bounds: { ...UNBOUND, archived: true } })),
    false,
  );

/** A batch of that day, with a reading, a note nobody can say shorter, and its end. */
async function cooked(day: string): Promise<string> {
  const [demo] = await readBatches(pool, K);
  if (!demo) throw new Error('no batch');
  const id = randomUUID();
  const at = `${day}T10:00:00.123Z`;
  const { events: _, ...like } = demo;
  await writeBatch(pool, { ...like, id, kitchenId: K, startedAt: at, serveAt: null, receivedAt: at }, false);
  await write(
    id,
    line(`${day}T10:20:00.456Z`, { kind: 'temperature', celsius: 88.25 }),
    line(`${day}T10:30:00Z`, { kind: 'note', text: 'é "quoted"\nünd 🍲' }),
    line(`${day}T11:00:00Z`, { kind: 'finished', goesTo: 'pass' }),
  );
  return id;
}
const rows = async () => (await pool.query('SELECT * FROM batch_event ORDER BY seq')).rows;
const partOf = async (batch: string) =>
  (
    await pool.query<{ part: string }>(
      'SELECT DISTINCT tableoid::regclass::text AS part FROM batch_event WHERE batch_id = $1',
      [batch],
    )
  ).rows.map((r) => r.part);
const file = (name: string) => join(folder, name);
const away = async () => (await listParts(pool)).filter((p) => p.away).map((p) => p.name);

beforeAll(async () => {
  ({ pool, drop } = await testDatabase());
  // Before there is any line: the demo of a first of the month has lines of the month before.
  await openSince(pool, new Date('2026-02-01Z'));
  await loadDemo(pool, join(process.cwd(), 'demo'));
  old = await cooked('2026-03-14');
  await cooked('2026-04-02');
  await sealRest(pool, K, null);
});
afterAll(async () => {
  rmSync(folder, { recursive: true, force: true });
  await drop();
});

describe('parts of the record', () => {
  test('a line goes to the part of the month it was received in, by UTC, and is numbered after all others', async () => {
    expect(await partOf(old)).toEqual(['batch_event_2026_03']);
    const edge = await cooked('2026-03-31');
    await write(edge, line('2026-03-31T23:59:59.999Z', { kind: 'note', text: 'March' }));
    await write(edge, line('2026-04-01T00:00:00Z', { kind: 'note', text: 'April' }));
    expect(await partOf(edge)).toEqual(
      expect.arrayContaining(['batch_event_2026_03', 'batch_event_2026_04']),
    );
    const seqs = (await readBatch(pool, edge))?.events.map((e) => e.id);
    expect(seqs).toHaveLength(5);
    const all = (await rows()).map((r) => Number(r.seq));
    expect(new Set(all).size).toBe(all.length);
    await sealRest(pool, K, null);
  });

  test('six months ahead have one, made once; what has none is kept by the last', async () => {
    const ahead = (await listParts(pool)).map((p) => p.name);
    const now = new Date();
    for (let n = 0; n <= 6; n++) {
      const month = new Date(Date.UTC(now.getUTCFullYear(), now.getUTCMonth() + n, 1));
      expect(ahead).toContain(month.toISOString().slice(0, 7));
    }
    expect(await makeParts(pool)).toEqual([]);
    const far = line('2044-05-05T10:00:00Z', { kind: 'note', text: 'far' });
    await write(old, far);
    expect(await partOf(old)).toContain('batch_event_rest');
    // A month that has lines there gets no part: they would be in two.
    expect(await makeParts(pool, new Date('2044-05-01T00:00:00Z'))).not.toContain('2044-05');
    await pool.query('ALTER TABLE batch_event_rest DISABLE TRIGGER append_only');
    await pool.query('DELETE FROM batch_event_rest');
    await pool.query('ALTER TABLE batch_event_rest ENABLE TRIGGER append_only');
  });

  test('no part can be rewritten, by its own name either', async () => {
    for (const table of ['batch_event', 'batch_event_2026_03', 'batch_event_before', 'batch_event_rest'])
      for (const change of [`UPDATE ${table} SET station = 'x'`, `DELETE FROM ${table}`, `TRUNCATE ${table}`])
        await expect(pool.query(change)).rejects.toThrow(/append-only/);
  });

  test('an id is written once, whichever month it comes in again', async () => {
    const id = randomUUID();
    const note = { kind: 'note', text: 'once' } as const;
    const first = await appendEvents(pool, [
      { batch: old, event: line(new Date().toISOString(), note, id), bounds: UNBOUND },
    ]);
    expect(first.size).toBe(1);
    for (const sealed of [true, false]) {
      const again = await appendEvents(
        pool,
        [
          {
            batch: old,
            event: line('2026-03-20T10:00:00Z', note, id),
            bounds: { ...UNBOUND, archived: true },
          },
        ],
        sealed,
      );
      expect(again.size).toBe(0);
    }
    expect((await rows()).filter((r) => r.id === id)).toHaveLength(1);
    expect((await readLimits(pool, old, id, null))?.knownIn).toBe(old);
  });

  test('a batch is read from the parts that can have it alone', async () => {
    const [{ id, received_at, started_at } = { id: '', received_at: 0, started_at: 0 }] = (
      await pool.query('SELECT id, received_at, started_at FROM batch ORDER BY started_at DESC LIMIT 1')
    ).rows;
    const { rows: plan } = await pool.query<{ 'QUERY PLAN': string }>(
      `EXPLAIN SELECT * FROM batch_event WHERE batch_id = '${id}' AND received_at >= first_line_of('${new Date(received_at).toISOString()}', '${new Date(started_at).toISOString()}')`,
    );
    const text = plan.map((p) => p['QUERY PLAN']).join('\n');
    expect(text).not.toMatch(/batch_event_(before|2026_0)/);
    expect(text).toMatch(/batch_event_2/);
  });
});

describe('put away and brought back', () => {
  test('what is young, not over, not there or would write over a file stays; nothing is changed', async () => {
    const before = await rows();
    const refused = (name: string, to = file('no.gz'), now = LATER) =>
      expect(putAway(pool, name, to, now)).rejects;
    await refused('2019-01').toThrow(/there is no part “2019-01”: there are before, 2026-02, 2026-03/);
    await refused(MONTH_AGO, file('no.gz'), new Date('2026-07-01T00:00:00Z')).toThrow(
      /not before 2026-07-02/,
    );
    writeFileSync(file('mine.txt'), 'mine');
    await refused(MONTH_AGO, file('mine.txt')).toThrow(/is there already/);
    expect(readFileSync(file('mine.txt'), 'utf8')).toBe('mine');
    const living = await cooked('2026-02-10');
    await refused('2026-02').toThrow(/not sealed yet/);
    await sealRest(pool, K, null);
    const ended = (await readBatch(pool, living))?.events.find((e) => e.body.kind === 'finished');
    await appendEvents(pool, [
      {
        batch: living,
        event: line(new Date().toISOString(), { kind: 'withdrawn', event: ended?.id ?? '' }),
        bounds: UNBOUND,
      },
    ]);
    await refused('2026-02').toThrow(/not over \(.+ of 2026-02-10\): end or clear them first/);
    expect(existsSync(file('no.gz'))).toBe(false);
    expect((await rows()).slice(0, before.length)).toEqual(before);
    expect(await away()).toEqual([]);
  });

  test('goes to a file and comes back the same, to the microsecond; the chain holds all the while', async () => {
    const before = await rows();
    const links = (await verifyRecord(pool, [])).links;
    const { lines, sha256 } = await putAway(pool, MONTH_AGO, file('march.gz'), LATER);
    expect(lines).toBe(before.filter((r) => r.received_at.toISOString().startsWith(MONTH_AGO)).length);
    expect(lines).toBeGreaterThan(6);
    expect(sha256).toBe(
      createHash('sha256')
        .update(readFileSync(file('march.gz')))
        .digest('hex'),
    );
    const text = gunzipSync(readFileSync(file('march.gz')))
      .toString('utf8')
      .trimEnd()
      .split('\n');
    expect(JSON.parse(text[0] ?? '')).toMatchObject({ format: 'panache.lines/2', part: MONTH_AGO, lines });
    const { batches } = JSON.parse(text[0] ?? '') as { batches: number };
    expect(text).toHaveLength(lines + batches + 1);
    expect(await away()).toEqual([MONTH_AGO]);
    expect(await rows()).toHaveLength(before.length - lines);

    const verified = await verifyRecord(pool, []);
    expect(verified).toMatchObject({ findings: [], links: links + 1 });
    expect(verified.away).toMatchObject([{ file: 'march.gz', lines, sha256 }]);
    await expect(putAway(pool, MONTH_AGO, file('twice.gz'), LATER)).rejects.toThrow(/put away already/);

    expect(await bringBack(pool, file('march.gz'))).toEqual({ name: MONTH_AGO, lines });
    expect(await rows()).toEqual(before);
    expect(await away()).toEqual([]);
    expect(await verifyRecord(pool, [])).toMatchObject({
      findings: [],
      // That it went and that it came back stand in the chain.
      links: links + 2,
      away: [],
    });
    await expect(pool.query('DELETE FROM batch_event_2026_03')).rejects.toThrow(/append-only/);
    await expect(bringBack(pool, file('march.gz'))).rejects.toThrow(/not put away/);
    // As it was before: nothing is left of how it came back.
    const { rows: left } = await pool.query(`SELECT 1 FROM pg_constraint WHERE conname = 'within'`);
    expect(left).toEqual([]);
  });

  test('a line that is not as it was sealed is not put away as if it were', async () => {
    const change = async (celsius: number) => {
      await pool.query('ALTER TABLE batch_event_2026_03 DISABLE TRIGGER append_only');
      await pool.query(
        `UPDATE batch_event_2026_03 SET body = body || jsonb_build_object('celsius', $2::numeric) WHERE batch_id = $1 AND body ->> 'kind' = 'temperature'`,
        [old, celsius],
      );
      await pool.query('ALTER TABLE batch_event_2026_03 ENABLE TRIGGER append_only');
    };
    await change(68.25);
    await expect(putAway(pool, MONTH_AGO, file('changed.gz'), LATER)).rejects.toThrow(
      /^2026-03 stays: line .* is not what the chain of the record has/,
    );
    expect(readdirSync(folder).filter((f) => f.startsWith('changed'))).toEqual([]);
    expect((await verifyRecord(pool, [])).findings.map((f) => f.finding.kind)).toEqual(['changed']);
    await change(88.25);
    expect((await verifyRecord(pool, [])).findings).toEqual([]);
  });

  test('of two that put it away at once one does, the other is told, and no file is left over', async () => {
    const [one, other] = await Promise.allSettled([
      putAway(pool, MONTH_AGO, file('one.gz'), LATER),
      putAway(pool, MONTH_AGO, file('other.gz'), LATER),
    ]);
    const refused = one.status === 'rejected' ? one : other;
    expect([one.status, other.status].sort()).toEqual(['fulfilled', 'rejected']);
    expect(String((refused as PromiseRejectedResult).reason)).toMatch(
      /another part is being moved|put away already/,
    );
    const kept = one.status === 'fulfilled' ? 'one.gz' : 'other.gz';
    expect(readdirSync(folder).filter((f) => /^(one|other)/.test(f))).toEqual([kept]);
    await bringBack(pool, file(kept));
  });

  describe('while it is away', () => {
    let known: string;
    beforeAll(async () => {
      known = (await readBatch(pool, old))?.events[0]?.id ?? '';
      await putAway(pool, MONTH_AGO, file('away.gz'), LATER);
    });
    afterAll(() => bringBack(pool, file('away.gz')));

    test('a batch says what it is without, and a record of those days too', async () => {
      expect((await readBatch(pool, old))?.away).toEqual([{ file: 'away.gz', lines: 3 }]);
      const march = await theRecord(pool, { from: '2026-03-01', to: '2026-03-31' });
      expect(march.away).toEqual([{ from: '2026-03-01', to: '2026-04-01', file: 'away.gz' }]);
      expect((await theRecord(pool, { from: '2026-04-03', to: '2026-04-03' })).away).toEqual([]);
    });

    test('a tap of before is known still, and its batch is over still', async () => {
      const again = line('2026-03-14T10:20:00Z', { kind: 'note', text: 'again' }, known);
      for (const sealed of [true, false])
        expect((await appendEvents(pool, [{ batch: old, event: again, bounds: UNBOUND }], sealed)).size).toBe(
          0,
        );
      expect((await readLimits(pool, old, known, null))?.knownIn).toBe(old);
      await appendEvents(pool, [
        {
          batch: old,
          event: line(new Date().toISOString(), { kind: 'withdrawn', event: randomUUID() }),
          bounds: UNBOUND,
        },
      ]);
      const { rows: ends } = await pool.query('SELECT over_at FROM batch WHERE id = $1', [old]);
      expect(ends[0].over_at).not.toBeNull();
    });

    test('a line that was changed where it went is not let in, and nothing is', async () => {
      const text = gunzipSync(readFileSync(file('away.gz'))).toString('utf8');
      writeFileSync(file('other.gz'), gzipSync(text.replace('88.25', '78.25')));
      await expect(bringBack(pool, file('other.gz'))).rejects.toThrow(
        /is not the file 2026-03 was put away in/,
      );
      // Even where somebody wrote down another sum: each line is held against the chain.
      const sum = createHash('sha256')
        .update(readFileSync(file('other.gz')))
        .digest('hex');
      await pool.query(
        `INSERT INTO event_part_moved SELECT part, n + 1, what, now(), lines, '${sum}', file, gen_random_uuid(), kitchens FROM event_part_moved
         WHERE part = 'batch_event_2026_03' ORDER BY n DESC LIMIT 1`,
      );
      const at = text.split('\n').findIndex((l) => l.includes('88.25')) + 1;
      await expect(bringBack(pool, file('other.gz'))).rejects.toThrow(
        new RegExp(`^line ${at} of the file is not what the chain`),
      );
      expect(await away()).toEqual([MONTH_AGO]);
      const { rows: left } = await pool.query(`SELECT to_regclass('batch_event_2026_03') AS there`);
      expect(left[0].there).toBeNull();
      await pool.query(
        `INSERT INTO event_part_moved SELECT part, n + 2, what, now(), lines, sha256, file, gen_random_uuid(), kitchens FROM event_part_moved
         WHERE part = 'batch_event_2026_03' AND file = 'away.gz' ORDER BY n LIMIT 1`,
      );
    });

    test('what is no such file is refused by its name', async () => {
      await expect(bringBack(pool, file('none.gz'))).rejects.toThrow(/there is no file/);
      await expect(bringBack(pool, file('mine.txt'))).rejects.toThrow(/is no file of panache.lines/);
      // Cut short in the download, and one that unpacks without end.
      const whole = readFileSync(file('away.gz'));
      writeFileSync(file('short.gz'), whole.subarray(0, 40));
      await expect(bringBack(pool, file('short.gz'))).rejects.toThrow(
        /short\.gz is no file of .* cut short or damaged/,
      );
      writeFileSync(file('bomb.gz'), gzipSync(Buffer.alloc(20e6, 'x')));
      await expect(bringBack(pool, file('bomb.gz'))).rejects.toThrow(/bomb\.gz has a line without end/);
    });

    test('a line of those days that comes meanwhile is kept, and stands with them afterwards', async () => {
      const late = line('2026-03-15T10:00:00Z', { kind: 'note', text: 'from another house' });
      await write(old, late);
      expect(await partOf(old)).toContain('batch_event_rest');
      await sealRest(pool, K, null);
      await bringBack(pool, file('away.gz'));
      expect((await readBatch(pool, old))?.events.map((e) => e.id)).toContain(late.id);
      expect((await pool.query('SELECT 1 FROM batch_event_rest')).rowCount).toBe(0);
      expect((await verifyRecord(pool, [])).findings).toEqual([]);
      rmSync(file('away.gz'));
      await putAway(pool, MONTH_AGO, file('away.gz'), LATER);
    });

    test('an archive says which of its batches are not whole, and those are left out where it is taken in', async () => {
      let text = '';
      for await (const piece of archiveText(pool, new Date())) text += piece;
      const archive = JSON.parse(text) as { batches: { id: string; away?: unknown }[] };
      expect(archive.batches.filter((b) => b.away).map((b) => b.id)).toContain(old);
      const other = await testDatabase();
      try {
        await loadDemo(other.pool, join(process.cwd(), 'demo'));
        writeFileSync(file('archive.json'), text);
        const taken = await takeArchive(other.pool, file('archive.json'));
        expect(taken.notWhole).toBe(archive.batches.filter((b) => b.away).length);
        expect(taken.notWhole).toBeGreaterThan(0);
        expect(await readBatch(other.pool, old)).toBeNull();
      } finally {
        await other.drop();
      }
    });
  });
});

describe('a record from before there were parts', () => {
  const sql = join(process.cwd(), 'src/server/sql');
  const firstParts = '0011_first_part.sql';

  /** A database as it was, with two lines of a batch and a role that may add to it. */
  async function asItWas() {
    const old = await testDatabase({ empty: true });
    const before = mkdtempSync(join(folder, 'sql-'));
    for (const f of readdirSync(sql)) if (f < firstParts) copyFileSync(join(sql, f), join(before, f));
    await migrate(old.pool, before);
    const batch = randomUUID();
    const ids = [randomUUID(), randomUUID()];
    await old.pool.query(`INSERT INTO kitchen (id) VALUES ('k');
      INSERT INTO recipe (kitchen_id, id, place) VALUES ('k', 'r', 1);
      INSERT INTO recipe_version (kitchen_id, recipe_id, version, body) VALUES ('k', 'r', 1, '{}');
      INSERT INTO batch (id, kitchen_id, recipe_id, recipe_version, plan, started_at)
        VALUES ('${batch}', 'k', 'r', 1, '{"steps":[]}', now());
      INSERT INTO batch_event (id, batch_id, at, station, body, clock_ms, batch_started_at)
        SELECT i, '${batch}', now(), 'Opener', '{"kind":"note","text":"before"}', -12, started_at
        FROM unnest('{${ids}}'::uuid[]) i, batch`);
    return { ...old, batch, ids };
  }

  test('is the first part as it stood; what comes after is numbered after it', async () => {
    const old = await asItWas();
    try {
      const { rows: before } = await old.pool.query('SELECT * FROM batch_event ORDER BY seq');
      const { rows: sealable } = await old.pool.query('SELECT * FROM to_seal ORDER BY source, seq');
      const applied = await migrate(old.pool);
      expect(applied[0]).toBe(firstParts);
      await makeParts(old.pool);
      const all = async () => (await old.pool.query('SELECT * FROM batch_event ORDER BY seq')).rows;
      // Its key came later, and of these lines there is none; whose it is, it was.
      expect(await all()).toEqual(before.map((r) => ({ ...r, via: null, kitchen_id: 'k' })));
      expect((await old.pool.query('SELECT * FROM to_seal ORDER BY source, seq')).rows).toEqual(sealable);
      await expect(old.pool.query('DELETE FROM batch_event_before')).rejects.toThrow(/append-only/);

      const event = line(new Date().toISOString(), { kind: 'note', text: 'after' });
      expect((await appendEvents(old.pool, [{ batch: old.batch, event, bounds: UNBOUND }])).size).toBe(1);
      expect(Number((await all()).at(-1)?.seq)).toBe(Math.max(...before.map((r) => Number(r.seq))) + 1);
      // The month it was in is part of what was there; the next one has its own.
      const [first, second] = await listParts(old.pool);
      expect(first).toMatchObject({ name: 'before', from: null });
      expect(first?.to.getTime()).toBeGreaterThan(Date.now() + 7 * 86_400_000 - 60_000);
      expect(second?.from).toEqual(first?.to);
      // A line that was there is not written again, nor one that is there changed.
      const again = line(new Date().toISOString(), { kind: 'note', text: 'x' }, old.ids[0]);
      expect((await appendEvents(old.pool, [{ batch: old.batch, event: again, bounds: UNBOUND }])).size).toBe(
        0,
      );
    } finally {
      await old.drop();
    }
  });

  test('whoever could add to it can while it is brought up to date', async () => {
    const old = await asItWas();
    const role = `panache_tap_${randomUUID().slice(0, 8)}`;
    try {
      await old.pool.query(`CREATE ROLE ${role}; GRANT USAGE ON SCHEMA public TO ${role};
        GRANT SELECT, INSERT ON batch, batch_event, seal TO ${role}; GRANT SELECT ON to_seal TO ${role}`);
      await migrate(old.pool);
      const client = await old.pool.connect();
      try {
        await client.query(`SET ROLE ${role}`);
        const event = line(new Date().toISOString(), { kind: 'note', text: 'meanwhile' });
        const written = await appendEvents(client as never, [{ batch: old.batch, event, bounds: UNBOUND }]);
        expect(written.size).toBe(1);
        await expect(client.query('SELECT * FROM batch_event_before')).rejects.toThrow(/permission denied/);
      } finally {
        await client.query('RESET ROLE');
        client.release();
      }
    } finally {
      await old.pool.query(`DROP OWNED BY ${role}; DROP ROLE ${role}`);
      await old.drop();
    }
  });
});
