import { execFileSync } from 'node:child_process';
import { closeSync, mkdirSync, openSync, rmSync, writeSync } from 'node:fs';
import { join } from 'node:path';
import { isWell, pause, post, type Row, startBatch, tapper, until } from '../kit';
import { audit, started } from './kills';

/** The database’s disk, data and log, full to the last byte under load, and emptied again. Needs root: it mounts a small disk in memory. */
export async function diskFull(folder: string, port: number): Promise<readonly Row[]> {
  const tried = 'the disk full, data and log';
  if (process.getuid?.() !== 0)
    return [{ tried, held: true, figures: 'not tried: only root may mount a small disk' }];
  const home = join(folder, 'small-disk');
  mkdirSync(home, { recursive: true });
  try {
    execFileSync('mount', ['-t', 'tmpfs', '-o', 'size=300m,mode=755', 'tmpfs', home], { stdio: 'ignore' });
  } catch {
    return [{ tried, held: true, figures: 'not tried: this machine lets nobody mount one' }];
  }
  const kitchen = await started(home, port).catch((error: Error) => error);
  try {
    if (kitchen instanceof Error) return [{ tried, held: false, figures: kitchen.message.slice(0, 200) }];
    const batch = await startBatch(kitchen.address);
    const tappers = Array.from({ length: 3 }, () => tapper(kitchen.address, batch, 3));
    await pause(1000);
    const fill = join(home, 'filling');
    const file = openSync(fill, 'w');
    const block = Buffer.alloc(64 * 1024);
    const full = () => {
      try {
        for (;;) writeSync(file, block);
      } catch {
        // To the last byte: that is what is tried.
      }
    };
    full();
    // Whatever is freed meanwhile is filled again.
    const filling = setInterval(full, 200);
    const large = { kind: 'note', text: 'x'.repeat(1000) };
    const statuses = new Set<number>();
    for (const end = Date.now() + 12_000; Date.now() < end; ) {
      const { randomUUID } = await import('node:crypto');
      const answer = await post(kitchen.address, `/api/batches/${batch}/events`, {
        id: randomUUID(),
        at: new Date().toISOString(),
        station: 'Drill',
        body: large,
      });
      statuses.add(answer.status);
    }
    clearInterval(filling);
    closeSync(file);
    rmSync(fill);
    const back = await until(60_000, () => isWell(kitchen.address));
    await pause(1500);
    const reports = await Promise.all(tappers.map((t) => t.stop()));
    const taken = reports.flatMap((r) => r.taken);
    const { lost, doubled } = await audit(kitchen.databaseUrl, batch, taken);
    const waiting = reports.reduce((sum, r) => sum + r.waiting, 0);
    const wrong = reports.flatMap((r) => Object.keys(r.wrong));
    const fine = [...statuses].every((s) => [0, 200, 201, 503].includes(s)) && wrong.length === 0;
    return [
      {
        tried,
        held: fine && back !== null && lost === 0 && doubled === 0 && waiting === 0,
        figures: `answered ${[...statuses].toSorted().join(', ')}; ${taken.length} events, ${lost} lost, ${doubled} doubled; well ${back === null ? 'never' : `${(back / 1000).toFixed(1)} s`} after there was room${wrong.length ? `; WRONG ${wrong}` : ''}`,
      },
    ];
  } finally {
    if (!(kitchen instanceof Error)) await kitchen.stop();
    execFileSync('umount', ['-l', home], { stdio: 'ignore' });
  }
}
