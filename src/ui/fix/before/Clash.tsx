'use client';

import type { Contradiction } from '../../../core/adjust/measured';
import type { BatchEvent, EventBody } from '../../../core/batch/events';
import { volumeWords } from '../../../core/units/shown/show';
import { useSay } from '../../shared/hooks/useSay';
import { useShow } from '../../shared/hooks/useShow';
import { Link } from '../../shared/Link';
import { BUTTON } from '../../shared/styles';

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
  const say = useSay();
  const show = useShow();
  const level = events.findLast((e) => e.body.kind === 'depth' || e.body.kind === 'volume');
  const scale = events.findLast((e) => e.body.kind === 'mass');
  return (
    <div role="alert" className="border-2 border-tomato px-3 py-2">
      <p className="text-[19px]">
        {say.rich(
          '<b>Two readings cannot both be right.</b> The level says {level}, that is {byLevel}; the scale says {scale}, that is {byScale}. Which is right?',
          {
            b: (text) => <b>{text}</b>,
            level: clash.level.says,
            byLevel: volumeWords(clash.level.ml, show),
            scale: clash.scale.says,
            byScale: volumeWords(clash.scale.ml, show),
          },
        )}
      </p>
      <div className="mt-2 flex flex-wrap gap-2">
        <button
          type="button"
          className={BUTTON}
          onClick={() => scale && write({ kind: 'withdrawn', event: scale.id })}
        >
          {say('The level, {ml}', { ml: volumeWords(clash.level.ml, show) })}
        </button>
        <button
          type="button"
          className={BUTTON}
          onClick={() => level && write({ kind: 'withdrawn', event: level.id })}
        >
          {say('The scale, {ml}', { ml: volumeWords(clash.scale.ml, show) })}
        </button>
        <Link href={`/stove/${batchId}`} className={BUTTON}>
          {say('Read again')}
        </Link>
      </div>
    </div>
  );
}
