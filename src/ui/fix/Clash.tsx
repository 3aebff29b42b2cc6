'use client';

import Link from 'next/link';
import type { Contradiction } from '../../core/adjust/measured';
import type { BatchEvent, EventBody } from '../../core/batch/events';
import { litres } from '../../core/units/format';
import { BUTTON } from '../shared/styles';

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
  const level = events.findLast((e) => e.body.kind === 'depth' || e.body.kind === 'volume');
  const scale = events.findLast((e) => e.body.kind === 'mass');
  return (
    <div role="alert" className="border-2 border-tomato px-3 py-2">
      <p className="text-[19px]">
        <b>Two readings cannot both be right.</b> The level says {clash.level.says}, that is{' '}
        {litres(clash.level.ml)} L; the scale says {clash.scale.says}, that is {litres(clash.scale.ml)} L.
        Which is right?
      </p>
      <div className="mt-2 flex flex-wrap gap-2">
        <button
          type="button"
          className={BUTTON}
          onClick={() => scale && write({ kind: 'withdrawn', event: scale.id })}
        >
          The level, {litres(clash.level.ml)} L
        </button>
        <button
          type="button"
          className={BUTTON}
          onClick={() => level && write({ kind: 'withdrawn', event: level.id })}
        >
          The scale, {litres(clash.scale.ml)} L
        </button>
        <Link href={`/stove/${batchId}`} className={BUTTON}>
          Read again
        </Link>
      </div>
    </div>
  );
}
