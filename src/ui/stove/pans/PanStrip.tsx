'use client';

import { clsx } from 'clsx';
import type { PanNow } from '../../../core/batch/follow/pansNow';
import type { StepState } from '../../../core/batch/state';
import { countdown } from '../../../core/units/clock';
import { degrees, type Show } from '../../../core/units/shown/show';
import { useSay } from '../../shared/hooks/useSay';
import { PanDrawing } from './PanDrawing';

type Props = {
  readonly pans: readonly PanNow[];
  readonly steps: readonly StepState[];
  /** The pan of the step that fills the screen. */
  readonly here: string;
  readonly now: number | null;
  readonly show: Show;
  readonly onPan: (name: string) => void;
};

/** The pans of a soup in small, each with its heat and its clock; a tap opens one. */
export function PanStrip({ pans, steps, here, now, show, onPan }: Props) {
  const say = useSay();
  const widest = Math.max(...pans.map((p) => p.pot.vessel.diameterMm));
  return (
    <ul aria-label={say('Pans')} className="flex shrink-0 gap-2 overflow-x-auto py-2">
      {pans.map((p) => {
        const left = p.endsAt === null || now === null ? null : (p.endsAt - now) / 1000;
        const step = p.step === null ? null : steps[p.step];
        const over = step?.begun != null && left !== null && left <= 0;
        const name = p.name || say('the pot');
        return (
          <li key={p.name} className="min-w-0 shrink-0">
            <button
              type="button"
              onClick={() => onPan(p.name)}
              aria-current={p.name === here ? 'true' : undefined}
              className={clsx(
                'flex min-h-14 items-center gap-2 rounded-sm border-2 px-2 text-left leading-tight',
                over ? 'border-ink bg-butter text-on-butter' : 'bg-surface',
                p.name === here ? 'border-ink' : 'border-rule',
              )}
            >
              <PanDrawing pan={p} widest={widest} />
              <span className="min-w-0">
                <b className="block max-w-36 truncate text-[17px]">{name}</b>
                <span className="figures block text-[16px]">
                  {p.empty && !step ? (
                    say('empty')
                  ) : (
                    <>
                      {degrees(p.pot.celsius, show)}
                      {left !== null && <b className="ml-2">{over ? say('due') : countdown(left)}</b>}
                    </>
                  )}
                </span>
              </span>
            </button>
          </li>
        );
      })}
    </ul>
  );
}
