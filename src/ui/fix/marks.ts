import type { Option } from '../../core/adjust/option';
import type { BatchEvent } from '../../core/batch/events';
import type { Followed } from '../../core/batch/follow/follow';
import { message } from '../../core/message/message';
import type { Going } from '../device/useFollow';
import type { ScaleMark } from '../shared/draw/Scale';
import { measuredMark } from '../shared/marks';

/** ms of the newest event; 0 of none. */
export const lastAt = (events: readonly BatchEvent[]): number =>
  Math.max(0, ...events.slice(-1).map((e) => Date.parse(e.at)));

/** Where the pot should be, where it was measured, and where it lands: as it is, or with what is chosen. */
export function marksOf(followed: Followed, going: Going, chosen: Option | null): readonly ScaleMark[] {
  const measured = measuredMark(followed.state.events, going.seen.fatFraction);
  return [
    { id: 'target', words: message('target'), at: followed.cooked.target, kind: 'target' },
    ...(measured ? [measured] : []),
    chosen
      ? {
          id: 'lands',
          words: message('{title} lands at', { title: chosen.title }),
          at: chosen.viscosity,
          range: chosen.bracket,
          kind: 'end',
        }
      : {
          id: 'end',
          words: message('as it is'),
          at: going.to.end.bowlViscosity,
          range: going.doubt?.bracket,
          kind: 'end',
        },
  ];
}
