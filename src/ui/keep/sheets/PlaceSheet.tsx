'use client';

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
import { useTyped, Wrong } from '../../shared/form/useTyped';
import { useSay } from '../../shared/hooks/useSay';
import { Sheet } from '../../shared/Sheet';
import { PRIMARY } from '../../shared/styles';

type To = { readonly place: string; readonly container: Container; readonly ml: number };

type Props = {
  readonly house: House;
  readonly state: LotState;
  readonly title: string;
  readonly does: string;
  readonly kinds: readonly PlaceKind[];
  /** Whether only a part of it may go. */
  readonly part?: boolean;
  readonly onTake: (to: To) => void;
  readonly onClose: () => void;
};

type Typed = { place: string; holder: string; count: string; litres: string };

/** Where it goes, as it is typed. */
function usePlace(
  { house, state, onTake }: Omit<Props, 'title' | 'does' | 'kinds' | 'part' | 'onClose'>,
  first: string,
) {
  const say = useSay();
  const { container, ml: all } = state;
  const shown = (all / 1000).toFixed(1);
  const read = (t: Typed): To | Wrong<keyof Typed> => {
    const l = typedNumber(t.litres);
    // All of it, as it was shown, is all of it to the millilitre.
    const ml = t.litres === shown ? all : typeof l === 'number' ? Math.round(l * 1000) : Number.NaN;
    if (!(ml >= 1 && ml <= all + 1))
      return new Wrong(
        'litres',
        say('“{litres}” cannot be: {left} are left.', { litres: t.litres, left: { ml: all } }),
      );
    const pan = house.keeping.pans.find((p) => p.id === t.holder);
    if (!pan)
      return { place: t.place, ml, container: { kind: 'pot', vessel: t.holder.replace(/^pot /, '') } };
    const n = typedNumber(t.count);
    const least = Math.ceil(ml / panHolds(pan) - 0.02);
    if (!(typeof n === 'number' && Number.isInteger(n) && n >= least && n <= 200))
      return new Wrong(
        'count',
        say('“{count}” cannot be: {least} at the least hold it.', { count: t.count, least }),
      );
    return { place: t.place, ml, container: { kind: 'pans', pan: pan.id, count: n } };
  };
  const asItStands: Typed = {
    place: first,
    holder: container.kind === 'pot' ? `pot ${container.vessel}` : container.pan,
    count: container.kind === 'pans' ? String(container.count) : '1',
    litres: shown,
  };
  return useTyped(asItStands, read, onTake);
}

/** Where it goes, and in what; all of it or, where that may be, a part. */
export function PlaceSheet({ house, state, title, does, kinds, part = false, onTake, onClose }: Props) {
  const say = useSay();
  const places = house.keeping.places.filter((p) => kinds.includes(p.kind));
  const f = usePlace({ house, state, onTake }, places[0]?.id ?? '');
  const isPan = house.keeping.pans.some((p) => p.id === f.typed.holder);
  return (
    <Sheet open onOpenChange={(open) => open || onClose()} title={title}>
      <Form onSubmit={f.send}>
        {places.length === 0 && <p>{say('The kitchen has no such place: Kitchen → Keeping.')}</p>}
        <Pick id="place-place" label={say('Where')} {...f.field('place')}>
          {places.map((p) => (
            <option key={p.id} value={p.id}>
              {say('{place}, {celsius}', { place: p.name, celsius: { celsius: p.celsius } })}
            </option>
          ))}
        </Pick>
        <div className="grid gap-4 min-[560px]:grid-cols-[1fr_7rem_8rem]">
          <Pick id="place-holder" label={say('In what')} {...f.field('holder')}>
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
          {isPan && (
            <Field id="place-count" label={say('How many')} inputMode="numeric" {...f.field('count')} />
          )}
          {part && (
            <MetricField
              id="place-litres"
              words={message('How much, {unit}')}
              what="litres"
              {...f.metric('litres')}
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
