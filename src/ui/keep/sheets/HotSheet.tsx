'use client';

import { useState } from 'react';
import type { House } from '../../../core/house/house';
import type { KeepBody } from '../../../core/keep/events';
import type { LotState } from '../../../core/keep/lot';
import { typedNumber } from '../../../core/units/typed/parse';
import { Field, Pick, Tick } from '../../shared/form/Field';
import { Sheet } from '../../shared/Sheet';
import { PRIMARY } from '../../shared/styles';
import { useSay } from '../../shared/useSay';

type Props = {
  readonly house: House;
  readonly state: LotState;
  readonly servedPerHour: number;
  readonly onServed: (ml: number) => void;
  readonly onTake: (body: KeepBody) => void;
  readonly onClose: () => void;
};

/** Where and how it is kept hot, and how much is ladled off. */
export function HotSheet({ house, state, servedPerHour, onServed, onTake, onClose }: Props) {
  const say = useSay();
  const places = house.keeping.places.filter((p) => p.kind === 'bath' || p.kind === 'ring');
  const [place, setPlace] = useState(state.place);
  const [lid, setLid] = useState(state.lid);
  const [served, setServed] = useState(String(servedPerHour / 1000));
  const [problem, setProblem] = useState<string | undefined>();
  return (
    <Sheet open onOpenChange={(open) => open || onClose()} title={say('How it is kept hot')}>
      <form
        noValidate
        className="grid gap-4 p-4"
        onSubmit={(e) => {
          e.preventDefault();
          const l = typedNumber(served);
          if (!(typeof l === 'number' && l >= 0 && l <= 200))
            return setProblem(
              say('“{served}” cannot be: litres an hour are a number from 0 to 200.', { served }),
            );
          onServed(l * 1000);
          if (place !== state.place || lid !== state.lid) onTake({ kind: 'kept hot', place, lid });
          else onClose();
        }}
      >
        <Pick id="hot-place" label={say('Where')} value={place} onChange={(e) => setPlace(e.target.value)}>
          {places.map((p) => (
            <option key={p.id} value={p.id}>
              {say('{place}, {celsius}', { place: p.name, celsius: { celsius: p.celsius } })}
            </option>
          ))}
        </Pick>
        <Tick
          id="hot-lid"
          label={say('Lid on: it keeps its water, and no skin forms')}
          checked={lid}
          onChange={(e) => setLid(e.target.checked)}
        />
        <Field
          id="hot-served"
          label={say('Ladled off, L an hour')}
          inputMode="decimal"
          value={served}
          onChange={(e) => {
            setServed(e.target.value);
            setProblem(undefined);
          }}
          problem={problem}
        />
        <button type="submit" className={`${PRIMARY} min-h-16 text-[20px]`}>
          {say('Keep it so')}
        </button>
      </form>
    </Sheet>
  );
}
