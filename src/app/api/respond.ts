import { respond as respondIn } from '../../server/refusal';
import { languageHere } from '../reader';

/** Runs a route; what is refused is told in the language of the station that asked. */
export const respond = async (work: Parameters<typeof respondIn>[0]): Promise<Response> =>
  respondIn(work, await languageHere());
