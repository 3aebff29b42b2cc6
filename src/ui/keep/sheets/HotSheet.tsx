'use client';

import type { KeepBody } from '../../../core/keep/events';
import type { LotState } from '../../../core/keep/lot';
import type { House } from '../../../core/kitchen/house';
import { message } from '../../../core/message/message';
import { typedNumber } from '../../../core/units/typed/parse';
import { Pick, Tick } from '../../shared/form/Field';
import { Form } from '../../shared/form/Form';
import { MetricField } from '../../shared/form/MetricField';
import { useTyped, Wrong } from '../../shared/form/useTyped';
import { useSay } from '../../shared/hooks/useSay';
import { Sheet } from '../../shared/Sheet';
import { PRIMARY } from '../../shared/styles';

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
  const f = useTyped(
    { place: state.place, lid: state.lid, served: String(servedPerHour / 1000) },
    ({ place, lid, served }) => {
      const l = typedNumber(served);
      return typeof l === 'number' && l >= 0 && l <= 200
        ? { place, lid, ml: l * 1000 }
        : new Wrong(
            'served',
            say('“{served}” cannot be: from 0 to {most} an hour.', { served, most: { ml: 200_000 } }),
          );
    },
    ({ place, lid, ml }) => {
      onServed(ml);
      if (place !== state.place || lid !== state.lid) onTake({ kind: 'kept hot', place, lid });
      else onClose();
    },
  );
  return (
    <Sheet open onOpenChange={(open) => open || onClose()} title={say('How it is kept hot')}>
      <Form onSubmit={f.send}>
        <Pick id="hot-place" label={say('Where')} {...f.field('place')}>
          {places.map((p) => (
            <option key={p.id} value={p.id}>
              {say('{place}, {celsius}', { place: p.name, celsius: { celsius: p.celsius } })}
            </option>
          ))}
        </Pick>
        <Tick id="hot-lid" label={say('Lid on: it keeps its water, and no skin forms')} {...f.tick('lid')} />
        <MetricField
          id="hot-served"
          words={message('Ladled off, {unit} an hour')}
          what="litres"
          {...f.metric('served')}
        />
        <button type="submit" className={`${PRIMARY} min-h-16 text-[20px]`}>
          {say('Keep it so')}
        </button>
      </Form>
    </Sheet>
  );
}
