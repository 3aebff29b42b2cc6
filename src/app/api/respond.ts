import type { AnswerOf, JsonText, RouteName } from '../../contract/routes';
import { respond as respondIn } from '../../server/refusal';
import { languageHere } from '../reader';

type Head = { readonly status?: number; readonly headers?: Record<string, string> };

/** Runs a route that answers JSON, as the contract has it; what is refused is told in the language of the station that asked. */
export const respond = async <R extends RouteName>(
  _route: R,
  work: () => Promise<Head & { readonly body: AnswerOf<R> | JsonText<AnswerOf<R>> }>,
): Promise<Response> =>
  respondIn(
    async () => {
      const { body, headers, ...rest } = await work();
      return typeof body === 'string'
        ? { ...rest, body, headers: { 'content-type': 'application/json', ...headers } }
        : { ...rest, body, ...(headers && { headers }) };
    },
    await languageHere(),
  );

/** Runs a route that answers a file: text, bytes or a stream, with its type, or a document as JSON. */
export const respondFile = async (work: Parameters<typeof respondIn>[0]): Promise<Response> =>
  respondIn(work, await languageHere());
