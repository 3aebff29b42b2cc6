import { toldAsItGoes, Watch, watchedBy } from './watch';

const linesOf = async (stream: ReadableStream<Uint8Array>): Promise<readonly unknown[]> =>
  (await new Response(stream).text())
    .trimEnd()
    .split('\n')
    .map((line) => JSON.parse(line));

const never = new Promise<{ status: number; body: unknown }>(() => {});

test('how far a job is is seen from another thread, never goes back, and is no more than all', () => {
  const watch = new Watch();
  const there = new Watch(watch.shared);
  const reached = [0.3, 0.1, 0.6, 7].map((share) => {
    there.reach(share);
    return watch.share;
  });
  expect(reached).toEqual([0.3, 0.3, 0.6, 1]);
  expect(there.stopped).toBe(false);
  watch.stop();
  expect(there.stopped).toBe(true);
});

test('an answer comes after lines that say how far it is', async () => {
  const watch = new Watch();
  const answer = (async () => {
    watch.reach(0.5);
    await new Promise((r) => setTimeout(r, 700));
    return { status: 422, body: { problems: [] } };
  })();
  const lines = await linesOf(toldAsItGoes(answer, watch));
  expect(lines[0]).toEqual({ share: 0 });
  expect(lines.slice(1, -1).length).toBeGreaterThan(0);
  for (const line of lines.slice(1, -1)) expect(line).toEqual({ share: 0.5 });
  expect(lines.at(-1)).toEqual({ status: 422, body: { problems: [] } });
  expect(watch.stopped).toBe(false);
});

test('whoever hangs up stops it, and nothing is told to nobody', async () => {
  const watch = new Watch();
  const reader = toldAsItGoes(never, watch).getReader();
  await reader.read();
  await reader.cancel();
  expect(watch.stopped).toBe(true);
  // Its last word, after that, goes nowhere and breaks nothing.
  const late = new Watch();
  let end = (_: { status: number; body: unknown }) => {};
  const stream = toldAsItGoes(
    new Promise((r) => {
      end = r;
    }),
    late,
  );
  await stream.cancel();
  end({ status: 200, body: {} });
  await new Promise((r) => setTimeout(r, 10));
  expect(late.stopped).toBe(true);
});

test('whoever hangs up, or has already, stops what is drawn for them', () => {
  const asks = new AbortController();
  const watch = watchedBy(new Request('http://kitchen/', { signal: asks.signal }));
  expect(watch.stopped).toBe(false);
  asks.abort();
  expect(watch.stopped).toBe(true);
  // As its job sees it, in a thread of its own.
  expect(new Watch(watch.shared).stopped).toBe(true);
  expect(watchedBy(new Request('http://kitchen/', { signal: AbortSignal.abort() })).stopped).toBe(true);
});
