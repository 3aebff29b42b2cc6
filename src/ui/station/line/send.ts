import type { Message } from '../../../core/message/message';
import { ask, problemWords } from './api';

export type Sent =
  | { readonly ok: true }
  | { readonly ok: false; readonly again: boolean; readonly says: Message };

/** Posts JSON; what goes wrong comes back as a line to show. `again` is true when trying later may help. */
export async function send(url: string, body: unknown): Promise<Sent> {
  const answer = await ask('POST', url, body);
  if (answer.ok) return { ok: true };
  return { ok: false, again: answer.again, says: problemWords(answer.problems) };
}
