import { timed } from './clock';

export type Problem = { readonly field: string; readonly given: string; readonly allowed: string };

export type Answer<T> =
  | { readonly ok: true; readonly body: T }
  | {
      readonly ok: false;
      /** Trying later may help. */
      readonly again: boolean;
      readonly status: number;
      readonly problems: readonly Problem[];
    };

/** A problem as one line. */
export const problemWords = (p: Problem): string =>
  [p.given, p.allowed].filter(Boolean).join(': ').replace(/\.?$/, '.');

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
          given: `the server answered ${response.status}`,
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
          given: 'no connection to the server',
          allowed: 'nothing is lost, try again',
        },
      ],
    };
  }
}
