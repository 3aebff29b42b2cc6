import { createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http';
import * as z from 'zod';
import { FlowTestSchema } from '../core/batch/events';
import { type BenchDevice, DEVICES, FAULTS, type SimulatedBench } from './bench';

const Arm = z.object({ test: FlowTestSchema, celsius: z.number().min(1).max(100) });
const Fault = z.object({ device: z.string(), fault: z.enum(FAULTS) });
const Simulation = z.object({ now: z.iso.datetime() });

const EVERY = 1000;
/** A flood is this many readings at once, every tenth of a second. */
const FLOOD = 200;

/** What the bridge asks of the kitchen it stands in for. */
export type BridgeKitchen = {
  /** Brings the bench up to date at once. */
  readonly refresh: () => Promise<void>;
  /** Somebody listens: the kitchen is followed from now on, until {@link leave}. */
  readonly attend: () => void;
  readonly leave: () => void;
};

async function bodyOf(request: IncomingMessage): Promise<unknown> {
  let text = '';
  for await (const chunk of request) {
    text += String(chunk);
    if (text.length > 10_000) throw new RangeError('at most 10 000 characters');
  }
  return JSON.parse(text || '{}');
}

/**
 * The stand-in's HTTP side: lists devices, streams readings, takes a tare and arms the flow timer; and what
 * only a simulation has: its clock and its faults. Nobody who listens, nothing looked at: the kitchen is followed as long as
 * somebody does.
 */
export function bridge(bench: SimulatedBench, { refresh, attend, leave }: BridgeKitchen): Server {
  const streams = new Set<ServerResponse>();
  let offset = 0;
  const now = () => Date.now() + offset;

  const send = (event: string, data: unknown) => {
    const line = `event: ${event}\ndata: ${typeof data === 'string' ? data : JSON.stringify(data)}\n\n`;
    for (const s of streams) s.write(line);
  };
  const present = (): readonly BenchDevice[] => DEVICES.filter((d) => bench.faultOf(d.id) !== 'lost');
  const reading = (d: BenchDevice, value: number) =>
    send('reading', { device: d.id, value, unit: d.unit, at: new Date(now()).toISOString() });

  const look = () => {
    if (streams.size === 0) return;
    for (const d of present()) {
      if (bench.faultOf(d.id) === 'rubbish') {
        send('reading', { device: d.id, value: 'ERR', unit: '??' });
        send('reading', { device: d.id, value: 9e9, unit: d.unit });
        send('reading', '{half a line');
        continue;
      }
      const value = bench.read(d, now());
      if (value !== null) reading(d, value);
    }
  };
  const flood = () => {
    for (const d of present())
      if (bench.faultOf(d.id) === 'flood')
        for (let i = 0; i < FLOOD; i++) reading(d, bench.read(d, now()) ?? i);
  };

  const answer = async (request: IncomingMessage, response: ServerResponse): Promise<void> => {
    const json = (status: number, body: unknown) => {
      response.writeHead(status, { 'content-type': 'application/json' });
      response.end(JSON.stringify(body));
    };
    const { pathname } = new URL(request.url ?? '/', 'http://bridge');
    const [, first, id, verb] = pathname.split('/');
    const device = DEVICES.find((d) => d.id === id);
    const what = `${request.method} ${first}${verb ? `/${verb}` : ''}`;
    if (what === 'GET devices' && !id)
      return json(200, { protocol: 'panache.devices/1', devices: present() });
    if (what === 'GET events') {
      response.writeHead(200, { 'content-type': 'text/event-stream', 'cache-control': 'no-cache' });
      streams.add(response);
      attend();
      request.on('close', () => {
        streams.delete(response);
        if (streams.size === 0) leave();
      });
      response.write(`event: devices\ndata: ${JSON.stringify(present())}\n\n`);
      return;
    }
    if (what === 'POST devices/tare' && device?.kind === 'scale') {
      bench.tare();
      return json(200, {});
    }
    if (what === 'POST devices/arm' && device?.kind === 'flow timer') {
      const { test, celsius } = Arm.parse(await bodyOf(request));
      await refresh();
      const value = bench.flow(device, test, celsius, now());
      json(value === null ? 409 : 202, {});
      if (value !== null) setTimeout(() => reading(device, Math.round(value * 10) / 10), 800);
      return;
    }
    if (what === 'PUT simulation') {
      const set = Simulation.parse(await bodyOf(request));
      offset = Date.parse(set.now) - Date.now();
      await refresh();
      return json(200, {});
    }
    if (what === 'POST simulation' && id === 'faults') {
      const { device: of, fault } = Fault.parse(await bodyOf(request));
      bench.setFault(of, fault);
      send('devices', present());
      return json(200, {});
    }
    json(404, {});
  };

  const ticking = [setInterval(look, EVERY), setInterval(flood, EVERY / 10)];
  const server = createServer((request, response) => {
    answer(request, response).catch((error) => {
      response.writeHead(400, { 'content-type': 'application/json' });
      response.end(JSON.stringify({ says: error instanceof Error ? error.message : String(error) }));
    });
  });
  server.on('close', () => ticking.forEach(clearInterval));
  return server;
}
