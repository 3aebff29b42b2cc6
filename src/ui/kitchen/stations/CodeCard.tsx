'use client';

import { useEffect, useState } from 'react';
import type { CodeMade } from '../../../contract/stations';
import { Qr } from '../../shared/draw/Qr';
import { useSay } from '../../shared/hooks/useSay';

/** A code while it stands: six digits to be read out, the same to be scanned, and how long it stands still. */
export function CodeCard({
  made,
  name,
  onOver,
}: {
  readonly made: CodeMade;
  readonly name: string;
  readonly onOver: () => void;
}) {
  const say = useSay();
  const [now, setNow] = useState(() => Date.now());
  const left = Math.max(0, Math.round((Date.parse(made.until) - now) / 1000));
  useEffect(() => {
    const tick = setInterval(() => setNow(Date.now()), 1000);
    return () => clearInterval(tick);
  }, []);
  const over = left === 0;
  useEffect(() => {
    if (over) onOver();
  }, [over, onOver]);
  const [link] = made.links;
  return (
    <section
      aria-label={say('Code for {name}', { name })}
      className="flex flex-wrap items-center gap-6 rounded-sm border-2 border-ink bg-surface p-5"
    >
      {link && <Qr text={link} label={say('The same as a QR code')} />}
      <div className="grid min-w-0 flex-1 gap-2">
        <p className="font-bold text-[21px]">{say('Code for {name}', { name })}</p>
        <p className="figures whitespace-nowrap font-bold text-[64px] leading-none tracking-[0.12em]">
          {made.code.slice(0, 3)} {made.code.slice(3)}
        </p>
        {made.kitchen !== null && (
          <p className="text-[21px]">
            {say('of the kitchen')} <b translate="no">{made.kitchen}</b>
          </p>
        )}
        <p className="text-[19px]">
          {say('for one screen, {minutes}:{seconds} more', {
            minutes: Math.floor(left / 60),
            seconds: String(left % 60).padStart(2, '0'),
          })}
        </p>
        {made.trust && (
          <p className="text-quiet [overflow-wrap:anywhere]">
            {say('A device that was never here trusts this kitchen first: {page}', { page: made.trust })}
          </p>
        )}
        {made.links.length > 0 ? (
          <p className="break-all text-quiet">
            {say('Scan it there, or open')}{' '}
            {made.links.map((l) => l.replace(/\?.*$/, '')).join(` ${say('or')} `)}
          </p>
        ) : (
          <p className="font-bold text-tomato">
            {say(
              'This kitchen is served to its own machine alone: start it with HOST=0.0.0.0 for others to reach it.',
            )}
          </p>
        )}
      </div>
    </section>
  );
}
