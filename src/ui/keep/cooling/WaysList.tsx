'use client';

import { clsx } from 'clsx';
import type { CoolingWay, Tried } from '../../../core/keep/cool/ways';
import { SURE_ENOUGH } from '../../../core/keep/cool/ways';
import type { House } from '../../../core/kitchen/house';
import { same } from '../../../core/maths/same';
import { timeOfDay } from '../../../core/units/clock';
import { useSay } from '../../shared/hooks/useSay';
import { chanceWords, containerName, placeName } from '../keepWords';

type Props = {
  readonly house: House;
  readonly ways: readonly Tried[];
  readonly working: boolean;
  /** ms the ways were tried from. */
  readonly at: number;
  readonly now: CoolingWay | null;
  readonly onPick: (way: CoolingWay) => void;
};

const sameWay = (a: CoolingWay, b: CoolingWay | null): boolean =>
  b !== null &&
  a.place === b.place &&
  same(a.into, b.into) &&
  (a.stirEvery ?? 0) === (b.stirEvery ?? 0) &&
  (a.wands ?? 0) === (b.wands ?? 0);

/** Ways this kitchen could cool it from here, the cheapest that passes first. */
export function WaysList({ house, ways, working, at, now, onPick }: Props) {
  const say = useSay();
  return (
    <ul
      aria-label={say('Ways to cool it from here')}
      className="min-[1100px]:min-h-0 min-[1100px]:flex-1 min-[1100px]:overflow-y-auto"
    >
      {ways.map((t, n) => {
        const last = t.forecast.verdict.stages.at(-1);
        const sure = t.forecast.chance >= SURE_ENOUGH;
        const here = sameWay(t.way, now);
        const met = last && Number.isFinite(last.met) ? timeOfDay(new Date(at + last.met * 1000)) : null;
        return (
          <li key={JSON.stringify(t.way)} className="border-rule border-b">
            <button
              type="button"
              aria-pressed={here}
              onClick={() => onPick(t.way)}
              className={clsx(
                'flex min-h-16 w-full items-center gap-3 px-5 py-2 text-left hover:bg-butter/25',
                n === 0 && sure && 'bg-butter text-on-butter hover:bg-butter',
              )}
            >
              <span className="min-w-0 flex-1 leading-tight">
                <b className="block">
                  {say(
                    '{container}, {place}{stir, select, yes {, stirred} other {}}{wands, select, yes {, with ice wands} other {}}',
                    {
                      container: containerName(house, t.way.into),
                      place: placeName(house, t.way.place),
                      stir: t.way.stirEvery ? 'yes' : 'no',
                      wands: t.way.wands ? 'yes' : 'no',
                    },
                  )}
                </b>
                <span className={clsx('block text-[15px]', !(n === 0 && sure) && 'text-quiet')}>
                  {here && say('as it is now · ')}
                  {met
                    ? say('{to} at {at}, {mm} mm deep', {
                        to: { celsius: last?.to ?? 5 },
                        at: met,
                        mm: Math.round(t.mm),
                      })
                    : say('not cold within the hours looked at')}
                </span>
              </span>
              <b className={clsx('figures shrink-0 text-[19px]', t.forecast.chance < 0.1 && 'text-tomato')}>
                {t.forecast.chance < 0.1 ? say('fails') : say(chanceWords(t.forecast.chance))}
              </b>
            </button>
          </li>
        );
      })}
      {working && <li className="px-5 py-3 text-quiet">{say('Trying the kitchen’s pans and places …')}</li>}
    </ul>
  );
}
