'use client';

import { TriangleAlert } from 'lucide-react';
import { useState } from 'react';
import type { EventBody } from '../../../core/batch/events';
import type { PanNow } from '../../../core/batch/follow/pansNow';
import type { CookedWith } from '../../../core/batch/record';
import type { StepState } from '../../../core/batch/state';
import { titleIn } from '../../../core/batch/titleIn';
import { term } from '../../../core/message/term';
import { volumeMl } from '../../../core/pot/contents/contents';
import { timeOfDay } from '../../../core/units/clock';
import { degrees, type Show, volumeWords } from '../../../core/units/shown/show';
import { placeWords } from '../../../core/words/pans';
import { useSay } from '../../shared/hooks/useSay';
import { BUTTON, PRIMARY } from '../../shared/styles';
import { TemperatureEntry } from '../readings/TemperatureEntry';

type Props = {
  readonly pan: PanNow;
  readonly place: NonNullable<CookedWith['beside']>[string] | undefined;
  readonly steps: readonly StepState[];
  readonly show: Show;
  readonly onLook: (step: number) => void;
  readonly write: (body: EventBody) => void;
};

/** One pan beside the pot: where it stands, what is in it, what is next in it, and its temperature written down. */
export function PanSheet({ pan, place, steps, show, onLook, write }: Props) {
  const say = useSay();
  const [reading, setReading] = useState(false);
  if (reading)
    return (
      <TemperatureEntry
        show={show}
        near={pan.pot.celsius}
        probe={null}
        onTake={(celsius) => {
          write({ kind: 'pan-temperature', pan: pan.name, celsius });
          setReading(false);
        }}
      />
    );
  const mine = steps.flatMap((s, n) =>
    (s.does?.in ?? '') === pan.name || (s.does?.kind === 'pour' && (s.does.from ?? '') === pan.name)
      ? [{ s, n }]
      : [],
  );
  return (
    <div className="grid gap-3 p-4 text-[19px]">
      {place && <p>{say(placeWords(place))}</p>}
      <p>
        {pan.empty
          ? say('Nothing is in it now.')
          : say('{ml} at {celsius}, by the model.', {
              ml: volumeWords(volumeMl(pan.pot), show),
              celsius: degrees(pan.pot.celsius, show),
            })}
        {pan.since !== null && pan.step === null && (
          <>
            {' '}
            <b>{say('It waits since {time}.', { time: timeOfDay(new Date(pan.since)) })}</b>
          </>
        )}
      </p>
      {pan.pot.waits &&
        steps
          .filter((s) => s.does?.kind === 'pour' && s.does.in === pan.name && s.done)
          .flatMap((s) => s.planned?.cautions ?? [])
          .filter((c) => c.id === 'waits')
          .map((c) => (
            <p key={c.id} className="flex items-start gap-3 border-2 border-ink px-3 py-1 text-[18px]">
              <TriangleAlert size={26} className="mt-0.5 shrink-0" aria-label={say('Caution')} />
              <span>
                <b>{say.either(c.says)}</b> {say.either(c.do)}{' '}
                <span className="text-[16px] text-quiet">{say(term(c.rule))}.</span>
              </span>
            </p>
          ))}
      <ol aria-label={say('Its steps')}>
        {mine.map(({ s, n }) => (
          <li key={String(s.key)} className="border-rule border-b last:border-b-0">
            <button
              type="button"
              onClick={() => onLook(n)}
              className="flex min-h-14 w-full items-center gap-3 text-left"
            >
              <span className="figures w-7 shrink-0 text-quiet">{n + 1}</span>
              <span className={s.done || s.skipped ? 'text-quiet line-through' : ''}>{titleIn(s, show)}</span>
              {s.begun !== null && <b className="ml-auto">{say('goes by itself')}</b>}
            </button>
          </li>
        ))}
      </ol>
      {pan.name !== '' && !pan.empty && (
        <button type="button" className={`${PRIMARY} min-h-16`} onClick={() => setReading(true)}>
          {say('Write its temperature down')}
        </button>
      )}
      {pan.step !== null && (
        <button type="button" className={`${BUTTON} min-h-16`} onClick={() => onLook(pan.step ?? 0)}>
          {say('To its step')}
        </button>
      )}
    </div>
  );
}
