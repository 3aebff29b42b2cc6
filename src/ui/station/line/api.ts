import { type Message, message } from '../../../core/message/message';
import { timed } from './clock';

/** What was wrong with what was sent, in the words the server chose for this station, or in ours where it could not be asked. */
export type Problem = {
  readonly field: string;
  readonly given: Message | string;
  readonly allowed: Message | string;
};

export type Answer<T> =
  | { readonly ok: true; readonly body: T }
  | {
      readonly ok: false;
      /** Trying later may help. */
      readonly again: boolean;
      readonly status: number;
      readonly problems: readonly Problem[];
    };

/** Problems as a line. */
export const problemWords = (problems: readonly Problem[]): Message =>
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

/** Asks the server, with JSON, or text or a file that is JSON; what goes wrong comes back as problems, each with its field. Nothing typed is lost by it. */
export async function ask<T>(
  method: 'GET' | 'POST' | 'PUT',
  url: string,
  body?: unknown,
): Promise<Answer<T>> {
  const sent = typeof body === 'string' || body instanceof Blob ? body : JSON.stringify(body);
  try {
    const response = await timed(url, {
      method,
      ...(body !== undefined && { headers: { 'content-type': 'application/json' }, body: sent }),
    });
    const answer = await response.json().catch(() => null);
    if (response.ok) return { ok: true, body: answer as T };
    return {
      ok: false,
      again: response.status >= 500,
      status: response.status,
      problems: answer?.problems ?? [
        {
          field: 'server',
          given: message('the server answered {status}', { status: response.status }),
          allowed: '',
        },
      ],
    };
  } catch {
    return {
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
  }
}
