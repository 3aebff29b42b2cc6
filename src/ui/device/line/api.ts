import { type AnswerOf, addressOf, type Given, type RouteName } from '../../../contract/routes';
import { type Message, message } from '../../../core/message/message';
import { askForPin } from '../pin';
import { timed } from './clock';

/** What would let a request through that was refused. */
const WANTS = 'x-panache-wants';

/** What was wrong with what was sent, in the words the server chose for this station, or in ours where it could not be asked. */
export type ToldProblem = {
  readonly field: string;
  readonly given: Message | string;
  readonly allowed: Message | string;
};

export type ServerAnswer<T> =
  | { readonly ok: true; readonly body: T }
  | {
      readonly ok: false;
      /** Trying later may help. */
      readonly again: boolean;
      readonly status: number;
      readonly problems: readonly ToldProblem[];
    };

/** Problems as a line. */
export const problemWords = (problems: readonly ToldProblem[]): Message =>
  message('{problems}.', {
    problems: {
      all: problems.map(({ given, allowed }) =>
        allowed && given
          ? message('{given}: {allowed}', { given, allowed: unstopped(allowed) })
          : message('{given}', { given: unstopped(given || allowed) }),
      ),
    },
  });

/** Words without the full stop they end in. */
const unstopped = (words: Message | string): Message | string =>
  typeof words === 'string' ? words.replace(/\.$/, '') : words;

/** What the server answered, or could not, as problems. */
const refused = (
  status: number,
  body: { readonly problems?: readonly ToldProblem[] } | null,
): ServerAnswer<never> => ({
  ok: false,
  // Where the key is gone a tap waits, until there is one again.
  again: status >= 500 || status === 401,
  status,
  problems: body?.problems ?? [
    { field: 'server', given: message('the server answered {status}', { status }), allowed: '' },
  ],
});

const UNREACHED: ServerAnswer<never> = {
  ok: false,
  again: true,
  status: 0,
  problems: [
    {
      field: 'server',
      given: message('no connection to the server'),
      allowed: message('nothing is lost, try again'),
    },
  ],
};

/**
 * Asks the server, with JSON, or text or a file that is JSON; what goes wrong comes back as problems, each with
 * its field. Nothing typed is lost by it.
 */
export async function ask<R extends RouteName>(
  route: R,
  given: Given<R>,
): Promise<ServerAnswer<AnswerOf<R>>> {
  const { body } = given;
  const { method, url } = addressOf(route, given);
  const sent = typeof body === 'string' || body instanceof Blob ? body : JSON.stringify(body);
  const request = () =>
    timed(url, {
      method,
      ...(body !== undefined && { headers: { 'content-type': 'application/json' }, body: sent }),
    });
  try {
    const first = await request();
    const response = first.headers.get(WANTS) === 'pin' && (await askForPin()) ? await request() : first;
    const answer = await response.json().catch(() => null);
    return response.ok ? { ok: true, body: answer } : refused(response.status, answer);
  } catch {
    return UNREACHED;
  }
}

type Line<T> =
  | { readonly share: number }
  | { readonly status: number; readonly body: T & { readonly problems?: readonly ToldProblem[] } };

/**
 * Sends a file of JSON and waits for what takes long to come of it; `onShare` is told how far it is, 0 to 1. Null
 * when `signal` stopped it: the server
 * stops, too.
 */
export async function askAsItGoes<R extends RouteName>(
  route: R,
  given: Given<R> & { readonly body: Blob },
  { onShare, signal }: { readonly onShare: (share: number) => void; readonly signal: AbortSignal },
): Promise<ServerAnswer<AnswerOf<R>> | null> {
  const { method, url } = addressOf(route, given);
  const headers = { 'content-type': 'application/json', accept: 'application/x-ndjson' };
  try {
    const request = () => timed(url, { method, headers, body: given.body, signal });
    const first = await request();
    const response = first.headers.get(WANTS) === 'pin' && (await askForPin()) ? await request() : first;
    if (!response.ok || !response.body)
      return refused(response.status, await response.json().catch(() => null));
    let text = '';
    const reader = response.body.pipeThrough(new TextDecoderStream()).getReader();
    for (let piece = await reader.read(); !piece.done; piece = await reader.read()) {
      const lines = (text + piece.value).split('\n');
      text = lines.pop() ?? '';
      for (const line of lines) {
        const told = JSON.parse(line) as Line<AnswerOf<R>>;
        if ('share' in told) onShare(told.share);
        else return told.status < 400 ? { ok: true, body: told.body } : refused(told.status, told.body);
      }
    }
    return UNREACHED;
  } catch {
    return signal.aborted ? null : UNREACHED;
  }
}
