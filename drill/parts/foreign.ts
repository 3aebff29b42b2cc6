import { createServer } from 'node:http';
import { chromium } from '@playwright/test';
import { chromiumOptions } from '../../cli/chromium.mjs';
import { ask, type Row } from '../kit';

/** A page of another site, in a browser that has the kitchen open: what it can write, read, listen to or frame. */
export async function foreignPage(address: string): Promise<readonly Row[]> {
  const port = new URL(address).port;
  const page = `<!doctype html><title>Elsewhere</title>
    <form id="f" method="post" enctype="text/plain" action="${address}/api/batches" target="frame">
      <input name='{"id":"00000000-0000-4000-8000-0000000f0e16","recipeId":"smoked-parsnip-veloute","litres":8,"target":153,"vesselId":"middle-28","burnerId":"front-right","anyway":true,"startedAt":"${new Date().toISOString()}","x":"' value='"}' />
    </form><iframe name="frame"></iframe><iframe id="framed" src="${address}/plan"></iframe>`;
  const elsewhere = createServer((_request, response) => {
    response.writeHead(200, { 'content-type': 'text/html' });
    response.end(page);
  });
  await new Promise<void>((resolve) => elsewhere.listen(0, '127.0.0.1', resolve));
  const at = elsewhere.address();
  const own = typeof at === 'object' && at ? at.port : 0;
  const browser = await chromium.launch({
    ...chromiumOptions,
    args: [
      ...chromiumOptions.args,
      '--host-resolver-rules=MAP elsewhere.example 127.0.0.1, MAP rebound.example 127.0.0.1',
    ],
  });
  const kitchen = async () => (await ask(address, '/api/kitchen')).text;
  const batches = async () => JSON.parse((await ask(address, '/api/rail')).text).length as number;
  const before = { kitchen: await kitchen(), batches: await batches() };
  try {
    const tab = await browser.newPage();
    await tab.goto(`http://elsewhere.example:${own}/`);
    await tab.evaluate("document.getElementById('f').submit()");
    await tab.waitForTimeout(800);
    // As text: what a bundler adds to a function is not on the page.
    const could = (await tab.evaluate(`(async () => {
      const address = ${JSON.stringify(address)};
      const quiet = (url, more) => fetch(url, { mode: 'no-cors', credentials: 'include', ...more }).catch(() => null);
      await quiet(address + '/api/kitchen', { method: 'POST', body: '{"kitchen":{},"revision":1}' });
      await quiet(address + '/api/archive', { method: 'POST', body: '{"format":"panache.kitchen/1"}' });
      const read = await fetch(address + '/api/archive').then((r) => r.text(), () => '');
      const listened = await new Promise((resolve) => {
        const s = new EventSource(address + '/api/live');
        s.onopen = () => resolve(true);
        s.onerror = () => resolve(false);
      });
      return { read: read.length, listened };
    })()`)) as { read: number; listened: boolean };
    const framed = await tab
      .frames()
      .find((f) => f.url().includes('/plan'))
      ?.locator('h1')
      .count()
      .catch(() => 0);
    const rebound = await browser.newPage();
    const answer = await rebound.goto(`http://rebound.example:${port}/api/archive`);
    const wrote = (await kitchen()) !== before.kitchen || (await batches()) !== before.batches;
    return [
      {
        tried: 'a page of another site that writes',
        held: !wrote,
        figures: wrote ? 'it wrote' : 'nothing was written',
      },
      {
        tried: 'that reads, listens, and puts a page of ours in a frame',
        held: could.read === 0 && !could.listened && !framed,
        figures: `read ${could.read} characters, ${could.listened ? 'heard' : 'did not hear'} the stream, framed ${framed ?? 0} headings`,
      },
      {
        tried: 'a stranger’s name pointed at this machine',
        held: answer?.status() === 421,
        figures: `answered ${answer?.status()}`,
      },
    ];
  } finally {
    await browser.close();
    elsewhere.close();
  }
}
