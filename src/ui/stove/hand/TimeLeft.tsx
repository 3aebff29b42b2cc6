'use client';

import { clsx } from 'clsx';
import { countdown } from '../../../core/units/clock';
import { momentWords } from '../../../core/words/moment';
import type { Going } from '../../device/useFollow';
import { useSay } from '../../shared/hooks/useSay';

type Props = {
  /** Seconds left in the step at hand, below zero once they are gone; null until the clock runs. */
  readonly left: number | null;
  readonly going: Going | null;
  readonly now: number | null;
  /** °C the step at hand ends at by its plan; null of a step the plan did not have. */
  readonly endsNear: number | null;
  readonly serveAt: string | null;
};

/** The clock of the step at hand, large, by whom it goes, and when the soup is on the pass. */
export function TimeLeft({ left, going, now, endsNear, serveAt }: Props) {
  const say = useSay();
  const past = left !== null && left < 0;
  return (
    <>
      <p
        role="timer"
        aria-label={say('Time left in this step')}
        className={clsx(
          'figures font-bold text-[clamp(56px,6.6vw,88px)] leading-none',
          past && 'bg-butter px-3 py-1 text-on-butter',
        )}
      >
        {left === null ? '··:··' : countdown(left)}
      </p>
      <p className="min-w-0 flex-1 basis-60 text-[18px] leading-tight">
        {past ? (
          <b>{say('past its time')}</b>
        ) : going ? (
          say('left by the model, as the pot is')
        ) : (
          say('left by the plan')
        )}
        {endsNear !== null && (
          <>
            <br />
            {say.rich('ends near <b>{celsius}</b>', {
              b: (text) => <b>{text}</b>,
              celsius: { celsius: endsNear },
            })}
            {going &&
              now !== null &&
              say.rich('; on the pass <b>{time}</b>{serveAt, select, none {} other { (wanted {serveAt})}}', {
                b: (text) => <b>{text}</b>,
                time: momentWords(new Date(Math.max(now, going.to.endsAt)), new Date(now)),
                serveAt: serveAt ? say(momentWords(new Date(serveAt), new Date(now))) : 'none',
              })}
          </>
        )}
      </p>
    </>
  );
}
