import { Agent, request } from 'node:http';

const agent = new Agent({ keepAlive: true, maxSockets: 16 });

/** Posts JSON over a connection kept open, as a station's browser does; resolves to the status once all of the answer is there. */
export const post = (url: string, body: unknown): Promise<number> =>
  new Promise((resolve, reject) => {
    const text = JSON.stringify(body);
    const sent = request(
      url,
      {
        agent,
        method: 'POST',
        headers: { 'content-type': 'application/json', 'content-length': Buffer.byteLength(text) },
      },
      (response) => {
        response.resume();
        response.on('end', () => resolve(response.statusCode ?? 0));
      },
    );
    sent.on('error', reject);
    sent.end(text);
  });
