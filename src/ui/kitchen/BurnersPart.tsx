'use client';

import { Plus } from 'lucide-react';
import { useFieldArray, useFormContext, useWatch } from 'react-hook-form';
import { EFFICIENCY } from '../../core/heat/burner';
import { term } from '../../core/message/term';
import { spaced } from '../../core/units/shown/format';
import { parseNumber } from '../../core/units/typed/parse';
import { Field, Pick } from '../shared/form/Field';
import { useSay } from '../shared/hooks/useSay';
import { BUTTON } from '../shared/styles';
import type { KitchenForm } from './form/form';
import { CARD, type PartProps } from './form/part';
import { NameRow } from './NameRow';

/** Burners and what reaches a pot from them. */
export function BurnersPart({ problemAt }: PartProps) {
  const say = useSay();
  const { register, control } = useFormContext<KitchenForm>();
  const { fields, append, remove } = useFieldArray({ control, name: 'burners', keyName: 'key' });
  const burners = useWatch({ control, name: 'burners' });
  return (
    <>
      <ul className="grid gap-3 min-[1100px]:grid-cols-2">
        {fields.map((f, n) => (
          <Burner
            key={f.key}
            n={n}
            burner={burners[n]}
            only={fields.length === 1}
            onRemove={() => remove(n)}
            problemAt={problemAt}
          />
        ))}
      </ul>
      <button
        type="button"
        className={`mt-3 ${BUTTON}`}
        onClick={() => append({ id: '', name: '', kind: 'gas', powerKw: '', intoPotKw: '' })}
      >
        <Plus size={20} aria-hidden /> {say('Burner')}
      </button>
      <div className="mt-5 max-w-72">
        <Field
          id="oven-trays"
          label={say('Trays the oven takes at once')}
          hint={say('0 where there is none: what is roasted is then warned of')}
          inputMode="numeric"
          {...register('trays')}
          problem={problemAt('trays')}
          className="figures"
        />
      </div>
    </>
  );
}

type BurnerProps = PartProps & {
  readonly n: number;
  readonly burner: KitchenForm['burners'][number] | undefined;
  readonly only: boolean;
  readonly onRemove: () => void;
};

function Burner({ n, burner, only, onRemove, problemAt }: BurnerProps) {
  const say = useSay();
  const { register } = useFormContext<KitchenForm>();
  const share = EFFICIENCY[burner?.kind as keyof typeof EFFICIENCY] ?? 0;
  const into = burner?.intoPotKw ? Number(burner.intoPotKw) : parseNumber(burner?.powerKw ?? '') * share;
  const at = (key: string) => problemAt(`burners.${n}.${key}`);
  return (
    <li className={`${CARD} grid gap-2`}>
      <NameRow
        id={`burner-${n}-name`}
        label={say('Name')}
        {...register(`burners.${n}.name`)}
        problem={at('name')}
        what={burner?.name || say('this burner')}
        only={only}
        onRemove={onRemove}
      />
      <div className="grid grid-cols-2 gap-2">
        <Pick
          id={`burner-${n}-kind`}
          label={say('Kind')}
          {...register(`burners.${n}.kind`)}
          problem={at('kind')}
        >
          {Object.keys(EFFICIENCY).map((k) => (
            <option key={k} value={k}>
              {say(term(k))}
            </option>
          ))}
        </Pick>
        <Field
          id={`burner-${n}-power`}
          label={say('Rated, kW')}
          inputMode="decimal"
          {...register(`burners.${n}.powerKw`)}
          problem={at('powerKw')}
          className="figures"
        />
      </div>
      <p>
        {Number.isFinite(into) &&
          say.rich(
            '<b>{into} kW</b> reaches a pot on the full flame{intoPotKw, select, yes {, by a water test.} other {, by the usual {share} %.}}',
            {
              b: (text) => <b className="figures">{text}</b>,
              into: spaced(into, 2),
              intoPotKw: burner?.intoPotKw ? 'yes' : 'no',
              share: Math.round(share * 100),
            },
          )}
      </p>
    </li>
  );
}
