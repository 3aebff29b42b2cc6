'use client';

import { clsx } from 'clsx';
import type { Guide as Guidance } from '../../../core/batch/guide/guide';
import { term } from '../../../core/message/term';
import type { RouxColour } from '../../../core/thicken/granules';
import { useSay } from '../../shared/hooks/useSay';

/** Paints of a roux, flour cooked in butter from paste to chestnut. */
const PAINT: Readonly<Record<RouxColour, string>> = {
  white: '#f3e7c3',
  blond: '#e2bf72',
  brown: '#a8692c',
  dark: '#5b3113',
};

export function Roux({
  guide,
  colour,
  onColour,
}: {
  guide: Extract<Guidance, { kind: 'roux' }>;
  colour: RouxColour | null;
  onColour: (colour: RouxColour) => void;
}) {
  const say = useSay();
  const here = colour ?? guide.wanted;
  return (
    <fieldset className="mt-4">
      <legend className="mb-1">
        {say.rich('Cook it to <b>{wanted}</b>. Tap the colour it took:', {
          b: (text) => <b>{text}</b>,
          wanted: term(guide.wanted),
        })}
      </legend>
      <div className="flex flex-wrap gap-2">
        {guide.colours.map((c) => (
          <button
            key={c.colour}
            type="button"
            aria-pressed={c.colour === here}
            onClick={() => onColour(c.colour)}
            className={clsx(
              'w-33 rounded-sm border-2 border-ink bg-surface p-1 text-left leading-tight',
              c.colour === here && 'outline-4 outline-butter',
            )}
          >
            <svg viewBox="0 0 100 26" aria-hidden="true" className="mb-1 block w-full">
              <rect width="100" height="26" fill={PAINT[c.colour]} stroke="var(--ink)" strokeWidth="1.5" />
            </svg>
            {say.rich('<b>{colour}</b> {minutes} min<part>keeps {keeps} %</part>', {
              b: (text) => <b>{text}</b>,
              part: (text) => <span className="block text-[16px]">{text}</span>,
              colour: term(c.colour),
              minutes: c.minutes,
              keeps: Math.round(c.keeps * 100),
            })}
          </button>
        ))}
      </div>
    </fieldset>
  );
}
