'use client';

import { Plus, Trash2 } from 'lucide-react';
import { useFieldArray, useFormContext, useWatch } from 'react-hook-form';
import { EFFICIENCY } from '../../core/heat/burner';
import { spaced } from '../../core/units/format';
import { parseNumber } from '../../core/units/parse';
import { Field, Pick } from '../shared/Field';
import { BUTTON } from '../shared/styles';
import type { KitchenForm } from './form';
import { CARD, type PartProps } from './part';

/** Burners and what reaches a pot from them. */
export function BurnersPart({ problemAt }: PartProps) {
  const { register, control } = useFormContext<KitchenForm>();
  const { fields, append, remove } = useFieldArray({ control, name: 'burners', keyName: 'key' });
  const burners = useWatch({ control, name: 'burners' });
  return (
    <>
      <ul className="grid gap-3 min-[1100px]:grid-cols-2">
        {fields.map((f, n) => {
          const burner = burners[n];
          const share = EFFICIENCY[burner?.kind as keyof typeof EFFICIENCY] ?? 0;
          const into = burner?.intoPotKw
            ? Number(burner.intoPotKw)
            : parseNumber(burner?.powerKw ?? '') * share;
          const at = (key: string) => problemAt(`burners.${n}.${key}`);
          return (
            <li key={f.key} className={`${CARD} grid gap-2`}>
              <div className="flex items-end gap-2">
                <div className="flex-1">
                  <Field
                    id={`burner-${n}-name`}
                    label="Name"
                    {...register(`burners.${n}.name`)}
                    problem={at('name')}
                  />
                </div>
                <button
                  type="button"
                  aria-label={`Take out ${burner?.name || 'this burner'}`}
                  disabled={fields.length === 1}
                  onClick={() => remove(n)}
                  className="grid size-14 shrink-0 place-items-center rounded-sm border-2 border-ink disabled:opacity-40"
                >
                  <Trash2 size={22} aria-hidden />
                </button>
              </div>
              <div className="grid grid-cols-2 gap-2">
                <Pick
                  id={`burner-${n}-kind`}
                  label="Kind"
                  {...register(`burners.${n}.kind`)}
                  problem={at('kind')}
                >
                  {Object.keys(EFFICIENCY).map((k) => (
                    <option key={k}>{k}</option>
                  ))}
                </Pick>
                <Field
                  id={`burner-${n}-power`}
                  label="Rated, kW"
                  inputMode="decimal"
                  {...register(`burners.${n}.powerKw`)}
                  problem={at('powerKw')}
                  className="figures"
                />
              </div>
              <p>
                {Number.isFinite(into) && (
                  <>
                    <b className="figures">{spaced(into, 2)} kW</b> reaches a pot on the full flame
                    {burner?.intoPotKw
                      ? ', by a water test.'
                      : `, by the usual ${Math.round(share * 100)} %.`}
                  </>
                )}
              </p>
            </li>
          );
        })}
      </ul>
      <button
        type="button"
        className={`mt-3 ${BUTTON}`}
        onClick={() => append({ id: '', name: '', kind: 'gas', powerKw: '', intoPotKw: '' })}
      >
        <Plus size={20} aria-hidden /> Burner
      </button>
    </>
  );
}
