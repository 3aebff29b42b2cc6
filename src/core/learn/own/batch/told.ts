import type { Batch } from '../../../batch/record';
import { type BatchState, batchState, inSeveralPans } from '../../../batch/state';
import { portionsIn } from '../../../pot/contents/portions';
import { ROWS } from '../../../pot/kinds/rows';
import type { Portion } from '../../../pot/step';
import { WEIGH_MINUTES } from '../../../service/pace';
import { keyOf } from '../laws';
import type { ToldOfNumber } from './hearing';

/** Work that is not a step of the pot: from one weighing to the next. */
export const WEIGHING = 'weighing';

/** Standard deviations of ln: a weighing about its role’s habit, an interval and a step about the kitchen’s pace. Our assumptions. */
const OFF = { pouring: 0.03, weighing: 0.7, step: 0.35 } as const;

/** As a factor of what was to be: further off it was another thing that was weighed, or a pause. Our assumption. */
const LIKELY = { pouring: [0.8, 1.25], weighing: [0.2, 5], step: [0.5, 4] } as const;

const isLikely = (by: number, [low, high]: readonly [number, number]): boolean => by > low && by < high;

/** Shortest planned seconds of a step from which its time says something. */
const WORTH_TIMING = 40;

/** How a role pours: what went onto the scale against what was to. */
function pouringIn({ events, steps }: BatchState): readonly ToldOfNumber[] {
  return events.flatMap(({ station, body }): ToldOfNumber[] => {
    if (body.kind !== 'weighed' || body.g <= 0) return [];
    const does = steps.find((s) => s.key === body.step)?.planned?.does;
    const wanted = does && portionsIn<Portion>(does)[body.item]?.amount;
    if (!wanted || !isLikely(body.g / wanted, LIKELY.pouring)) return [];
    return [{ key: keyOf('pouring', station), miss: Math.log(body.g / wanted), error: OFF.pouring }];
  });
}

/** How long from one weighing to the next. */
function weighingIn({ events }: BatchState): readonly ToldOfNumber[] {
  const at = events.flatMap((e) => (e.body.kind === 'weighed' ? [Date.parse(e.at) / 60_000] : []));
  return at.slice(1).flatMap((minutes, n): ToldOfNumber[] => {
    const by = (minutes - (at[n] ?? 0)) / WEIGH_MINUTES;
    return isLikely(by, LIKELY.weighing)
      ? [{ key: keyOf('work', WEIGHING), miss: Math.log(by), error: OFF.weighing }]
      : [];
  });
}

/** How long what somebody stands at took, where the taps before and after it say so. Of several pans nobody can tell. */
function stepsIn({ steps }: BatchState, startedAt: number): readonly ToldOfNumber[] {
  if (inSeveralPans(steps)) return [];
  const ended = steps
    .flatMap((s) => (s.done ? [{ s, at: Date.parse(s.done.at) }] : []))
    .toSorted((a, b) => a.at - b.at);
  return ended.flatMap(({ s, at }, n): ToldOfNumber[] => {
    const took = (at - (ended[n - 1]?.at ?? startedAt)) / 1000;
    // What was marked together with the next took its time before that.
    const next = ended[n + 1];
    const marked = next && (next.at - at) / 1000 < 0.5 * next.s.seconds;
    if (!s.does || !s.planned || !ROWS[s.does.kind].attended || s.seconds < WORTH_TIMING || marked) return [];
    return isLikely(took / s.seconds, LIKELY.step)
      ? [{ key: keyOf('work', s.does.kind), miss: Math.log(took / s.seconds), error: OFF.step }]
      : [];
  });
}

/** What a batch tells of the house besides its pot: how its roles pour, how long its work takes. */
export function toldBy(batch: Batch): readonly ToldOfNumber[] {
  const state = batchState(batch);
  return [...pouringIn(state), ...weighingIn(state), ...stepsIn(state, Date.parse(batch.startedAt))];
}
