import { createServer, type ServerResponse } from 'node:http';
import type { AddressInfo } from 'node:net';
import { demoBatch, eventAt } from '../../demo/batch';
import { DEVICES, simulatedBench } from './bench';
import { bridge } from './bridge';
import { kitchenAt } from './kitchen';

const { batch } = demoBatch('smoked-parsnip-veloute', {
  litres: 8,
  pot: 'middle-28',
  burner: 'front-right',
});
const probe = DEVICES[0] as (typeof DEVICES)[number];
const paired = eventAt(1, 1, { kind: 'paired', what: 'thermometer', device: probe.id });

/** An application with one live batch: what was asked of it, and its streams. */
async function application() {
  const asked: string[] = [];
  const streams = new Set<ServerResponse>();
  const server = createServer((request, response) => {
    const path = request.url ?? '';
    asked.push(path);
    if (path.startsWith('/api/live')) {
      response.writeHead(200, { 'content-type': 'text/event-stream' });
      streams.add(response);
      request.on('close', () => streams.delete(response));
      response.write('event: again\ndata: {}\n\n');
      return;
    }
    response.setHeader('content-type', 'application/json');
    response.end(JSON.stringify(path === '/api/rail' ? [{ id: batch.id }] : batch));
  });
  await new Promise<void>((r) => server.listen(0, '127.0.0.1', r));
  return {
    address: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    asked,
    streams,
    tell: (name: string, data: unknown) => {
      for (const s of streams) s.write(`event: ${name}\ndata: ${JSON.stringify(data)}\n\n`);
    },
    close: () => {
      for (const s of streams) s.destroy();
      return new Promise((r) => server.close(r));
    },
  };
}
const until = async (is: () => boolean) => {
  for (const end = Date.now() + 4000; !is() && Date.now() < end; )
    await new Promise((r) => setTimeout(r, 10));
  expect(is()).toBe(true);
};

test('nobody listens: nothing is asked. Somebody does: read once, and moved by what is told; gone again: let go', async () => {
  const app = await application();
  const bench = simulatedBench();
  const server = bridge(bench, kitchenAt(app.address, bench));
  await new Promise<void>((r) => server.listen(0, '127.0.0.1', r));
  const devices = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  try {
    await new Promise((r) => setTimeout(r, 1200));
    expect(app.asked).toEqual([]);

    const listening = new AbortController();
    const heard = await fetch(`${devices}/events`, { signal: listening.signal });
    void heard.text().catch(() => {});
    await until(() => bench.has(batch.id));
    expect(app.asked).toEqual(['/api/live?devices=no', '/api/rail', `/api/batches/${batch.id}`]);
    // In the air of the kitchen, until it is told that it stands in the pot.
    const now = Date.parse(batch.startedAt) + 600_000;
    expect(bench.read(probe, now)).toBeLessThan(26);
    app.tell('told', { batch: batch.id, event: paired });
    await until(() => (bench.read(probe, now) ?? 0) > 40);
    expect(app.asked).toHaveLength(3);

    // What is over is forgotten; what begins is read.
    app.tell('ticket', { order: [], tickets: [] });
    await until(() => !bench.has(batch.id));
    app.tell('ticket', { order: [batch.id], tickets: [{ id: batch.id }] });
    await until(() => bench.has(batch.id));
    expect(app.asked.slice(3)).toEqual([`/api/batches/${batch.id}`]);

    listening.abort();
    await until(() => app.streams.size === 0);
  } finally {
    server.closeAllConnections();
    await new Promise((r) => server.close(r));
    await app.close();
  }
});
