'use client';

import Link from 'next/link';
import type { Contradiction } from '../../core/adjust/measured';
import type { BatchEvent, EventBody } from '../../core/batch/events';
import { volumeWords } from '../../core/units/show';
import { BUTTON } from '../shared/styles';
import { useShow } from '../shared/useShow';

/** Two readings that cannot both be right: which one is not? */
export function Clash({
  clash,
  events,
  write,
  batchId,
}: {
  clash: Contradiction;
  events: readonly BatchEvent[];
  write: (body: EventBody) => void;
  batchId: string;
}) {
  const show = useShow();
  const level = events.findLast((e) => e.body.kind === 'depth' || e.body.kind === 'volume');
  const scale = events.findLast((e) => e.body.kind === 'mass');
  return (
    <div role="alert" className="border-2 border-tomato px-3 py-2">
      <p className="text-[19px]">
        <b>Two readings cannot both be right.</b> The level says {clash.level.says}, that is{' '}
        {volumeWords(clash.level.ml, show)}; the scale says {clash.scale.says}, that is{' '}
        {volumeWords(clash.scale.ml, show)}. Which is right?
      </p>
      <div className="mt-2 flex flex-wrap gap-2">
        <button
          type="button"
          className={BUTTON}
          onClick={() => scale && write({ kind: 'withdrawn', event: scale.id })}
        >
          The level, {volumeWords(clash.level.ml, show)}
        </button>
        <button
          type="button"
          className={BUTTON}
          onClick={() => level && write({ kind: 'withdrawn', event: level.id })}
        >
          The scale, {volumeWords(clash.scale.ml, show)}
        </button>
        <Link href={`/stove/${batchId}`} className={BUTTON}>
          Read again
        </Link>
      </div>
    </div>
  );
}
