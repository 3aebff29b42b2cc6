'use client';

import { clsx } from 'clsx';
import type { BodyOf, EventBody, GoesTo } from '../../core/batch/events';
import type { BatchState } from '../../core/batch/state';
import { LIMITS } from '../../core/safety/cautions';
import { timeOfDay } from '../../core/units/clock';
import { duration } from '../../core/units/format';
import { degrees, degreesFrom, type Show, volumeWords } from '../../core/units/show';
import { BUTTON, PRIMARY } from '../shared/styles';

const SAID: Readonly<Record<GoesTo, string>> = {
  pass: 'Served',
  hold: 'Held hot',
  cool: 'Cooling',
  bin: 'Thrown away',
};

type Props = {
  readonly finished: BodyOf<'finished'> & { at: string };
  readonly stage: BatchState['stage'];
  readonly state: BatchState;
  readonly now: number | null;
  readonly show: Show;
  readonly write: (body: EventBody) => void;
  readonly onRead: () => void;
};

/** A batch that went to the pass, a hold, a cooler or the bin, and what is still to be read of it. */
export function Finished({ finished, stage, state, now, show, write, onRead }: Props) {
  const kept = stage === 'hold' || stage === 'cool';
  const probed = state.events.filter((e) => e.body.kind === 'temperature' && e.at >= finished.at);
  const last = probed.at(-1);
  const celsius = last?.body.kind === 'temperature' ? last.body.celsius : null;
  const cold = stage === 'hold' && celsius !== null && celsius < LIMITS.hotHold.atLeast;
  return (
    <>
      <h1 className="mt-1 font-bold text-[clamp(34px,4.2vw,52px)] leading-tight">
        {SAID[finished.goesTo]} {kept ? 'since' : 'at'} {timeOfDay(new Date(finished.at))}
      </h1>
      <p className="mt-2 text-[21px]">
        {finished.yieldMl !== undefined && `${volumeWords(finished.yieldMl, show)}. `}
        {finished.score !== undefined && `Tasted ${finished.score} of 5. `}
        {finished.note}
      </p>
      {kept && (
        <>
          <p className="mt-4 text-[21px]">
            {stage === 'hold'
              ? `Never under ${degrees(LIMITS.hotHold.atLeast, show)}: probe every hour and write it down.`
              : `${degreesFrom(LIMITS.cooling.from, LIMITS.cooling.through, show)} within 2 h, to ${degrees(LIMITS.cooling.to, show)} within 6 h in all.`}{' '}
            <span className="text-[16px] text-quiet">
              FDA Food Code 2022, {stage === 'hold' ? LIMITS.hotHold.section : LIMITS.cooling.section} (from
              memory); the local code decides.
            </span>
          </p>
          {celsius !== null && last && (
            <p className={clsx('mt-3 text-[21px]', cold && 'font-bold text-tomato')}>
              Probed at {timeOfDay(new Date(last.at))}:{' '}
              <b className="figures text-[28px]">{degrees(celsius, show)}</b>
              {cold &&
                ` is too cold: reheat it to ${degrees(LIMITS.reheat.to, show)} within 2 h, or throw it away.`}
            </p>
          )}
          {now !== null && (
            <p className="figures mt-3 font-bold text-[clamp(48px,6vw,80px)] leading-none">
              {duration((now - Date.parse(finished.at)) / 1000)}
            </p>
          )}
          <div className="mt-5 flex flex-wrap gap-3">
            <button type="button" className={`${PRIMARY} min-h-20 text-[22px]`} onClick={onRead}>
              Probe it
            </button>
            <button type="button" className={`${BUTTON} min-h-20`} onClick={() => write({ kind: 'cleared' })}>
              {stage === 'hold' ? 'The pot is empty' : 'It is cold and put away'}
            </button>
          </div>
        </>
      )}
    </>
  );
}
