'use client';

import { clsx } from 'clsx';
import type { LotState } from '../../core/keep/lot';
import type { House } from '../../core/kitchen/house';
import { exactDegrees } from '../../core/units/shown/show';
import { useSay } from '../shared/hooks/useSay';
import { useShow } from '../shared/hooks/useShow';
import { whereWords } from './keepWords';

type Props = {
  readonly house: House;
  readonly states: readonly LotState[];
  readonly picked: string | null;
  readonly onPick: (id: string) => void;
  readonly label: string;
};

/** What is hot or cooling, each with its last temperature, large. */
export function LotList({ house, states, picked, onPick, label }: Props) {
  const say = useSay();
  const show = useShow();
  return (
    <ul
      aria-label={label}
      className="border-ink max-[1100px]:-order-2 max-[1100px]:flex max-[1100px]:overflow-x-auto max-[1100px]:border-b-2 min-[1100px]:overflow-y-auto min-[1100px]:border-r-2"
    >
      {states.map((s) => {
        const here = s.id === picked;
        const last = s.readings.at(-1);
        return (
          <li
            key={s.id}
            className="border-rule max-[1100px]:min-w-64 max-[1100px]:border-r min-[1100px]:border-b"
          >
            <button
              type="button"
              aria-pressed={here}
              onClick={() => onPick(s.id)}
              className={clsx(
                'h-full w-full border-l-8 px-4 py-3 text-left',
                here ? 'border-butter bg-surface' : 'border-transparent hover:bg-butter/25',
              )}
            >
              <b className="block text-[19px] leading-tight">{s.put.name}</b>
              <span className="block text-[15px] text-quiet leading-tight">{say(whereWords(house, s))}</span>
              <span className="figures mt-1 block font-bold text-[28px] leading-none">
                {last ? exactDegrees(last.celsius, show) : '–'}
              </span>
            </button>
          </li>
        );
      })}
    </ul>
  );
}
