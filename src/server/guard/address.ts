import type { Socket } from 'node:net';

/** Who is at the other end, as far as the line says: a proxy in front speaks for all behind it. */
export const addressOf = ({
  socket,
}: {
  readonly socket?: Pick<Socket, 'remoteAddress'> | undefined;
}): string => socket?.remoteAddress ?? '';

/** Most lines one address may hold open: a kitchen behind one proxy has fewer. */
const MOST_EACH = Number(process.env.PANACHE_MOST_LINES_EACH ?? 600);

const lines = new Map<string, number>();

/** Counts a line that was opened; one too many of its address is closed at once, so that others still get in: then false. */
export function admit(socket: Socket): boolean {
  const address = socket.remoteAddress ?? '';
  const own = (lines.get(address) ?? 0) + 1;
  if (own > MOST_EACH) {
    // No farewell: whoever dials without end is not waited for.
    socket.resetAndDestroy();
    return false;
  }
  lines.set(address, own);
  socket.once('close', () => {
    const left = (lines.get(address) ?? 1) - 1;
    if (left > 0) lines.set(address, left);
    else lines.delete(address);
  });
  return true;
}
