'use client';

import { useState } from 'react';
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
import { useSay } from '../../shared/hooks/useSay';
import { Sheet } from '../../shared/Sheet';
import { PRIMARY } from '../../shared/styles';

const KINDS: readonly KeptKind[] = ['stock', 'purée', 'roux', 'kneaded butter', 'soup', 'other'];

type Props = {
  readonly house: House;
  readonly onTake: (lot: string, body: KeepBody) => void;
  readonly onClose: () => void;
};

/** Something put by that no batch brought: a stock, a purée, roux, kneaded butter. */
export function PutBySheet({ house, onTake, onClose }: Props) {
  const say = useSay();
  const { pans, places } = house.keeping;
  const [what, setWhat] = useState<KeptKind>('stock');
  const [name, setName] = useState('');
  const [litres, setLitres] = useState('');
  const [pan, setPan] = useState(pans.at(-1)?.id ?? '');
  const [count, setCount] = useState('1');
  const [place, setPlace] = useState(places.find((p) => p.kind === 'fridge')?.id ?? places[0]?.id ?? '');
  const [made, setMade] = useState(dayOf(new Date(kitchenNow()), house.keeping.dayEnds));
  const [useBy, setUseBy] = useState('');
  const [read, setRead] = useState('');
  const [allergens, setAllergens] = useState<readonly string[]>([]);
  const [problem, setProblem] = useState<{ field: string; says: string } | null>(null);
  const wrong = (field: string) => (problem?.field === field ? problem.says : undefined);
  const take = () => {
    const l = typedNumber(litres);
    const n = typedNumber(count);
    const into = pans.find((p) => p.id === pan);
    const today = dayOf(new Date(kitchenNow()), house.keeping.dayEnds);
    if (name.trim() === '') return setProblem({ field: 'name', says: say('Give it a name.') });
    if (!(typeof l === 'number' && l > 0 && l <= 600))
      return setProblem({
        field: 'litres',
        says: say('“{litres}” cannot be: more than nothing, {most} at the most.', {
          litres,
          most: { ml: 600_000 },
        }),
      });
    if (!into) return setProblem({ field: 'pan', says: say('Choose what it stands in.') });
    const least = Math.ceil((l * 1000) / panHolds(into) - 0.02);
    if (!(typeof n === 'number' && Number.isInteger(n) && n >= least && n <= 200))
      return setProblem({
        field: 'count',
        says: say('“{count}” cannot be: {least} at the least hold it.', { count, least }),
      });
    const c = read.trim() === '' ? undefined : typedNumber(read);
    if (c !== undefined && !(typeof c === 'number' && c >= -45 && c <= 130))
      return setProblem({
        field: 'celsius',
        says: say('“{read}” cannot be: a temperature is {range}.', {
          read,
          range: { celsius: -45, toCelsius: 130 },
        }),
      });
    if (made > today) return setProblem({ field: 'made', says: say('Not after today.') });
    if (useBy !== '' && useBy < made)
      return setProblem({ field: 'useBy', says: say('Not before it was made.') });
    const at = made === today ? kitchenNow() : new Date(`${made}T12:00:00`).getTime();
    onTake(uuid(), {
      kind: 'put by',
      what,
      name: name.trim(),
      madeAt: new Date(at).toISOString(),
      ml: Math.round(l * 1000),
      allergens: ALLERGENS.filter((a) => allergens.includes(a)),
      container: { kind: 'pans', pan: into.id, count: n },
      place,
      ...(useBy !== '' && { useBy }),
      ...(typeof c === 'number' && { celsius: c }),
    });
  };
  return (
    <Sheet open onOpenChange={(open) => open || onClose()} title={say('Store something')}>
      <Form onSubmit={take}>
        <div className="grid gap-4 min-[560px]:grid-cols-[11rem_1fr_7rem]">
          <Pick
            id="put-what"
            label={say('What')}
            value={what}
            onChange={(e) => setWhat(e.target.value as KeptKind)}
          >
            {KINDS.map((k) => (
              <option key={k} value={k}>
                {say(term(k))}
              </option>
            ))}
          </Pick>
          <Field
            id="put-name"
            label={say('Its name')}
            value={name}
            maxLength={80}
            onChange={(e) => setName(e.target.value)}
            problem={wrong('name')}
          />
          <MetricField
            id="put-litres"
            words={message('How much, {unit}')}
            what="litres"
            value={litres}
            onValue={setLitres}
            problem={wrong('litres')}
          />
        </div>
        <div className="grid gap-4 min-[560px]:grid-cols-[1fr_7rem_1fr]">
          <Pick
            id="put-pan"
            label={say('In what')}
            value={pan}
            onChange={(e) => setPan(e.target.value)}
            problem={wrong('pan')}
          >
            {pans.map((p) => (
              <option key={p.id} value={p.id}>
                {p.name}
              </option>
            ))}
          </Pick>
          <Field
            id="put-count"
            label={say('How many')}
            inputMode="numeric"
            value={count}
            onChange={(e) => setCount(e.target.value)}
            problem={wrong('count')}
          />
          <Pick id="put-place" label={say('Where')} value={place} onChange={(e) => setPlace(e.target.value)}>
            {places.map((p) => (
              <option key={p.id} value={p.id}>
                {p.name}
              </option>
            ))}
          </Pick>
        </div>
        <MetricField
          id="put-celsius"
          words={message('Read in its middle, {unit}')}
          what="celsius"
          value={read}
          onValue={setRead}
          hint={say('Empty: nobody read it, and how it cooled is not on the record.')}
          problem={wrong('celsius')}
        />
        <div className="grid gap-4 min-[560px]:grid-cols-2">
          <Field
            id="put-made"
            type="date"
            label={say('Made on')}
            value={made}
            onChange={(e) => setMade(e.target.value)}
            problem={wrong('made')}
          />
          <Field
            id="put-useby"
            type="date"
            label={say('Use by, where it is sooner than the rule')}
            value={useBy}
            onChange={(e) => setUseBy(e.target.value)}
            problem={wrong('useBy')}
          />
        </div>
        <fieldset>
          <legend className="font-bold">{say('Allergens in it')}</legend>
          <div className="grid grid-cols-2 min-[560px]:grid-cols-3">
            {ALLERGENS.map((a) => (
              <Tick
                key={a}
                id={`put-${a}`}
                label={say(term(a))}
                checked={allergens.includes(a)}
                onChange={(e) =>
                  setAllergens(e.target.checked ? [...allergens, a] : allergens.filter((x) => x !== a))
                }
              />
            ))}
          </div>
        </fieldset>
        <button type="submit" className={`${PRIMARY} min-h-16 text-[20px]`}>
          {say('Store it')}
        </button>
      </Form>
    </Sheet>
  );
}
