import { connect } from 'node:net';
import {
  all,
  ask,
  healthOf,
  JSON_TYPE,
  pause,
  post,
  type Row,
  startBatch,
  statusesOf,
  type Tapper,
  tapper,
  wordsOf,
} from '../kit';

/** How long a tap may wait beside any of these, ms. */
const LONGEST = 250;

/**
 * In the short form, on a machine nobody knows, a tap may also wait this share of the time the flood
 * itself took: what is asked there is that taps go between, not how fast the machine is.
 */
const SHARE = 1 / 4;

const dice = Array.from({ length: 2 }, () => ({
  ingredient: 'floury-potato',
  amount: '200 g',
  cut: { shape: 'cube', edgeMm: 80 },
}));

/** As much work as a recipe may ask for. */
const heavy = {
  format: 'panache.recipe/1',
  id: 'heavy',
  name: 'Heavy',
  school: 'Roux',
  yieldLitres: 20,
  band: 'Coating',
  home: {
    vessel: { id: 'v', name: 'V', diameterMm: 360, heightMm: 340, material: 'stainless steel', massG: 5600 },
    burner: { id: 'b', name: 'B', kind: 'gas', powerW: 7000 },
  },
  steps: [
    {
      kind: 'add',
      items: [
        { ingredient: 'vegetable-stock', amount: 'to volume' },
        { ingredient: 'plain-flour', amount: 'to thicken' },
      ],
    },
    { kind: 'bring-to', to: 'simmer', flame: 1, lid: 'off' },
    ...Array.from({ length: 18 }, () => [
      { kind: 'add', items: dice },
      { kind: 'simmer', minutes: 79, untilTender: true, lid: 'on' },
    ]).flat(),
  ],
};

/** Streams opened and never read. */
async function deaf(address: string, batch: string, station: Tapper, rounds: number) {
  const { hostname, port } = new URL(address);
  const before = (await healthOf(address))?.memoryMb ?? 0;
  const sockets = Array.from({ length: 30 }, () => {
    const socket = connect(Number(port), hostname);
    socket.on('error', () => {});
    socket.write(`GET /api/live HTTP/1.1\r\nHost: 127.0.0.1\r\n\r\n`);
    socket.pause();
    return socket;
  });
  await pause(300);
  const text = 'x'.repeat(900);
  for (let n = 0; n < rounds; n++)
    await Promise.all(
      Array.from({ length: 25 }, async () => {
        const { randomUUID } = await import('node:crypto');
        await post(address, `/api/batches/${batch}/events`, {
          id: randomUUID(),
          at: new Date().toISOString(),
          station: 'Drill',
          body: { kind: 'note', text },
        });
      }),
    );
  const report = await station.report();
  const after = (await healthOf(address))?.memoryMb ?? 0;
  // What was sent before it was cut is still to be read: then the end is seen.
  let cut = 0;
  for (const socket of sockets) {
    socket.on('close', () => cut++);
    socket.resume();
  }
  await pause(1500);
  for (const socket of sockets) socket.destroy();
  return { report, grew: after - before, after, cut };
}

/** Everything large and slow a client can ask for, while a station taps. */
export async function flood(address: string, large: boolean): Promise<readonly Row[]> {
  const batch = await startBatch(address);
  const station = tapper(address, batch, 25);
  await pause(1500);
  const rows: Row[] = [];
  const beside = async (
    what: string,
    attack: () => Promise<readonly { status: number; text: string }[]>,
    allowed: readonly number[],
    again = false,
  ): Promise<void> => {
    station.reset();
    const before = (await healthOf(address))?.memoryMb ?? 0;
    const from = performance.now();
    const answers = await attack();
    const took = Math.round(performance.now() - from);
    await pause(150);
    const report = await station.report();
    const after = (await healthOf(address))?.memoryMb ?? 0;
    const wrong = answers.filter((a) => !allowed.includes(a.status));
    const waits = report.longest > (large ? LONGEST : Math.max(LONGEST, SHARE * took));
    // One long wait may be the machine's own: what is ours is there the second time too.
    if (waits && !large && !again) return beside(what, attack, allowed, true);
    rows.push({
      tried: what,
      held: wrong.length === 0 && !waits && Object.keys(report.wrong).length === 0,
      figures: `${again ? 'at the second try: ' : ''}${statusesOf(answers)} in ${took} ms; ${wordsOf(report)}; memory ${before} → ${after} MB${wrong[0] ? `; e.g. ${wrong[0].text.slice(0, 120)}` : ''}`,
    });
  };
  const mb = large ? 40 : 8;

  await beside('nothing else', async () => {
    await pause(2000);
    return [];
  }, []);
  const kitchen = JSON.parse((await ask(address, '/api/kitchen')).text).kitchen;
  const filler = 'y'.repeat(1e6);
  await beside(
    `${mb} MB of JSON that is no archive`,
    () =>
      all(2, () =>
        post(
          address,
          '/api/archive',
          JSON.stringify({ format: 'x', a: Array.from({ length: mb }, () => filler) }),
        ),
      ),
    [400],
  );
  await beside(
    `${mb} MB of brackets`,
    () =>
      all(1, () =>
        ask(address, '/api/archive', {
          method: 'POST',
          headers: JSON_TYPE,
          body: Buffer.alloc(mb * 1e6, '['),
        }),
      ),
    [400],
  );
  const archive = (events: number, change: (n: number) => object) =>
    JSON.stringify({
      format: 'panache.archive/1',
      madeAt: new Date().toISOString(),
      kitchen,
      recipes: [],
      batches: [
        {
          id: '00000000-0000-4000-8000-00000000d411',
          recipeId: 'x',
          recipeVersion: 1,
          plan: {},
          startedAt: new Date().toISOString(),
          serveAt: null,
          events: Array.from({ length: events }, (_, n) => change(n)),
        },
      ],
    });
  await beside(
    '50,000 bad events',
    () =>
      all(1, () =>
        post(
          address,
          '/api/archive?rehearse=1',
          archive(50_000, (n) => ({
            id: n,
            at: 'noon',
            station: '',
            body: { kind: 'x', pad: filler.slice(0, 150) },
          })),
        ),
      ),
    [400],
  );
  await beside(
    `a recipe of as much work as one may be, planned ${large ? 6 : 3} times`,
    () => all(large ? 6 : 3, () => post(address, '/api/foresight', heavy)),
    [200, 422, 503],
  );
  await beside(
    `${large ? 60 : 20} PDFs at once`,
    () => all(large ? 60 : 20, () => ask(address, '/api/plan/export?as=pdf&litres=12')),
    [200, 503],
  );
  await beside(
    `${large ? 400 : 100} pages at once`,
    () =>
      all(large ? 400 : 100, (n) =>
        ask(address, ['/api/rail', '/api/kitchen', '/api/recipes', '/'][n % 4] ?? '/'),
      ),
    // The front door leads on to the Plan.
    [200, 307, 503],
  );
  await beside(
    'the whole archive sent 10 times',
    () => all(10, () => ask(address, '/api/archive')),
    [200, 503],
  );
  station.reset();
  const rounds = large ? 400 : 40;
  const { report, grew, after, cut } = await deaf(address, batch, station, rounds);
  rows.push({
    tried: `30 stations that listen and never read, through ${25 * rounds} long notes`,
    held: report.longest <= LONGEST * 2 && grew < 120 && Object.keys(report.wrong).length === 0,
    figures: `${cut} were cut; memory grew by ${grew} MB to ${after} MB; ${wordsOf(report)}`,
  });
  await station.stop();
  return rows;
}
