import { createHash } from 'node:crypto';
import { hashOf, linked, NO_LINK, type Row, Verifier } from './chain';

const row = (n: number, body: unknown): Row => ({
  source: 'keep_event',
  id: `id-${n}`,
  row: { id: `id-${n}`, body },
});
const ROWS = [row(1, { celsius: 84 }), row(2, { celsius: 61.5 }), row(3, { text: 'ö' }), row(4, { a: null })];
const LINKS = linked(NO_LINK, ROWS);

const verified = (
  links = LINKS,
  rows: readonly Row[] = ROWS,
  heads: readonly { n: number; hash: string }[] = [],
) => {
  const v = new Verifier(heads);
  for (const link of links) v.take(link, rows.find((r) => r.id === link.id)?.row);
  return v.end();
};

/** RFC 8785, section 3.2.2 and appendix B: keys sorted, no space, numbers as ECMAScript writes them. */
test('a hash is SHA-256 over the canonical form, however the keys stand', () => {
  const canonical = '{"a":1e+30,"b":[4.5,"\\u000f"],"c":null}';
  expect(hashOf({ c: null, b: [4.5, '\u000f'], a: 1e30 })).toBe(
    createHash('sha256').update(canonical).digest('hex'),
  );
  expect(hashOf({ b: 1, a: 2 })).toBe(hashOf({ a: 2, b: 1 }));
});

test('as it was written nothing is found, and adding to it later follows on', () => {
  expect(verified()).toEqual([]);
  const [head, more] = [LINKS.at(-1) ?? NO_LINK, row(5, 'x')];
  const [next] = linked(head, [more]);
  expect(next?.n).toBe(5);
  expect(verified([...LINKS, ...linked(head, [more])], [...ROWS, more], [head])).toEqual([]);
});

test('a link speaks of one source: said to be of another, it is broken', () => {
  const links = LINKS.map((l) => (l.n === 2 ? { ...l, source: 'batch_event' as const } : l));
  expect(verified(links)).toEqual([{ kind: 'broken', n: 2 }]);
  const elsewhere = linked(NO_LINK, [{ ...row(1, { celsius: 84 }), source: 'batch_event' }]);
  expect(elsewhere[0]?.row).toBe(LINKS[0]?.row);
  expect(elsewhere[0]?.hash).not.toBe(LINKS[0]?.hash);
});

test('gone on with from a head, that head has been looked at and is not looked for again; one beyond the end is', () => {
  const after = LINKS[2] ?? NO_LINK;
  const on = (heads: readonly { n: number; hash: string }[]) => {
    const v = new Verifier(heads, { n: after.n, hash: after.hash });
    for (const link of LINKS.slice(3)) v.take(link, ROWS.find((r) => r.id === link.id)?.row);
    return v.end();
  };
  expect(on([{ n: after.n, hash: after.hash }])).toEqual([]);
  expect(on([{ n: 1, hash: 'x' }])).toEqual([]);
  const beyond = { n: 9, hash: 'x' };
  expect(on([beyond])).toEqual([{ kind: 'cut short', n: 4, head: beyond }]);
});

test('a changed body is named by its line', () => {
  const rows = ROWS.map((r) => (r.id === 'id-2' ? row(2, { celsius: 21 }) : r));
  expect(verified(LINKS, rows)).toEqual([{ kind: 'changed', n: 2, source: 'keep_event', id: 'id-2' }]);
});

test('a row that is gone, and a link that is gone with it', () => {
  expect(verified(LINKS, ROWS.slice(1))).toEqual([
    { kind: 'removed', n: 1, source: 'keep_event', id: 'id-1' },
  ]);
  expect(
    verified(
      LINKS.filter((l) => l.n !== 2),
      ROWS,
    ),
  ).toEqual([{ kind: 'missing', n: 2, to: 2 }]);
});

test('a row changed with its own hash breaks the chain there', () => {
  const changed = row(2, { celsius: 21 });
  const links = LINKS.map((l) => (l.n === 2 ? { ...l, row: hashOf(changed.row) } : l));
  expect(
    verified(
      links,
      ROWS.map((r) => (r.id === 'id-2' ? changed : r)),
    ),
  ).toEqual([{ kind: 'broken', n: 2 }]);
});

test('a chain written anew from a line on is another than the head that was kept', () => {
  const rows = ROWS.map((r) => (r.id === 'id-3' ? row(3, { text: 'other' }) : r));
  const anew = linked(NO_LINK, rows);
  const head = { n: 4, hash: LINKS[3]?.hash ?? '' };
  expect(verified(anew, rows)).toEqual([]);
  expect(verified(anew, rows, [head])).toEqual([{ kind: 'rewritten', n: 4, head }]);
});

test('an end cut off, rows and links, is shorter than the head that was kept', () => {
  const head = { n: 4, hash: LINKS[3]?.hash ?? '' };
  expect(verified(LINKS.slice(0, 2), ROWS.slice(0, 2), [head])).toEqual([{ kind: 'cut short', n: 2, head }]);
});

test('a link far beyond the end is one thing that is found, not as many as there are numbers between', () => {
  const [last] = LINKS.slice(-1);
  if (!last) throw new Error('no link');
  const v = new Verifier();
  for (const link of LINKS) v.take(link, ROWS.find((r) => r.id === link.id)?.row);
  v.take({ ...last, n: 100_000_000 }, ROWS.at(-1)?.row);
  expect(v.end()).toEqual([{ kind: 'missing', n: 5, to: 99_999_999 }]);
});

test('a link that says it was made before the one it follows is found; a clock put right by minutes is not', () => {
  const at = (moments: readonly number[]) => {
    const v = new Verifier();
    for (const [n, link] of LINKS.entries()) v.take(link, ROWS[n]?.row, moments[n]);
    return v.end();
  };
  const MIN = 60_000;
  expect(at([0, MIN, 2 * MIN, 3 * MIN])).toEqual([]);
  expect(at([10 * MIN, 5 * MIN, 20 * MIN, 15 * MIN])).toEqual([]);
  expect(at([10 * MIN, 5 * MIN - 1, 20 * MIN, 14 * MIN])).toEqual([
    { kind: 'backdated', n: 2 },
    { kind: 'backdated', n: 4 },
  ]);
});

test('of very much that is found the first two hundred are told and the rest counted', () => {
  const v = new Verifier();
  for (let n = 0; n < 1000; n++) v.slipped('batch_event', `id-${n}`);
  v.twice('batch_event', 'id-1');
  expect([v.findings.length, v.more]).toEqual([200, 801]);
});
