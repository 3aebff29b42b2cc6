'use client';

import { clsx } from 'clsx';
import { TriangleAlert } from 'lucide-react';
import type { LotState } from '../../../core/keep/lot';
import { rulesIn } from '../../../core/keep/standing';
import { type DateMark, dateMark, dateWords } from '../../../core/keep/written/dates';
import type { House } from '../../../core/kitchen/house';
import { term } from '../../../core/message/term';
import type { RuleSet } from '../../../core/safety/rules';
import { shortDay } from '../../../core/service/words/dayWords';
import { useSay } from '../../shared/hooks/useSay';
import { containerName, placeName } from '../keepWords';

type Props = {
  readonly house: House;
  readonly states: readonly LotState[];
  readonly picked: string | null;
  readonly now: number;
  readonly onPick: (id: string) => void;
};

/** What may not be used stands before all that may, what is frozen after. */
const order = ({ useBy, why }: DateMark): string => useBy ?? (why === 'frozen' ? '9' : '0');

/** What stands cold or frozen, with its date mark: what is to be used first stands first. */
export const byDate = (states: readonly LotState[], rule: RuleSet, now: number) =>
  states
    .map((s) => ({ s, mark: dateMark(s, rule, now) }))
    .toSorted((a, b) => order(a.mark).localeCompare(order(b.mark)) || a.s.putAt - b.s.putAt);

/** "today", "2 days", "past it". */
export function useLeft() {
  const say = useSay();
  return (mark: DateMark): string =>
    mark.why && mark.why !== 'frozen'
      ? say('do not use it')
      : mark.why === 'frozen'
        ? say('{left, plural, one {one day} other {# days}} once thawed', {
            left: Math.max(0, mark.left + 1),
          })
        : mark.left < 0
          ? say('past its date')
          : mark.left === 0
            ? say('today is its last day')
            : say('{left, plural, one {one day more} other {# days more}}', { left: mark.left });
}

/** The shelf: a row for each thing, first to use first. */
export function ShelfFace({ house, states, picked, now, onPick }: Props) {
  const say = useSay();
  const left = useLeft();
  const rows = byDate(states, rulesIn(house), now);
  if (rows.length === 0)
    return (
      <p className="p-6 text-[20px]">
        {say(
          'Nothing is stored. What is cooled comes here; purées, stocks, roux and kneaded butter are stored with “Store something” above.',
        )}
      </p>
    );
  return (
    <ul
      aria-label={say('The shelf, first to use first')}
      className="min-[1100px]:min-h-0 min-[1100px]:overflow-y-auto"
    >
      {rows.map(({ s, mark }) => {
        const barred = mark.why !== null && mark.why !== 'frozen';
        const past = barred || (mark.left < 0 && mark.useBy !== null);
        const near = barred || (mark.left <= 1 && mark.useBy !== null);
        return (
          <li key={s.id} className="border-rule border-b">
            <button
              type="button"
              aria-pressed={s.id === picked}
              onClick={() => onPick(s.id)}
              className={clsx(
                'grid w-full grid-cols-[1fr_auto] items-center gap-x-4 border-l-8 px-4 py-2.5 text-left min-[720px]:grid-cols-[1fr_7rem_13rem]',
                s.id === picked ? 'border-butter bg-surface' : 'border-transparent hover:bg-butter/25',
              )}
            >
              <span className="min-w-0 leading-tight">
                <b className="block text-[19px]">{s.put.name}</b>
                <span className="block text-[15px] text-quiet">
                  {say(
                    '{what}{stage, select, frozen {, frozen} thawing {, thawing} other {}} · {container}, {place}',
                    {
                      what: term(s.put.what),
                      stage: s.stage,
                      container: containerName(house, s.container),
                      place: placeName(house, s.place),
                    },
                  )}
                </span>
                {s.put.allergens.length > 0 && (
                  <span className="block text-[15px] max-[720px]:hidden">
                    {say('{those}', { those: { listed: s.put.allergens.map((a) => term(a)) } })}
                  </span>
                )}
              </span>
              <span className="figures text-right font-bold text-[24px]">
                {say('{volume}', { volume: { ml: s.ml } })}
              </span>
              <span className={clsx('leading-tight max-[720px]:col-span-2', past && 'font-bold text-tomato')}>
                <b className="flex items-center gap-1.5 text-[19px]">
                  {near && <TriangleAlert size={20} aria-hidden className="shrink-0" />}
                  {mark.useBy ? say('by {day}', { day: say(shortDay(mark.useBy)) }) : say(dateWords(mark))}
                </b>
                <span className={clsx('block text-[15px]', !past && 'text-quiet')}>{left(mark)}</span>
              </span>
            </button>
          </li>
        );
      })}
    </ul>
  );
}
