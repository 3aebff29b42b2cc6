'use client';

import { EIGHT_IN_TEN } from '../../../core/maths/normal';
import { useSay } from '../../shared/hooks/useSay';

/** Marks of the ruler, as factors. */
const MARKS = [0.6, 0.7, 0.8, 0.9, 1, 1.1, 1.25, 1.4, 1.6] as const;
const ENDS = [Math.log(0.55), Math.log(1.8)] as const;

const at = (factor: number): number =>
  (Math.min(ENDS[1], Math.max(ENDS[0], Math.log(factor))) - ENDS[0]) / (ENDS[1] - ENDS[0]);
const left = (factor: number): string => `${at(factor) * 100}%`;

type Props = { readonly by: number; readonly spread: number; readonly before: number };

/** A factor about 1 with where eight in ten would lie, now and before anything was read. */
export function NumberRuler({ by, spread, before }: Props) {
  const say = useSay();
  const [low, high] = [by * Math.exp(-EIGHT_IN_TEN * spread), by * Math.exp(EIGHT_IN_TEN * spread)];
  return (
    <span
      role="img"
      aria-label={say('{by} of the book; eight in ten between {low} and {high}', {
        by: by.toFixed(2),
        low: low.toFixed(2),
        high: high.toFixed(2),
      })}
      className="relative mt-1 block h-8"
    >
      <span
        style={{
          left: left(Math.exp(-EIGHT_IN_TEN * before)),
          right: `${(1 - at(Math.exp(EIGHT_IN_TEN * before))) * 100}%`,
        }}
        className="absolute top-2 h-3 bg-water"
      />
      <span className="absolute top-3.5 right-0 left-0 border-ink border-t" />
      {MARKS.map((m) => (
        <span
          key={m}
          style={{ left: left(m) }}
          className={
            m === 1
              ? 'absolute top-0 h-7 border-ink border-l-[3px]'
              : 'absolute top-2 h-3 border-ink border-l'
          }
        />
      ))}
      <span
        style={{ left: left(low), right: `${(1 - at(high)) * 100}%` }}
        className="absolute top-3 h-1 bg-ink"
      />
      <span
        style={{ left: left(by) }}
        className="absolute top-1.5 size-4 -translate-x-1/2 rotate-45 border-2 border-ink bg-butter"
      />
    </span>
  );
}
