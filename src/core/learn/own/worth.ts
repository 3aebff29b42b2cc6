import { dot, times, type Vector } from '../../maths/matrix';
import { BATCH_SPREAD } from '../../pot/kitchen';
import type { CouldRead } from './batch/hearing';
import type { Lesson } from './batch/lesson';
import { lawOf } from './gaussian';
import type { Knowledge } from './knowledge';
import type { NumberKey } from './laws';
import { type SetByHand, standingLaw } from './standing';

/** A reading worth taking: in which soup, of what, and what it would make of that soup’s bracket. */
export type WorthReading = {
  /** The batch it was worked out from: the newest of that soup. */
  readonly batch: string;
  readonly what: CouldRead['what'];
  /** Spread of ln of the bowl’s viscosity as it stands, and as the next batch would be foreseen after it. */
  readonly now: number;
  readonly after: number;
};

/** Standard deviation of each reading, of this batch alone, in ln of the dose, of litres, in °C. Our assumptions, as in the filter. */
const OFF = { cup: BATCH_SPREAD, ruler: 0.028, probe: 3.1 } as const;

/** What of a lesson’s soup could be read next time, best first: by how much the bracket of the next batch would shrink. */
export function worthReading(
  k: Knowledge,
  lesson: Pick<Lesson, 'id' | 'keys' | 'atEnd' | 'could'>,
  fixed: SetByHand = {},
): readonly WorthReading[] {
  const { keys, numbers, g } = standingLaw(k, fixed);
  const place = new Map(keys.map((key, n) => [key as string, n]));
  const known = lesson.keys.flatMap((key, n): readonly [NumberKey, number][] =>
    place.has(key) ? [[key, n]] : [],
  );
  if (known.length === 0) return [];
  const law = lawOf(
    g,
    known.map(([key]) => numbers[place.get(key) as number] as readonly string[]),
  );
  const of = (slopes: Vector): number[] => known.map(([, n]) => slopes[n] ?? 0);
  const end = of(lesson.atEnd);
  const doubt = dot(end, times(law.covariance, end));
  const now = Math.sqrt(Math.max(0, doubt));
  return lesson.could
    .map(({ what, slopes }): WorthReading => {
      const read = of(slopes);
      const across = dot(end, times(law.covariance, read));
      const own = dot(read, times(law.covariance, read)) + OFF[what] ** 2;
      return { batch: lesson.id, what, now, after: Math.sqrt(Math.max(0, doubt - across ** 2 / own)) };
    })
    .toSorted((a, b) => a.after - b.after);
}
