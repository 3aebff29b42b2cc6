import { connect, createServer, type Socket } from 'node:net';

/** How a line between two programs misbehaves. `silent`: everything is swallowed, and nobody is told. `refused`: nobody is there. */
export type Fault = 'none' | 'slow' | 'silent' | 'refused';

export type Line = {
  readonly port: number;
  /** Lines open now and those to come behave so from here on; `ms` is what slow ones add each way. */
  readonly set: (fault: Fault, ms?: number) => void;
  /** Cuts what is open now. */
  readonly cut: () => void;
  readonly close: () => Promise<void>;
};

/** A TCP line to `to` on this machine that can be made to misbehave. */
export async function proxyTo(to: number): Promise<Line> {
  let fault: Fault = 'none';
  let delay = 0;
  const open = new Set<Socket>();
  const pass = (from: Socket, on: Socket) => {
    open.add(from);
    from.on('data', (piece) => {
      if (fault === 'silent') return;
      if (fault === 'slow') setTimeout(() => on.writable && on.write(piece), delay);
      else on.write(piece);
    });
    from.on('error', () => on.destroy());
    from.on('close', () => {
      open.delete(from);
      // Cut silently, the other end does not hear of it.
      if (fault !== 'silent') on.destroy();
    });
  };
  const server = createServer((client) => {
    if (fault === 'refused') {
      client.destroy();
      return;
    }
    const there = connect(to, '127.0.0.1');
    pass(client, there);
    pass(there, client);
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const address = server.address();
  const cut = () => {
    for (const socket of [...open]) socket.destroy();
  };
  return {
    port: typeof address === 'object' && address ? address.port : 0,
    set: (to, ms = 0) => {
      [fault, delay] = [to, ms];
      if (to === 'refused') cut();
    },
    cut,
    close: () =>
      new Promise((resolve) => {
        fault = 'none';
        cut();
        server.close(() => resolve());
      }),
  };
}

/** `address` of a database, by way of `proxy`. */
export function through(address: string, proxy: Line): string {
  const url = new URL(address);
  url.hostname = '127.0.0.1';
  url.port = String(proxy.port);
  return url.href;
}
