'use client';

import { v4 as uuid } from 'uuid';
import { ALLERGENS } from '../../../core/food/ingredient';
import { panHolds } from '../../../core/heat/cool/body';
import type { KeepBody, KeptKind } from '../../../core/keep/events';
import type { House } from '../../../core/kitchen/house';
import { message } from '../../../core/message/message';
import { term } from '../../../core/message/term';
import { dayOf } from '../../../core/units/clock';
import { typedNumber } from '../../../core/units/typed/parse';
import { kitchenNow } from '../../device/line/clock';
import { Field, Pick, Tick } from '../../shared/form/Field';
import { Form } from '../../shared/form/Form';
import { MetricField } from '../../shared/form/MetricField';
import { useTyped, Wrong } from '../../shared/form/useTyped';
import { useSay } from '../../shared/hooks/useSay';
import { Sheet } from '../../shared/Sheet';
import { PRIMARY } from '../../shared/styles';

const KINDS: readonly KeptKind[] = ['stock', 'purée', 'roux', 'kneaded butter', 'soup', 'other'];

type Props = {
  readonly house: House;
  readonly onTake: (lot: string, body: KeepBody) => void;
  readonly onClose: () => void;
};

type Typed = {
  what: KeptKind;
  name: string;
  litres: string;
  pan: string;
  count: string;
  place: string;
  made: string;
  useBy: string;
  celsius: string;
  allergens: string[];
};

/** What is typed of something to be stored, read as the line that stores it. */
function useStored(house: House, onTake: Props['onTake']) {
  const say = useSay();
  const { pans, places, dayEnds } = house.keeping;
  const today = () => dayOf(new Date(kitchenNow()), dayEnds);
  const read = (t: Typed): KeepBody | Wrong<keyof Typed> => {
    const l = typedNumber(t.litres);
    const n = typedNumber(t.count);
    const into = pans.find((p) => p.id === t.pan);
    if (t.name.trim() === '') return new Wrong('name', say('Give it a name.'));
    if (!(typeof l === 'number' && l > 0 && l <= 600))
      return new Wrong(
        'litres',
        say('“{litres}” cannot be: more than nothing, {most} at the most.', {
          litres: t.litres,
          most: { ml: 600_000 },
        }),
      );
    if (!into) return new Wrong('pan', say('Choose what it stands in.'));
    const least = Math.ceil((l * 1000) / panHolds(into) - 0.02);
    if (!(typeof n === 'number' && Number.isInteger(n) && n >= least && n <= 200))
      return new Wrong(
        'count',
        say('“{count}” cannot be: {least} at the least hold it.', { count: t.count, least }),
      );
    const c = t.celsius.trim() === '' ? undefined : typedNumber(t.celsius);
    if (c !== undefined && !(typeof c === 'number' && c >= -45 && c <= 130))
      return new Wrong(
        'celsius',
        say('“{read}” cannot be: a temperature is {range}.', {
          read: t.celsius,
          range: { celsius: -45, toCelsius: 130 },
        }),
      );
    if (t.made > today()) return new Wrong('made', say('Not after today.'));
    if (t.useBy !== '' && t.useBy < t.made) return new Wrong('useBy', say('Not before it was made.'));
    const at = t.made === today() ? kitchenNow() : new Date(`${t.made}T12:00:00`).getTime();
    return {
      kind: 'put by',
      what: t.what,
      name: t.name.trim(),
      madeAt: new Date(at).toISOString(),
      ml: Math.round(l * 1000),
      allergens: ALLERGENS.filter((a) => t.allergens.includes(a)),
      container: { kind: 'pans', pan: into.id, count: n },
      place: t.place,
      ...(t.useBy !== '' && { useBy: t.useBy }),
      ...(typeof c === 'number' && { celsius: c }),
    };
  };
  const asItStands: Typed = {
    what: 'stock',
    name: '',
    litres: '',
    pan: pans.at(-1)?.id ?? '',
    count: '1',
    place: places.find((p) => p.kind === 'fridge')?.id ?? places[0]?.id ?? '',
    made: today(),
    useBy: '',
    celsius: '',
    allergens: [],
  };
  return useTyped(asItStands, read, (body) => onTake(uuid(), body));
}
type Stored = ReturnType<typeof useStored>;

/** Something put by that no batch brought: a stock, a purée, roux, kneaded butter. */
export function PutBySheet({ house, onTake, onClose }: Props) {
  const say = useSay();
  const f = useStored(house, onTake);
  return (
    <Sheet open onOpenChange={(open) => open || onClose()} title={say('Store something')}>
      <Form onSubmit={f.send}>
        <WhatAndWhere f={f} house={house} />
        <ReadAndDated f={f} />
        <AllergensIn f={f} />
        <button type="submit" className={`${PRIMARY} min-h-16 text-[20px]`}>
          {say('Store it')}
        </button>
      </Form>
    </Sheet>
  );
}

type Part = { readonly f: Stored };

function WhatAndWhere({ f, house }: Part & { readonly house: House }) {
  const say = useSay();
  const { pans, places } = house.keeping;
  return (
    <>
      <div className="grid gap-4 min-[560px]:grid-cols-[11rem_1fr_7rem]">
        <Pick id="put-what" label={say('What')} {...f.field('what')}>
          {KINDS.map((k) => (
            <option key={k} value={k}>
              {say(term(k))}
            </option>
          ))}
        </Pick>
        <Field id="put-name" label={say('Its name')} maxLength={80} {...f.field('name')} />
        <MetricField
          id="put-litres"
          words={message('How much, {unit}')}
          what="litres"
          {...f.metric('litres')}
        />
      </div>
      <div className="grid gap-4 min-[560px]:grid-cols-[1fr_7rem_1fr]">
        <Pick id="put-pan" label={say('In what')} {...f.field('pan')}>
          {pans.map((p) => (
            <option key={p.id} value={p.id}>
              {p.name}
            </option>
          ))}
        </Pick>
        <Field id="put-count" label={say('How many')} inputMode="numeric" {...f.field('count')} />
        <Pick id="put-place" label={say('Where')} {...f.field('place')}>
          {places.map((p) => (
            <option key={p.id} value={p.id}>
              {p.name}
            </option>
          ))}
        </Pick>
      </div>
    </>
  );
}

function ReadAndDated({ f }: Part) {
  const say = useSay();
  return (
    <>
      <MetricField
        id="put-celsius"
        words={message('Read in its middle, {unit}')}
        what="celsius"
        {...f.metric('celsius')}
        hint={say('Empty: nobody read it, and how it cooled is not on the record.')}
      />
      <div className="grid gap-4 min-[560px]:grid-cols-2">
        <Field id="put-made" type="date" label={say('Made on')} {...f.field('made')} />
        <Field
          id="put-useby"
          type="date"
          label={say('Use by, where it is sooner than the rule')}
          {...f.field('useBy')}
        />
      </div>
    </>
  );
}

function AllergensIn({ f }: Part) {
  const say = useSay();
  return (
    <fieldset>
      <legend className="font-bold">{say('Allergens in it')}</legend>
      <div className="grid grid-cols-2 min-[560px]:grid-cols-3">
        {ALLERGENS.map((a) => (
          <Tick key={a} id={`put-${a}`} label={say(term(a))} value={a} {...f.tick('allergens')} />
        ))}
      </div>
    </fieldset>
  );
}
