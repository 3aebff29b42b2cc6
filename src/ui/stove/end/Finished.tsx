'use client';

import { ArrowRight } from 'lucide-react';
import type { BodyOf, GoesTo } from '../../../core/batch/events';
import { type Message, message } from '../../../core/message/message';
import { timeOfDay } from '../../../core/units/clock';
import { useSay } from '../../shared/hooks/useSay';
import { Link } from '../../shared/Link';
import { PRIMARY } from '../../shared/styles';

const SAID: Readonly<Record<GoesTo, Message>> = {
  pass: message('Served at {time}'),
  hold: message('Held hot since {time}'),
  cool: message('Cooling since {time}'),
  bin: message('Thrown away at {time}'),
};

type Props = {
  readonly finished: BodyOf<'finished'> & { at: string };
  readonly batchId: string;
  /** Still hot, or still cooling. */
  readonly kept: boolean;
};

/** A batch that went to the pass, a hold, a cooler or the bin; what is kept goes on in Keep. */
export function Finished({ finished, batchId, kept }: Props) {
  const say = useSay();
  return (
    <>
      <h1 className="mt-1 font-bold text-[clamp(34px,4.2vw,52px)] leading-tight">
        {say(SAID[finished.goesTo].text, { time: timeOfDay(new Date(finished.at)) })}
      </h1>
      <p className="mt-2 text-[21px]">
        {finished.yieldMl !== undefined && say('{volume}. ', { volume: { ml: finished.yieldMl } })}
        {finished.score !== undefined && say('Tasted {score} of 5. ', { score: finished.score })}
        {finished.note}
      </p>
      {(kept || finished.goesTo === 'hold' || finished.goesTo === 'cool') && (
        <Link href={`/keep?lot=${batchId}`} className={`${PRIMARY} mt-5 min-h-20 text-[22px]`}>
          {finished.goesTo === 'hold'
            ? say('Keep it hot: probe rounds and how thick it will be')
            : say('Choose how it is cooled')}
          <ArrowRight size={26} aria-hidden />
        </Link>
      )}
    </>
  );
}
