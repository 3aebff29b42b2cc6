import type { BatchEvent } from '../../core/batch/events';
import type { KeepEvent } from '../../core/keep/events';
import { beyond } from '../refusal';
import { mayDo, needOfLine } from './access';
import { asking, keyed } from './asking';

type Line = BatchEvent | KeepEvent;

/**
 * A line as a station may write it: from whom it is by its key, when it was taken left for the server to say. Refuses one that is not
 * for this station to write.
 */
export function written<L extends Line>(said: L): Omit<L, 'receivedAt' | 'brought'> {
  const { receivedAt: _at, brought: _brought, via: _via, ...line } = said;
  const may = mayDo(asking().who, needOfLine(line.body.kind));
  if (may !== 'yes') throw beyond(may === 'with the PIN' ? 'pin' : may === 'unknown' ? 'key' : null);
  return { ...line, ...keyed(line.station) } as Omit<L, 'receivedAt' | 'brought'>;
}
