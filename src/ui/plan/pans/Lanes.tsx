'use client';

import { clsx } from 'clsx';
import type { Plan } from '../../../core/plan/types';
import { ROWS } from '../../../core/pot/kinds/rows';
import { timeOfDay } from '../../../core/units/clock';
import { titleAsMessage } from '../../../core/words/steps';
import { useSay } from '../../shared/hooks/useSay';

type Props = { readonly plan: Plan; readonly lightAt: Date | null };

/** Shorter than this share of the whole a step is drawn this wide all the same. */
const LEAST = 0.012;

/** All pans on one clock: a row for each, solid where somebody stands at it, and what is poured into what. */
export function Lanes({ plan, lightAt }: Props) {
  const say = useSay();
  const names = ['', ...Object.keys(plan.beside)];
  const whole = Math.max(1, plan.seconds);
  const clock = (seconds: number): string =>
    lightAt
      ? timeOfDay(new Date(lightAt.getTime() + seconds * 1000))
      : say('{minutes} min', { minutes: Math.round(seconds / 60) });
  return (
    <section aria-label={say('Pans side by side')} className="pb-2">
      <ul className="grid gap-1">
        {names.map((name) => (
          <li key={name} className="grid grid-cols-[84px_1fr] items-center gap-2">
            <span className="truncate font-bold text-[15px]">{name || say('the pot')}</span>
            <span className="relative block h-12 bg-surface">
              {plan.steps.map((s, n) => {
                if (s.pan !== name && !(s.step.kind === 'pour' && (s.step.from ?? '') === name)) return null;
                const out = s.pan !== name;
                const title = say(titleAsMessage(s.step, s.from));
                return (
                  <span
                    key={`${n} ${s.startsAt}`}
                    role="img"
                    aria-label={say('{clock}, {title}', { clock: clock(s.startsAt), title })}
                    title={title}
                    className={clsx(
                      'absolute top-0 block h-12 border-ground border-r',
                      out
                        ? 'bg-butter'
                        : ROWS[s.step.kind].attended
                          ? 'bg-ink'
                          : 'border-2 border-ink bg-ground',
                    )}
                    style={{
                      left: `${(100 * s.startsAt) / whole}%`,
                      width: `${100 * Math.max(LEAST, s.seconds / whole)}%`,
                    }}
                  />
                );
              })}
            </span>
          </li>
        ))}
      </ul>
      <p className="grid grid-cols-[84px_1fr] gap-2 pt-1 text-[15px]">
        <span />
        <span className="figures flex justify-between">
          <span>{clock(0)}</span>
          <span>{clock(whole / 2)}</span>
          <span>{clock(whole)}</span>
        </span>
      </p>
      <p className="text-[15px] text-quiet">
        {say('Solid: somebody stands at it. Open: it goes by itself. Yellow: poured out.')}
      </p>
    </section>
  );
}
