import { existsSync } from 'node:fs';
import { mkdir, readdir, rm, stat } from 'node:fs/promises';
import { join } from 'node:path';
import type { BackupsTold } from '../../contract/kitchen';
import { DAY_MS } from '../../core/units/moment';
import { makeBackup } from './backup';

const NAME = /^panache-(\d{4}-\d\d-\d\dT\d\d-\d\d-\d\d)Z\.tar$/;

/** What a backup made at `at` is called: names sort as moments do, and no file system minds them. */
export const backupName = (at: Date): string =>
  `panache-${at.toISOString().slice(0, 19).replaceAll(':', '-')}Z.tar`;

/** Backups kept in a folder by themselves, the newest first; none where there is no such folder. */
export async function backupsIn(
  folder: string,
): Promise<readonly { readonly name: string; readonly at: Date }[]> {
  if (!existsSync(folder)) return [];
  return (await readdir(folder))
    .flatMap((name) => {
      const moment = NAME.exec(name)?.[1];
      const [day, time] = moment?.split('T') ?? [];
      return day && time ? [{ name, at: new Date(`${day}T${time.replaceAll('-', ':')}Z`) }] : [];
    })
    .sort((a, b) => b.at.getTime() - a.at.getTime());
}

/** Backups of this kitchen as it is served, for whoever looks after it; null where none are made. */
export async function backupsTold(folder = process.env.PANACHE_BACKUPS ?? ''): Promise<BackupsTold | null> {
  if (folder === '' || folder === 'off') return null;
  const [newest] = await backupsIn(folder).catch(() => []);
  return { folder, newest: newest?.at.toISOString() ?? null };
}

/** What one look came to: the backup that was made, null where none was due; those that were let go. */
export type BackupsKept = { readonly made: string | null; readonly gone: readonly string[] };

/**
 * Makes a backup in `folder` where the newest is `everyMs` old, and lets go of all but the newest `keep`. Files it did not name itself
 * it leaves alone. One that could not be made lets go of nothing.
 */
export async function keepBackups(
  url: string,
  folder: string,
  { everyMs, keep }: { readonly everyMs: number; readonly keep: number },
  now = new Date(),
): Promise<BackupsKept> {
  await mkdir(folder, { recursive: true, mode: 0o700 });
  // What one that was cut off left behind.
  for (const name of await readdir(folder))
    if (name.startsWith('.backup-') && now.getTime() - (await stat(join(folder, name))).mtimeMs > DAY_MS)
      await rm(join(folder, name), { recursive: true, force: true });
  const [newest] = await backupsIn(folder);
  if (newest && now.getTime() - newest.at.getTime() < everyMs) return { made: null, gone: [] };
  const made = join(folder, backupName(now));
  await makeBackup(url, made);
  const gone = (await backupsIn(folder)).slice(Math.max(1, keep)).map((b) => b.name);
  for (const name of gone) await rm(join(folder, name), { force: true });
  return { made, gone };
}
