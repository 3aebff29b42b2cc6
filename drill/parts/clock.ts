import { existsSync, readdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { serve } from '../../cli/app.mjs';
import { ask, isWell, pause, type Row, startBatch, tapper, until, wordsOf } from '../kit';

/** Debian’s libfaketime, where it is installed. */
function library(): string | null {
  for (const folder of existsSync('/usr/lib') ? readdirSync('/usr/lib') : []) {
    const path = `/usr/lib/${folder}/faketime/libfaketime.so.1`;
    if (existsSync(path)) return path;
  }
  return null;
}

/** The server’s clock set while it runs: hours on, hours back, days on. */
export async function clockJumps(databaseUrl: string, folder: string, from: number): Promise<readonly Row[]> {
  const preload = library();
  if (!preload)
    return [
      {
        tried: 'the server’s clock set',
        held: true,
        figures: 'not tried: Debian’s libfaketime is not installed',
      },
    ];
  const file = join(folder, 'clock');
  const set = (offset: string) => writeFileSync(file, `${offset}\n`);
  set('+0');
  const app = await serve({
    mode: 'start',
    from,
    databaseUrl,
    env: {
      DEVICES_URL: '',
      LD_PRELOAD: preload,
      FAKETIME_TIMESTAMP_FILE: file,
      FAKETIME_NO_CACHE: '1',
      FAKETIME_DONT_FAKE_MONOTONIC: '1',
      DONT_FAKE_MONOTONIC: '1',
    },
  });
  const rows: Row[] = [];
  try {
    const batch = await startBatch(app.address);
    const station = tapper(app.address, batch, 20);
    await pause(500);
    for (const offset of ['+2h', '-2h', '+3d', '+0']) {
      station.reset();
      set(offset);
      await pause(2500);
      const clock = JSON.parse((await ask(app.address, '/api/clock')).text || '{}') as { now?: number };
      const moved = Math.round(((clock.now ?? Number.NaN) - Date.now()) / 60_000);
      const rail = await ask(app.address, '/api/rail');
      const page = await ask(app.address, '/plan');
      const report = await station.report();
      const well = await until(5000, () => isWell(app.address));
      rows.push({
        tried: `the server’s clock set to ${offset}`,
        held:
          rail.status === 200 &&
          page.status === 200 &&
          well !== null &&
          report.again === 0 &&
          Object.keys(report.wrong).length === 0 &&
          report.answered > 20,
        figures: `it stands ${moved} min from ours; rail ${rail.status}, page ${page.status}; ${wordsOf(report)}`,
      });
    }
    await station.stop();
  } finally {
    await app.stop();
  }
  return rows;
}
