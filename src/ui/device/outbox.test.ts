import 'fake-indexeddb/auto';
import { addressOf, type Given, type RouteName } from '../../contract/routes';
import type { EventBody } from '../../core/batch/events';
import { message } from '../../core/message/message';
import type { Sent } from './line/send';

const answers: Sent[] = [];
const posted: { url: string; body: { id: string; body: EventBody } }[] = [];
const lines: boolean[] = [];
const OK: Sent = { ok: true };
const AWAY: Sent = { ok: false, again: true, says: message('away') };

jest.mock('./line/send', () => ({
  send: async (route: RouteName, given: Given<'POST /api/batches/[id]/events'>) => {
    posted.push({ url: addressOf(route, given).url, body: given.body });
    return answers.shift() ?? OK;
  },
}));
jest.mock('./line/live', () => ({ lineIs: (up: boolean) => lines.push(up) }));
jest.mock('./line/clock', () => ({ kitchenNow: () => 1_800_000_000_000, clockMs: () => undefined }));
jest.mock('uuid', () => {
  let n = 0;
  return { v4: () => `00000000-0000-4000-8000-${String(++n).padStart(12, '0')}` };
});

const kept = new Map<string, string>();
Object.assign(globalThis, {
  window: new EventTarget(),
  localStorage: {
    getItem: (k: string) => kept.get(k) ?? null,
    setItem: (k: string, v: string) => kept.set(k, v),
    removeItem: (k: string) => kept.delete(k),
  },
});

const note = (text: string): EventBody => ({ kind: 'note', text });
const texts = () => posted.map((p) => (p.body.body.kind === 'note' ? p.body.body.text : ''));
/** A page of its own: what it holds in memory is gone with it, what is in the store stays. */
const page = (): typeof import('./outbox') => {
  let fresh!: typeof import('./outbox');
  jest.isolateModules(() => {
    fresh = require('./outbox');
  });
  return fresh;
};
/** Until nothing has gone out for a while: how long that takes is the machine's affair. */
const settled = async (): Promise<void> => {
  let gone = -1;
  while (gone !== posted.length) {
    gone = posted.length;
    await new Promise((r) => setTimeout(r, 120));
  }
};

beforeEach(() => {
  answers.length = 0;
  posted.length = 0;
  lines.length = 0;
});

test('taps go out in the order they were made, each to its batch, and nothing is left waiting', async () => {
  const { tap, outbox, WAITING } = page();
  tap('a', note('first'));
  tap('b', note('second'));
  expect(outbox().waiting).toHaveLength(2);
  expect(kept.has(WAITING)).toBe(true);
  await settled();
  expect(texts()).toEqual(['first', 'second']);
  expect(posted.map((p) => p.url)).toEqual(['/api/batches/a/events', '/api/batches/b/events']);
  expect(outbox().waiting).toEqual([]);
  expect(outbox().sent).toHaveLength(2);
  expect(kept.has(WAITING)).toBe(false);
});

test('two taps of one moment are a millisecond apart, so that they keep their order', async () => {
  const { tap } = page();
  const [one, two] = [tap('a', note('x')), tap('a', note('y'))];
  expect(Date.parse(two.at) - Date.parse(one.at)).toBe(1);
  await settled();
});

test('while the server is away they wait, and go out later as the same events', async () => {
  const { tap, outbox } = page();
  answers.push(AWAY);
  const event = tap('a', note('kept'));
  await settled();
  expect(outbox().waiting.map((w) => w.event.id)).toEqual([event.id]);
  expect(lines).toEqual([false]);
  tap('a', note('after'));
  await settled();
  expect(texts()).toEqual(['kept', 'kept', 'after']);
  expect(posted[1]?.body.id).toBe(event.id);
  expect(lines.at(-1)).toBe(true);
});

test('what the server will not have is said and let go; the next goes on', async () => {
  const { tap, outbox } = page();
  answers.push({ ok: false, again: false, says: message('step is 99') });
  tap('a', note('wrong'));
  tap('a', note('right'));
  await settled();
  expect(texts()).toEqual(['wrong', 'right']);
  expect(outbox().refused).toEqual({ batch: 'a', says: message('step is 99') });
  expect(outbox().waiting).toEqual([]);
});

test('what a page left waiting the next one takes up, before its own taps', async () => {
  const before = page();
  answers.push(AWAY);
  before.tap('a', note('left behind'));
  await settled();
  posted.length = 0;
  const after = page();
  jest.useFakeTimers({ doNotFake: ['setTimeout', 'setImmediate', 'queueMicrotask'] });
  after.beginOutbox();
  jest.useRealTimers();
  await settled();
  expect(texts()).toEqual(['left behind']);
  expect(after.outbox().waiting).toEqual([]);
  // It is out of the store too: a third page finds nothing.
  posted.length = 0;
  const third = page();
  jest.useFakeTimers({ doNotFake: ['setTimeout', 'setImmediate', 'queueMicrotask'] });
  third.beginOutbox();
  jest.useRealTimers();
  await settled();
  expect(posted).toEqual([]);
});

test('what is known of a batch is there for a page that cannot ask', async () => {
  const { rememberEvents, rememberedEvents, tap } = page();
  const event = tap('a', note('z'));
  await rememberEvents('a', [event]);
  expect(await rememberedEvents('a')).toEqual([event]);
  expect(await rememberedEvents('nobody’s')).toEqual([]);
  await settled();
});
