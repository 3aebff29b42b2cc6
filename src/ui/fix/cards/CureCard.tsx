'use client';

import type { Cure } from '../../../core/adjust/option';
import { term } from '../../../core/message/term';
import { duration } from '../../../core/units/shown/format';
import { useSay } from '../../shared/hooks/useSay';
import { PRIMARY } from '../../shared/styles';

type Props = { readonly cure: Cure; readonly onDo: () => void };

/** What saves what where no dose does, what is past saving, and when to begin again. */
export function CureCard({ cure, onDo }: Props) {
  const say = useSay();
  return (
    <li className="rounded-sm border-2 border-ink bg-surface px-4 py-3">
      <p className="text-[16px] text-quiet">
        {say('{fault} · {time}', {
          fault: { opening: term(cure.fault) },
          time: duration(Math.max(60, cure.minutes * 60)),
        })}
      </p>
      <h2 className="font-bold text-[24px] leading-tight">{say(cure.title)}</h2>
      <ol className="mt-1 list-decimal pl-5 text-[19px]">
        {cure.how.map((line) => (
          <li key={line.text}>{say(line)}</li>
        ))}
      </ol>
      <p className="mt-2">
        {say.rich('<b>Saves:</b> {what}', { b: (text) => <b>{text}</b>, what: cure.saves })}
      </p>
      {cure.cannot && (
        <p>{say.rich('<b>Does not:</b> {what}', { b: (text) => <b>{text}</b>, what: cure.cannot })}</p>
      )}
      {cure.startAgain && <p className="mt-1 font-bold text-tomato">{say(cure.startAgain)}</p>}
      <button type="button" onClick={onDo} className={`${PRIMARY} mt-3`}>
        {say('Do this')}
      </button>
    </li>
  );
}
