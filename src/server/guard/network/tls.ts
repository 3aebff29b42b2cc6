import { X509Certificate } from 'node:crypto';
import { readFileSync, watchFile } from 'node:fs';
import type { IncomingMessage, Server } from 'node:http';
import { createServer, type Server as SecureServer } from 'node:https';
import type { Socket } from 'node:net';
import type { TLSSocket } from 'node:tls';
import { log, said } from '../../log';
import { needOf } from '../access';
import { isHere } from '../who';

/** A certificate and its key, PEM, by where they stand. */
export type TlsFiles = { readonly cert: string; readonly key: string };

/** Those this process was started with (PANACHE_TLS_CERT, PANACHE_TLS_KEY); null where it is served as it is. */
export function tlsFiles(): TlsFiles | null {
  const { PANACHE_TLS_CERT: cert, PANACHE_TLS_KEY: key } = process.env;
  return cert && key ? { cert, key } : null;
}

const read = ({ cert, key }: TlsFiles) => ({ cert: readFileSync(cert), key: readFileSync(key) });

/** ms between two looks at whether the certificate was made anew. */
const LOOKS = 30_000;

/**
 * A server over TLS that answers as `plain` does. A certificate that is made anew where it stands is taken up by lines that come after; a
 * pair that does not fit is told of, and the one before goes on.
 */
export function createSecured(files: TlsFiles, plain: Server): SecureServer {
  const server = createServer({ ...read(files), minVersion: 'TLSv1.2' }, (request, response) =>
    plain.emit('request', request, response),
  );
  server.keepAliveTimeout = plain.keepAliveTimeout;
  server.headersTimeout = plain.headersTimeout;
  server.requestTimeout = plain.requestTimeout;
  for (const event of ['clientError', 'upgrade'] as const)
    server.on(event, (...what: unknown[]) => plain.emit(event, ...what));
  // Whoever does not trust it hangs up in the middle: nothing is to be said of that.
  server.on('tlsClientError', (_error, socket) => socket.destroy());
  watchFile(files.cert, { interval: LOOKS, persistent: false }, () => {
    try {
      server.setSecureContext(read(files));
      log().info({ until: new X509Certificate(read(files).cert).validTo }, 'a new certificate is in use');
    } catch (error) {
      log().error({ error: said(error) }, 'the new certificate cannot be used; the one before goes on');
    }
  });
  return server;
}

/** The first byte of a line that speaks TLS (RFC 8446, 5.1: a handshake). */
const HANDSHAKE = 22;

/** ms a line may be silent before it has said how it speaks. */
const SILENT = 10_000;

/** Hands a line to the server that speaks as it does: one port for both, so that who types http is shown the way. */
export function bySpeech(
  socket: Socket,
  to: { readonly tls: Pick<Server, 'emit'>; readonly plain: Pick<Server, 'emit'> },
): void {
  const silent = setTimeout(() => socket.destroy(), SILENT);
  const gone = (): void => {
    clearTimeout(silent);
    socket.destroy();
  };
  socket.once('error', gone);
  socket.once('end', gone);
  socket.once('data', (first: Buffer) => {
    clearTimeout(silent);
    socket.off('error', gone);
    socket.off('end', gone);
    socket.pause();
    socket.unshift(first);
    (first[0] === HANDSHAKE ? to.tls : to.plain).emit('connection', socket);
    // Whoever has it now reads on by itself.
    process.nextTick(() => socket.resume());
  });
}

/**
 * Where a request that came without TLS is sent instead; null where it may be answered so: by this machine itself, for what lies ready, and
 * for the page that shows how the kitchen’s authority is trusted.
 */
export function towardsTls(request: IncomingMessage): string | null {
  if ((request.socket as Partial<TLSSocket>).encrypted || isHere(request)) return null;
  const { method = 'GET', url = '/', headers } = request;
  const path = url.split('?')[0] ?? '';
  const isOpen = !path.startsWith('/api/') && path !== '/pair' && needOf(method, path) === 'nothing';
  return isOpen || path === '/api/trust/root' ? null : `https://${headers.host}${url}`;
}
