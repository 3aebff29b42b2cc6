import { stat } from 'node:fs/promises';
import { makeBackup, restoreBackup } from './backup';
import { keepBackups } from './keepBackups';

/**
 * What the command line asks of backups, as the database’s owner (DATABASE_URL): `make FILE`, `restore FILE`, or `keep FOLDER MS N`, one
 * look at whether one is due. Ends with 1 where it is refused.
 */
const [what = '', file = '', everyMs = '', keep = ''] = process.argv.slice(2);
const url = process.env.DATABASE_URL ?? '';
const size = async (path: string): Promise<string> => `${((await stat(path)).size / 1e6).toFixed(1)} MB`;
const rows = (counts: Readonly<Record<string, number>>): number =>
  Object.values(counts).reduce((sum, n) => sum + n, 0);

try {
  if (what === 'make') {
    const { counts, heads } = await makeBackup(url, file);
    console.log(`backup: ${file}, ${await size(file)}, ${rows(counts)} rows`);
    for (const { kitchen, n, hash } of heads) console.log(`record: ${kitchen} ends at ${n}:${hash}`);
  } else if (what === 'restore') {
    const { manifest, followed, aside } = await restoreBackup(url, file);
    console.log(
      `restore: as it was ${manifest.madeAt}, ${rows(manifest.counts)} rows counted, ${followed.lines} lines of the record followed`,
    );
    for (const { kitchen, n, hash } of manifest.heads)
      console.log(`record: ${kitchen} ends at ${n}:${hash}, as it did`);
    if (followed.found > 0)
      console.log(
        `record: ${followed.found} things do not agree in it, as when it was made; ./panache verify`,
      );
    if (aside) console.log(`restore: what stood here is set aside as the database ${aside}`);
  } else {
    const { made } = await keepBackups(url, file, { everyMs: Number(everyMs), keep: Number(keep) });
    if (made) console.log(`backup: ${made}, ${await size(made)}`);
  }
} catch (error) {
  console.error(
    `${what === 'restore' ? 'restore' : 'backup'}: ${error instanceof Error ? error.message : String(error)}`,
  );
  process.exitCode = 1;
}
