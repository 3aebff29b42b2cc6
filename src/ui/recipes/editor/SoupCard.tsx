'use client';

import { useFormContext, useWatch } from 'react-hook-form';
import { BANDS } from '../../../core/flow/bands';
import type { House } from '../../../core/kitchen/house';
import { message } from '../../../core/message/message';
import { term } from '../../../core/message/term';
import type { RecipeText } from '../../../core/recipe/recipe';
import { askedVolume } from '../../../core/units/shown/show';
import { Field, Pick } from '../../shared/form/Field';
import { MetricInput } from '../../shared/form/MetricInput';
import { useSay } from '../../shared/hooks/useSay';
import { useShow } from '../../shared/hooks/useShow';
import type { RecipeForm } from './form/form';

type Props = {
  readonly house: House;
  /** The pot and burner the recipe was written for, which the house may no longer have. */
  readonly home: RecipeText['home'];
  readonly open: boolean;
  readonly onToggle: () => void;
  readonly problemAt: (path: string) => string | undefined;
};

const known = (all: readonly { id: string; name: string }[], own: { id: string; name: string }) =>
  all.some((x) => x.id === own.id) ? all : [own, ...all];

/** What the recipe is, apart from its steps. */
export function SoupCard({ house, home, open, onToggle, problemAt }: Props) {
  const say = useSay();
  const show = useShow();
  const { register, control } = useFormContext<RecipeForm>();
  const [school, yieldLitres, band] = useWatch({ control, name: ['school', 'yieldLitres', 'band'] });
  return (
    <section aria-label={say('The soup')} className="rounded-sm border-2 border-ink bg-surface">
      <button
        type="button"
        aria-expanded={open}
        onClick={onToggle}
        className="flex min-h-14 w-full items-center gap-3 px-4 text-left"
      >
        <b>{say('The soup')}</b>
        <span className="min-w-0 flex-1 truncate text-quiet">
          {say('{school} · makes {number} · {band}', {
            school,
            number: askedVolume(Number(yieldLitres), show),
            band: term(band),
          })}
        </span>
      </button>
      {open && (
        <div className="grid grid-cols-2 gap-3 border-rule border-t p-4 max-[720px]:grid-cols-1">
          <Field id="recipe-name" label={say('Name')} {...register('name')} problem={problemAt('name')} />
          <Field
            id="recipe-school"
            label={say('Way of thickening')}
            placeholder={say('Roux, blended')}
            {...register('school')}
            problem={problemAt('school')}
          />
          <MetricInput
            id="recipe-yield"
            name="yieldLitres"
            words={message('Amounts are for, {unit}')}
            what="litres"
            problem={problemAt('yieldLitres')}
            className="figures"
          />
          <Pick id="recipe-band" label={say('Aimed at')} {...register('band')} problem={problemAt('band')}>
            {BANDS.map((b) => (
              <option key={b} value={b}>
                {say(term(b))}
              </option>
            ))}
          </Pick>
          <Pick
            id="recipe-pot"
            label={say('Written for the pot')}
            {...register('vesselId')}
            problem={problemAt('vesselId')}
          >
            {known(house.vessels, home.vessel).map((v) => (
              <option key={v.id} value={v.id}>
                {v.name}
              </option>
            ))}
          </Pick>
          <Pick id="recipe-burner" label={say('On the burner')} {...register('burnerId')}>
            {known(house.burners, home.burner).map((b) => (
              <option key={b.id} value={b.id}>
                {b.name}
              </option>
            ))}
          </Pick>
        </div>
      )}
    </section>
  );
}
