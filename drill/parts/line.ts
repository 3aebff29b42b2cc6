import { serve } from '../../cli/app.mjs';
import { ask, healthOf, isWell, pause, type Row, startBatch, tapper, until, wordsOf } from '../kit';
import { proxyTo, through } from '../proxy';

/** A server whose line to its database is slowed, silenced, refused and cut while pages are asked for and a station taps. */
export async function lineFaults(databaseUrl: string, from: number): Promise<readonly Row[]> {
  const line = await proxyTo(Number(new URL(databaseUrl).port));
  const app = await serve({
    mode: 'start',
    from,
    databaseUrl: through(databaseUrl, line),
    env: { DEVICES_URL: '' },
  });
  const rows: Row[] = [];
  try {
    const batch = await startBatch(app.address);
    const station = tapper(app.address, batch, 20);
    await pause(1000);
    for (const [what, begin, ms] of [
      ['slow by 80 ms each way', () => line.set('slow', 80), 4000],
      ['refused', () => line.set('refused'), 5000],
      ['silently dead', () => line.set('silent'), 12_000],
      ['cut every 300 ms', () => undefined, 5000],
    ] as const) {
      station.reset();
      begin();
      const cutting = what.startsWith('cut') ? setInterval(() => line.cut(), 300) : undefined;
      const statuses = new Map<number, number>();
      let longest = 0;
      for (const end = Date.now() + ms; Date.now() < end; ) {
        const each = await Promise.all(
          ['/plan', '/stove', '/kitchen', '/api/rail', '/api/kitchen', '/api/recipes', '/api/health'].map(
            async (path) => {
              const at = performance.now();
              const { status } = await ask(app.address, path, { headers: { accept: 'text/html' } });
              longest = Math.max(longest, performance.now() - at);
              return status;
            },
          ),
        );
        for (const s of each) statuses.set(s, (statuses.get(s) ?? 0) + 1);
        await pause(100);
      }
      clearInterval(cutting);
      line.set('none');
      if (what !== 'slow by 80 ms each way') line.cut();
      const back = await until(20_000, () => isWell(app.address));
      const report = await station.report();
      const wrong = [...statuses.keys()].filter((s) => ![200, 307, 503].includes(s));
      rows.push({
        tried: `the line to the database ${what}`,
        held:
          wrong.length === 0 && Object.keys(report.wrong).length === 0 && back !== null && longest < 15_000,
        figures: `pages ${[...statuses].map(([s, n]) => `${n} × ${s}`).join(', ')}, longest ${Math.round(longest)} ms; ${wordsOf(report)}; well ${back ?? '–'} ms after`,
      });
    }
    const last = await station.stop();
    rows.push({
      tried: 'what those taps came to',
      held: last.waiting === 0,
      figures: `${last.taken.length} taken, ${last.waiting} waiting; memory ${(await healthOf(app.address))?.memoryMb} MB`,
    });
  } finally {
    await app.stop();
    await line.close();
  }
  return rows;
}
