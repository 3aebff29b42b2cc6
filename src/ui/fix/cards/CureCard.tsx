'use client';

import type { Cure } from '../../../core/adjust/option';
import { capital, duration } from '../../../core/units/format';
import { inDegrees, type Show } from '../../../core/units/show';
import { PRIMARY } from '../../shared/styles';

type Props = { readonly cure: Cure; readonly show: Show; readonly onDo: () => void };

/** What saves what where no dose does, what is past saving, and when to begin again. */
export function CureCard({ cure, show, onDo }: Props) {
  const says = (text: string) => inDegrees(text, show);
  return (
    <li className="rounded-sm border-2 border-ink bg-surface px-4 py-3">
      <p className="text-[16px] text-quiet">
        {capital(cure.fault)} · {duration(Math.max(60, cure.minutes * 60))}
      </p>
      <h2 className="font-bold text-[24px] leading-tight">{says(cure.title)}</h2>
      <ol className="mt-1 list-decimal pl-5 text-[19px]">
        {cure.how.map((line) => (
          <li key={line}>{says(line)}</li>
        ))}
      </ol>
      <p className="mt-2">
        <b>Saves:</b> {says(cure.saves)}
      </p>
      {cure.cannot && (
        <p>
          <b>Does not:</b> {says(cure.cannot)}
        </p>
      )}
      {cure.startAgain && <p className="mt-1 font-bold text-tomato">{says(cure.startAgain)}</p>}
      <button type="button" onClick={onDo} className={`${PRIMARY} mt-3`}>
        Do this
      </button>
    </li>
  );
}
