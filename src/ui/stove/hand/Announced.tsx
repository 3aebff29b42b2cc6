'use client';

import type { Timer } from '../../../core/batch/state';
import { useReadAloud } from '../../device/useSpoken';
import { useSay } from '../../shared/hooks/useSay';

type Props = {
  /** The step at hand, as it is shown. */
  readonly step: string;
  readonly timers: readonly Timer[];
  readonly now: number | null;
};

/** Says what a pair of eyes would see change: the step that came up, and a timer that rings. For whoever listens. */
export function Announced({ step, timers, now }: Props) {
  const say = useSay();
  const ringing = timers.filter((t) => now !== null && t.endsAt <= now).map((t) => t.name);
  const rings = ringing.length > 0 ? say('The timer {name} rings.', { name: ringing.join(', ') }) : '';
  useReadAloud(step, say.reader.language);
  useReadAloud(rings, say.reader.language);
  return (
    <>
      <p role="status" className="sr-only">
        {step}
      </p>
      <p role="alert" className="sr-only">
        {rings}
      </p>
    </>
  );
}
