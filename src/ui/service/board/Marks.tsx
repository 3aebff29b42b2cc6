'use client';

import { clsx } from 'clsx';
import { useSay } from '../../shared/hooks/useSay';
import { HATCHED } from './BarBlock';
import { across, hoursOf } from './lanes';

/** What the strips mean. */
export function Legend() {
  const say = useSay();
  const sign = 'inline-block h-4 w-8 shrink-0 border-2 border-ink';
  return (
    <ul className="flex flex-wrap gap-x-6 gap-y-1 px-3 py-3 text-[15px] text-quiet">
      <li className="flex items-center gap-2">
        <span className={clsx(sign, 'border-dashed')} /> {say('weigh out')}
      </li>
      <li className="flex items-center gap-2">
        <span className={clsx(sign, 'bg-ink')} /> {say('hands on it')}
      </li>
      <li className="flex items-center gap-2">
        <span className={clsx(sign, HATCHED)} /> {say('by itself')}
      </li>
      <li className="flex items-center gap-2">
        <span className={clsx(sign, 'bg-soup')} /> {say('kept hot')}
      </li>
    </ul>
  );
}

/** Hours and now, through a row. */
export function Lines({ span, now }: { span: { from: number; to: number }; now: number | null }) {
  return (
    <span aria-hidden className="absolute inset-0">
      {hoursOf(span).map((at) => (
        <span
          key={at}
          className="absolute inset-y-0 border-rule border-l"
          style={{ left: `${across(span, at)}%` }}
        />
      ))}
      {now !== null && now >= span.from && now <= span.to && (
        <span
          className="absolute inset-y-0 z-20 border-ink border-l-4"
          style={{ left: `${across(span, now)}%` }}
        />
      )}
    </span>
  );
}
