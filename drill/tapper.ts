import { randomUUID } from 'node:crypto';
import { Agent, request } from 'node:http';

/**
 * A station that taps at an even pace, in a process of its own so that what it measures is the server’s doing. It sends what was not
 * taken again, as a station does. Told `reset` and `report` by whoever started it; `stop` has it send what waits, and end.
 */
const [address = '', batch = '', every = '25'] = process.argv.slice(2);

export type Report = {
  /** Taps answered since the last reset, and the longest any waited for its first answer, ms. */
  readonly answered: number;
  readonly longest: number;
  /** The longest time in which nothing was taken, ms. */
  readonly gap: number;
  /** Of a hundred, the one but the slowest: ms. */
  readonly p99: number;
  /** Answers that were neither yes nor come again, by status. */
  readonly wrong: Readonly<Record<string, number>>;
  /** Taps told to come again, or whose line was cut. */
  readonly again: number;
  readonly waiting: number;
  /** Ids of all that were taken since it began. */
  readonly taken: readonly string[];
};

const agent = new Agent({ keepAlive: true, maxSockets: 4 });
const url = new URL(`/api/batches/${batch}/events`, address);

/** The status; 0 when the line failed. */
const post = (body: unknown): Promise<number> =>
  new Promise((resolve) => {
    const text = JSON.stringify(body);
    const sent = request(
      url,
      {
        agent,
        method: 'POST',
        timeout: 15_000,
        headers: {
          'content-type': 'application/json',
          'content-length': Buffer.byteLength(text),
          // Through a proxy it is a station with a key.
          ...(process.env.DRILL_KEY && { cookie: `panache-key=${process.env.DRILL_KEY}` }),
        },
      },
      (response) => {
        response.resume();
        response.on('end', () => resolve(response.statusCode ?? 0));
        response.on('error', () => resolve(0));
      },
    );
    sent.on('timeout', () => sent.destroy());
    sent.on('error', () => resolve(0));
    sent.end(text);
  });

const MOST_WAITING = 100;
const queue: object[] = [];
const taken: string[] = [];
let waits: number[] = [];
let wrong: Record<string, number> = {};
let again = 0;
let lastTaken = performance.now();
let gap = 0;
let stopping = false;

const made = () => ({
  id: randomUUID(),
  at: new Date().toISOString(),
  station: 'Drill',
  body: { kind: 'note', text: 'tap' },
});

async function one(event: { id: string }): Promise<void> {
  const from = performance.now();
  const status = await post(event);
  waits.push(performance.now() - from);
  if (status === 200 || status === 201) {
    taken.push(event.id);
    gap = Math.max(gap, performance.now() - lastTaken);
    lastTaken = performance.now();
  } else {
    if (status === 0 || status === 503) again++;
    else wrong[status] = (wrong[status] ?? 0) + 1;
    queue.push(event);
  }
}

const pause = (ms: number) => new Promise((r) => setTimeout(r, ms));

async function run(): Promise<void> {
  while (!stopping) {
    // Nobody taps on and on at a screen that says that a hundred taps wait.
    if (queue.length < MOST_WAITING) await one(made());
    const waiting = queue.shift();
    if (waiting) await one(waiting as { id: string });
    await pause(Number(every));
  }
  for (const end = Date.now() + 60_000; queue.length > 0 && Date.now() < end; ) {
    await one(queue.shift() as { id: string });
    await pause(5);
  }
}

process.on('message', (word) => {
  if (word === 'reset') [waits, wrong, again, gap, lastTaken] = [[], {}, 0, 0, performance.now()];
  if (word === 'report') {
    const sorted = waits.toSorted((a, b) => a - b);
    process.send?.({
      answered: waits.length,
      longest: Math.round(sorted.at(-1) ?? 0),
      gap: Math.round(gap),
      p99: Math.round(sorted[Math.floor(sorted.length * 0.99)] ?? 0),
      wrong,
      again,
      waiting: queue.length,
      taken,
    } satisfies Report);
  }
  if (word === 'stop') stopping = true;
});
await run();
process.send?.('done');
