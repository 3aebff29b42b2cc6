import { randomUUID } from 'node:crypto';
import { mkdir, open, readdir, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { message } from '../../core/message/message';
import { busy, tooLarge } from '../refusal';

/** Largest archive taken in, bytes. */
export const MOST_BYTES = Number(process.env.PANACHE_MOST_IMPORT_MB ?? 512) * 1e6;

/** Files received at once. */
const MOST_AT_ONCE = 4;
let now = 0;

const PREFIX = 'panache-uploads-';
/** What this process is receiving, and sending. */
export const FOLDER = join(tmpdir(), `${PREFIX}${process.pid}`);

const runs = (pid: number): boolean => {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === 'EPERM';
  }
};

/** Removes what processes that are gone were receiving when they ended, and what one of this number was. */
export async function sweepUploads(): Promise<void> {
  for (const name of await readdir(tmpdir()).catch(() => [])) {
    const pid = name.startsWith(PREFIX) ? Number(name.slice(PREFIX.length)) : Number.NaN;
    if (Number.isInteger(pid) && (pid === process.pid || !runs(pid)))
      await rm(join(tmpdir(), name), { recursive: true, force: true });
  }
}

/**
 * The body of `request` in a file of its own, written as it comes: no more of it than a piece is ever in memory.
 * Refuses more than {@link MOST_BYTES}. `done` removes the file.
 */
export async function received(request: Request): Promise<{ file: string; done: () => Promise<void> }> {
  const announced = Number(request.headers.get('content-length') ?? 0);
  if (announced > MOST_BYTES) throw tooLarge(announced, MOST_BYTES);
  if (now >= MOST_AT_ONCE) throw busy(message('other files are being read'));
  now++;
  const file = join(FOLDER, `${randomUUID()}.json`);
  const done = () => rm(file, { force: true });
  try {
    await mkdir(FOLDER, { recursive: true, mode: 0o700 });
    const out = await open(file, 'wx', 0o600);
    try {
      let size = 0;
      const reader = request.body?.getReader();
      while (reader) {
        const piece = await reader.read();
        if (piece.done) break;
        size += piece.value.byteLength;
        if (size > MOST_BYTES) {
          await reader.cancel();
          throw tooLarge(size, MOST_BYTES);
        }
        await out.write(piece.value);
      }
    } finally {
      await out.close();
    }
    return { file, done };
  } catch (error) {
    await done();
    throw error;
  } finally {
    now--;
  }
}
