import type { Given, RouteName } from '../../../contract/routes';
import type { Message } from '../../../core/message/message';
import { ask, problemWords } from './api';

export type Sent =
  | { readonly ok: true }
  | { readonly ok: false; readonly again: boolean; readonly says: Message };

/** Posts JSON; what goes wrong comes back as a line to show. `again` is true when trying later may help. */
export async function send<R extends RouteName>(route: R, given: Given<R>): Promise<Sent> {
  const answer = await ask(route, given);
  if (answer.ok) return { ok: true };
  return { ok: false, again: answer.again, says: problemWords(answer.problems) };
}
