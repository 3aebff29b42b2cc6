import { randomUUID } from 'node:crypto';
import { open, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { message } from '../../core/message/message';
import { busy, tooLarge } from '../refusal';

/** Largest archive taken in, bytes. */
export const MOST_BYTES = Number(process.env.PANACHE_MOST_IMPORT_MB ?? 512) * 1e6;

/** Files received at once. */
const MOST_AT_ONCE = 4;
let now = 0;

/**
 * The body of `request` in a file of its own, written as it comes: no more of it than a piece is ever in memory.
 * Refuses more than {@link MOST_BYTES}. `done` removes the file.
 */
export async function received(request: Request): Promise<{ file: string; done: () => Promise<void> }> {
  const announced = Number(request.headers.get('content-length') ?? 0);
  if (announced > MOST_BYTES) throw tooLarge(announced, MOST_BYTES);
  if (now >= MOST_AT_ONCE) throw busy(message('other files are being read'));
  now++;
  const file = join(tmpdir(), `panache-${randomUUID()}.json`);
  const done = () => rm(file, { force: true });
  try {
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
