'use client';

import { clsx } from 'clsx';
import type { BodyOf, EventBody, GoesTo } from '../../core/batch/events';
import type { BatchState } from '../../core/batch/state';
import { type Message, message } from '../../core/message/message';
import { LIMITS } from '../../core/safety/cautions';
import { timeOfDay } from '../../core/units/clock';
import { duration } from '../../core/units/format';
import { BUTTON, PRIMARY } from '../shared/styles';
import { useSay } from '../shared/useSay';

const SAID: Readonly<Record<GoesTo, Message>> = {
  pass: message('Served at {time}'),
  hold: message('Held hot since {time}'),
  cool: message('Cooling since {time}'),
  bin: message('Thrown away at {time}'),
};

type Props = {
  readonly finished: BodyOf<'finished'> & { at: string };
  readonly stage: BatchState['stage'];
  readonly state: BatchState;
  readonly now: number | null;
  readonly write: (body: EventBody) => void;
  readonly onRead: () => void;
};

/** A batch that went to the pass, a hold, a cooler or the bin, and what is still to be read of it. */
export function Finished({ finished, stage, state, now, write, onRead }: Props) {
  const say = useSay();
  const kept = stage === 'hold' || stage === 'cool';
  const probed = state.events.filter((e) => e.body.kind === 'temperature' && e.at >= finished.at);
  const last = probed.at(-1);
  const celsius = last?.body.kind === 'temperature' ? last.body.celsius : null;
  const cold = stage === 'hold' && celsius !== null && celsius < LIMITS.hotHold.atLeast;
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
      {kept && (
        <>
          <p className="mt-4 text-[21px]">
            {stage === 'hold'
              ? say('Never under {atLeast}: probe every hour and write it down.', {
                  atLeast: { celsius: LIMITS.hotHold.atLeast },
                })
              : say('{range} within 2 h, to {to} within 6 h in all.', {
                  range: { celsius: LIMITS.cooling.from, toCelsius: LIMITS.cooling.through },
                  to: { celsius: LIMITS.cooling.to },
                })}{' '}
            <span className="text-[16px] text-quiet">
              {say('FDA Food Code 2022, {stage} (from memory); the local code decides.', {
                stage: stage === 'hold' ? LIMITS.hotHold.section : LIMITS.cooling.section,
              })}
            </span>
          </p>
          {celsius !== null && last && (
            <p className={clsx('mt-3 text-[21px]', cold && 'font-bold text-tomato')}>
              {say.rich(
                'Probed at {time}: <b>{celsius}</b>{cold, select, yes { is too cold: reheat it to {reheat} within 2 h, or throw it away.} other {}}',
                {
                  b: (text) => <b className="figures text-[28px]">{text}</b>,
                  time: timeOfDay(new Date(last.at)),
                  celsius: { celsius },
                  cold: cold ? 'yes' : 'no',
                  reheat: { celsius: LIMITS.reheat.to },
                },
              )}
            </p>
          )}
          {now !== null && (
            <p className="figures mt-3 font-bold text-[clamp(48px,6vw,80px)] leading-none">
              {duration((now - Date.parse(finished.at)) / 1000)}
            </p>
          )}
          <div className="mt-5 flex flex-wrap gap-3">
            <button type="button" className={`${PRIMARY} min-h-20 text-[22px]`} onClick={onRead}>
              {say('Probe it')}
            </button>
            <button type="button" className={`${BUTTON} min-h-20`} onClick={() => write({ kind: 'cleared' })}>
              {stage === 'hold' ? say('The pot is empty') : say('It is cold and put away')}
            </button>
          </div>
        </>
      )}
    </>
  );
}
