'use client';

import type { ReactNode } from 'react';
import { term } from '../../../core/message/term';
import type { Plan } from '../../../core/plan/types';
import { timeOfDay } from '../../../core/units/clock';
import { duration, mPas } from '../../../core/units/shown/format';
import { degrees, type Show, volumeWords } from '../../../core/units/shown/show';
import { detailsOf, titleOf } from '../../../core/words/steps';
import { useSay } from '../../shared/hooks/useSay';
import { Pan } from '../../shared/Pan';
import { Scroll } from '../../shared/Scroll';

type Props = {
  readonly plan: Plan;
  /** When the flame is lit; null until the page knows the time. */
  readonly lightAt: Date | null;
  readonly show: Show;
  /** What comes before it. */
  readonly first?: ReactNode;
};

/** The plan's steps by the clock, each with where it leaves the pot. */
export function Steps({ plan, lightAt, show, first }: Props) {
  const say = useSay();
  return (
    <Scroll
      label={say('Steps by the clock')}
      className="flex-1 border-ink border-t min-[1100px]:overflow-y-auto"
    >
      {first}
      <ol>
        {plan.steps.map((s, n) => {
          const id = `${n}.${s.step.kind}`;
          return (
            <li key={id} className="flex gap-3 border-rule border-b py-2">
              <span className="figures w-17 shrink-0 font-bold text-[22px] leading-tight">
                {lightAt ? timeOfDay(new Date(lightAt.getTime() + s.startsAt * 1000)) : '··:··'}
              </span>
              <span className="min-w-0 flex-1 leading-tight">
                {s.pan && <Pan name={s.pan} />}
                <b>{titleOf(s.step, s.from, show)}</b>
                <span className="block text-[15px]">{detailsOf(s.step, s.from, show).join(' · ')}</span>
                <span className="block text-[15px] text-quiet">
                  {say('{seconds}, then {celsius}, {volumeMl}', {
                    seconds: duration(s.seconds),
                    celsius: degrees(s.celsius, show),
                    volumeMl: volumeWords(s.volumeMl, show),
                  })}
                </span>
              </span>
            </li>
          );
        })}
        <li className="flex gap-3 py-2">
          <span className="figures w-17 shrink-0 font-bold text-[22px] leading-tight">
            {lightAt ? timeOfDay(new Date(lightAt.getTime() + plan.seconds * 1000)) : '··:··'}
          </span>
          <span className="leading-tight">
            <b>{say('On the pass')}</b>
            <span className="block text-[15px] text-quiet">
              {say('{volumeMl}, {band}, {bowlViscosity} mPa·s', {
                volumeMl: volumeWords(plan.found.volumeMl, show),
                band: term(plan.found.band),
                bowlViscosity: mPas(plan.found.bowlViscosity),
              })}
            </span>
          </span>
        </li>
      </ol>
    </Scroll>
  );
}
