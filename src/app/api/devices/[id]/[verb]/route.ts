import { bridgeUrl } from '../../../../../server/live/devices';
import { cannot, readJson, unknown } from '../../../../../server/refusal';
import { respond } from '../../../respond';

const VERBS = ['tare', 'arm'];

/** Passes a tare, or the arming of a flow timer, on to the kitchen's device bridge. */
export function POST(
  request: Request,
  { params }: { params: Promise<{ id: string; verb: string }> },
): Promise<Response> {
  return respond('POST /api/devices/[id]/[verb]', async () => {
    const { id, verb } = await params;
    const url = bridgeUrl();
    if (!VERBS.includes(verb)) throw unknown('verb', verb, VERBS);
    if (!url)
      throw cannot('device', 'no device bridge is set up', 'start with DEVICES_URL, see docs/formats.md');
    const body = JSON.stringify(await readJson(request));
    const answer = await fetch(`${url}/devices/${encodeURIComponent(id)}/${verb}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body,
      signal: AbortSignal.timeout(5000),
    }).catch(() => null);
    if (!answer) throw cannot('device', 'the device bridge does not answer', 'measure by hand meanwhile');
    if (!answer.ok)
      throw cannot('device', `${id} will not ${verb}`, 'pair it with this pot, or take another test');
    return { body: {} };
  });
}
