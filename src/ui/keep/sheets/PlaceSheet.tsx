'use client';

import { useState } from 'react';
import { panHolds } from '../../../core/heat/cool/body';
import type { Container } from '../../../core/keep/events';
import type { LotState } from '../../../core/keep/lot';
import type { House } from '../../../core/kitchen/house';
import type { PlaceKind } from '../../../core/kitchen/keeping';
import { message } from '../../../core/message/message';
import { typedNumber } from '../../../core/units/typed/parse';
import { Field, Pick } from '../../shared/form/Field';
import { Form } from '../../shared/form/Form';
import { MetricField } from '../../shared/form/MetricField';
import { useSay } from '../../shared/hooks/useSay';
import { Sheet } from '../../shared/Sheet';
import { PRIMARY } from '../../shared/styles';

type Props = {
  readonly house: House;
  readonly state: LotState;
  readonly title: string;
  readonly does: string;
  readonly kinds: readonly PlaceKind[];
  /** Whether only a part of it may go. */
  readonly part?: boolean;
  readonly onTake: (to: {
    readonly place: string;
    readonly container: Container;
    readonly ml: number;
  }) => void;
  readonly onClose: () => void;
};

/** Where it goes, and in what; all of it or, where that may be, a part. */
export function PlaceSheet({ house, state, title, does, kinds, part = false, onTake, onClose }: Props) {
  const say = useSay();
  const places = house.keeping.places.filter((p) => kinds.includes(p.kind));
  const [place, setPlace] = useState(places[0]?.id ?? '');
  const stands = state.container;
  const [holder, setHolder] = useState(stands.kind === 'pot' ? `pot ${stands.vessel}` : stands.pan);
  const [count, setCount] = useState(stands.kind === 'pans' ? String(stands.count) : '1');
  const [litres, setLitres] = useState((state.ml / 1000).toFixed(1));
  const [problem, setProblem] = useState<{ field: string; says: string } | null>(null);
  const wrong = (field: string) => (problem?.field === field ? problem.says : undefined);
  const pan = house.keeping.pans.find((p) => p.id === holder);
  const take = () => {
    const l = typedNumber(litres);
    const ml =
      litres === (state.ml / 1000).toFixed(1)
        ? state.ml
        : typeof l === 'number'
          ? Math.round(l * 1000)
          : Number.NaN;
    if (!(ml >= 1 && ml <= state.ml + 1))
      return setProblem({
        field: 'litres',
        says: say('“{litres}” cannot be: {left} are left.', { litres, left: { ml: state.ml } }),
      });
    const n = typedNumber(count);
    if (
      pan &&
      !(typeof n === 'number' && Number.isInteger(n) && n >= Math.ceil(ml / panHolds(pan) - 0.02) && n <= 200)
    )
      return setProblem({
        field: 'count',
        says: say('“{count}” cannot be: {least} at the least hold it.', {
          count,
          least: Math.ceil(ml / panHolds(pan) - 0.02),
        }),
      });
    onTake({
      place,
      ml,
      container: pan
        ? { kind: 'pans', pan: pan.id, count: n as number }
        : { kind: 'pot', vessel: holder.replace(/^pot /, '') },
    });
  };
  return (
    <Sheet open onOpenChange={(open) => open || onClose()} title={title}>
      <Form onSubmit={take}>
        {places.length === 0 && <p>{say('The kitchen has no such place: Kitchen → Keeping.')}</p>}
        <Pick id="place-place" label={say('Where')} value={place} onChange={(e) => setPlace(e.target.value)}>
          {places.map((p) => (
            <option key={p.id} value={p.id}>
              {say('{place}, {celsius}', { place: p.name, celsius: { celsius: p.celsius } })}
            </option>
          ))}
        </Pick>
        <div className="grid gap-4 min-[560px]:grid-cols-[1fr_7rem_8rem]">
          <Pick
            id="place-holder"
            label={say('In what')}
            value={holder}
            onChange={(e) => setHolder(e.target.value)}
          >
            {house.keeping.pans.map((p) => (
              <option key={p.id} value={p.id}>
                {p.name}
              </option>
            ))}
            {house.vessels.map((v) => (
              <option key={v.id} value={`pot ${v.id}`}>
                {v.name}
              </option>
            ))}
          </Pick>
          {pan && (
            <Field
              id="place-count"
              label={say('How many')}
              inputMode="numeric"
              value={count}
              onChange={(e) => setCount(e.target.value)}
              problem={wrong('count')}
            />
          )}
          {part && (
            <MetricField
              id="place-litres"
              words={message('How much, {unit}')}
              what="litres"
              value={litres}
              onValue={setLitres}
              problem={wrong('litres')}
            />
          )}
        </div>
        <button type="submit" disabled={places.length === 0} className={`${PRIMARY} min-h-16 text-[20px]`}>
          {does}
        </button>
      </Form>
    </Sheet>
  );
}
