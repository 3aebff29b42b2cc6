import { EventEmitter } from 'node:events';
import type { IncomingMessage } from 'node:http';
import { connect, createServer, type Socket } from 'node:net';
import { bySpeech, towardsTls } from './tls';

/** How a line that begins with these bytes is taken, and what whoever has it reads of it. */
async function taken(first: Buffer): Promise<{ readonly as: string; readonly read: string }> {
  const server = createServer({ allowHalfOpen: true }).listen(0, '127.0.0.1');
  await new Promise((r) => server.once('listening', r));
  const { port } = server.address() as { port: number };
  const came = new Promise<{ as: string; read: string }>((resolve) => {
    const as = (what: string) => {
      const to = new EventEmitter();
      to.on('connection', (socket: Socket) => {
        let read = '';
        socket.on('data', (d) => {
          read += d.toString('latin1');
        });
        socket.on('end', () => resolve({ as: what, read }));
      });
      return to;
    };
    server.on('connection', (socket) =>
      bySpeech(socket, { tls: as('tls') as never, plain: as('plain') as never }),
    );
  });
  const client = connect(port, '127.0.0.1', () => client.end(first));
  const so = await came;
  client.destroy();
  server.close();
  return so;
}

test.each([
  ['a handshake of TLS 1.3 (RFC 8446, 5.1)', [0x16, 0x03, 0x01, 0x02, 0x00], 'tls'],
  ['a request', [...Buffer.from('GET / HTTP/1.1\r\n')], 'plain'],
  ['noise', [0x80, 0x2e, 0x01], 'plain'],
])('a line that begins with %s is handed on whole', async (_what, bytes, as) => {
  const first = Buffer.from(bytes);
  expect(await taken(first)).toEqual({ as, read: first.toString('latin1') });
});

describe('what comes without TLS', () => {
  const asked = (
    url: string,
    more: { remoteAddress?: string; encrypted?: boolean; host?: string; method?: string } = {},
  ) =>
    towardsTls({
      method: more.method ?? 'GET',
      url,
      headers: { host: more.host ?? '192.168.1.2:3000' },
      socket: { remoteAddress: more.remoteAddress ?? '192.168.1.9', encrypted: more.encrypted },
    } as unknown as IncomingMessage);

  test.each([
    '/',
    '/plan?target=153',
    '/pair?code=123456',
    '/api/kitchen',
    '/api/health',
    '/api/stations/pair',
    '/record',
  ])('over the network for %s is shown the way', (url) => {
    expect(asked(url)).toBe(`https://192.168.1.2:3000${url}`);
  });
  test('also where it would write', () => {
    expect(asked('/api/stations/pair', { method: 'POST' })).toBe(
      'https://192.168.1.2:3000/api/stations/pair',
    );
  });
  test.each(['/trust', '/api/trust/root', '/_next/static/chunks/a.js', '/theme.js'])(
    'for %s, by which the authority is trusted, is answered',
    (url) => {
      expect(asked(url)).toBeNull();
    },
  );
  test('from this machine itself is answered, and what came by TLS', () => {
    expect(asked('/plan', { remoteAddress: '127.0.0.1', host: 'localhost:3000' })).toBeNull();
    expect(asked('/plan', { remoteAddress: '127.0.0.1', host: 'soup.local' })).not.toBeNull();
    expect(asked('/plan', { encrypted: true })).toBeNull();
  });
});
