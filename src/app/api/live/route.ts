import { listenToDevices } from '../../../server/devices';
import { listen } from '../../../server/live';

export const dynamic = 'force-dynamic';

/** A line now and then, ms, so that nobody between here and the station takes the silence for an end. */
const BREATH = 15_000;

/** Server-sent events: `told` with each event of any batch, `again` when a station should read anew, `device` with what the kitchen's devices send. */
export function GET(request: Request): Response {
  const text = new TextEncoder();
  let close = () => {};
  const stream = new ReadableStream({
    start(controller) {
      const send = (line: string) => {
        try {
          controller.enqueue(text.encode(line));
        } catch {
          close();
        }
      };
      const stop = listen((told) =>
        send(
          told === 'again' ? 'event: again\ndata: {}\n\n' : `event: told\ndata: ${JSON.stringify(told)}\n\n`,
        ),
      );
      const stopDevices = listenToDevices((news) => send(`event: device\ndata: ${JSON.stringify(news)}\n\n`));
      const breath = setInterval(() => send(': still here\n\n'), BREATH);
      close = () => {
        clearInterval(breath);
        stop();
        stopDevices();
        close = () => {};
        try {
          controller.close();
        } catch {
          // The station has gone already.
        }
      };
      request.signal.addEventListener('abort', () => close());
      send('retry: 1000\n\n');
    },
    cancel: () => close(),
  });
  return new Response(stream, {
    headers: {
      'content-type': 'text/event-stream; charset=utf-8',
      'cache-control': 'no-cache, no-transform',
      'x-accel-buffering': 'no',
    },
  });
}
