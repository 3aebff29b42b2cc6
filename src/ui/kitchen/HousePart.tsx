'use client';

import { useFormContext, useWatch } from 'react-hook-form';
import { BANDS } from '../../core/flow/bands';
import { ALLERGENS } from '../../core/food/ingredient';
import { term } from '../../core/message/term';
import { useRole } from '../device/useRole';
import { Field, Pick, Tick } from '../shared/form/Field';
import { useSay } from '../shared/hooks/useSay';
import { inUnits, type KitchenForm } from './form/form';
import { CARD, type PartProps } from './form/part';

/** Room, units, bands, allergens and roles. */
export function HousePart({ problemAt }: PartProps) {
  return (
    <div className="grid gap-4 min-[1100px]:grid-cols-2">
      <Room problemAt={problemAt} />
      <Standards problemAt={problemAt} />
      <Flagged />
    </div>
  );
}

function Room({ problemAt }: PartProps) {
  const say = useSay();
  const { register, control, getValues, reset } = useFormContext<KitchenForm>();
  /** Converts what is shown; what is kept stays what it is. */
  const units = (to: Partial<Pick<KitchenForm, 'volume' | 'temperature'>>) =>
    reset(inUnits(getValues(), to), { keepDefaultValues: true, keepErrors: true });
  const [volume, temperature] = useWatch({ control, name: ['volume', 'temperature'] });
  const figure = (key: 'altitudeM' | 'air' | 'humidityPercent') => ({
    ...register(key),
    problem: problemAt(key),
    className: 'figures',
  });
  return (
    <section aria-labelledby="k-room" className={`${CARD} grid content-start gap-3`}>
      <h2 id="k-room" className="font-bold text-[21px]">
        {say('The room')}
      </h2>
      <Field id="k-name" label={say('Name')} {...register('name')} problem={problemAt('name')} />
      <div className="grid grid-cols-3 gap-3">
        <Field id="k-altitude" label={say('Altitude, m')} inputMode="numeric" {...figure('altitudeM')} />
        <Field
          id="k-air"
          label={say('Air, °{temperature}', { temperature })}
          inputMode="decimal"
          {...figure('air')}
        />
        <Field
          id="k-humidity"
          label={say('Humidity, %')}
          inputMode="decimal"
          {...figure('humidityPercent')}
        />
      </div>
      <div className="grid grid-cols-3 gap-3">
        <Pick
          id="k-volume"
          label={say('Volumes in')}
          value={volume}
          onChange={(e) => units({ volume: e.target.value })}
        >
          <option value="L">{say('litres and grams')}</option>
          <option value="gal">{say('US gallons, pounds')}</option>
        </Pick>
        <Pick
          id="k-temperature"
          label={say('Degrees in')}
          value={temperature}
          onChange={(e) => units({ temperature: e.target.value })}
        >
          <option value="C">{say('°C')}</option>
          <option value="F">{say('°F')}</option>
        </Pick>
        <Field
          id="k-currency"
          label={say('Currency sign')}
          maxLength={4}
          {...register('currency')}
          problem={problemAt('currency')}
        />
      </div>
      <Field
        id="k-roles"
        label={say('Who works here, by role')}
        hint={say('Separate them with commas.')}
        {...register('roles')}
        problem={problemAt('roles')}
      />
      <Role />
    </section>
  );
}

/** Whose tablet this is, of those who work here. */
function Role() {
  const say = useSay();
  const roles = useWatch<KitchenForm, 'roles'>({ name: 'roles' });
  const [role, setRole] = useRole();
  const names = roles
    .split(',')
    .map((r) => r.trim())
    .filter(Boolean);
  return (
    <Pick
      id="k-role"
      label={say('This tablet is used by')}
      value={names.includes(role) ? role : ''}
      onChange={(e) => setRole(e.target.value)}
    >
      <option value="">{say('whoever is at the stove')}</option>
      {names.map((n) => (
        <option key={n}>{n}</option>
      ))}
    </Pick>
  );
}

function Standards({ problemAt }: PartProps) {
  const say = useSay();
  const { register } = useFormContext<KitchenForm>();
  return (
    <section aria-labelledby="k-standards" className={`${CARD} grid content-start gap-3`}>
      <h2 id="k-standards" className="font-bold text-[21px]">
        {say('House standards')}
      </h2>
      <fieldset>
        <legend className="mb-1 font-bold">{say('Bands, mPa·s in the bowl: each ends below')}</legend>
        <div className="grid grid-cols-4 gap-2">
          {[0, 1, 2, 3].map((n) => (
            <Field
              key={n}
              id={`k-band-${n}`}
              label={say(term(BANDS[n] ?? ''))}
              inputMode="numeric"
              {...register(`bandLimits.${n}`)}
              problem={problemAt(`bandLimits.${n}`)}
              className="figures"
            />
          ))}
        </div>
        {problemAt('bandLimits') && (
          <p role="alert" className="mt-1 font-bold text-tomato">
            {problemAt('bandLimits')}
          </p>
        )}
      </fieldset>
      <div className="grid grid-cols-2 gap-3">
        <Field
          id="k-salt"
          label={say('Salt in the finished soup, %')}
          inputMode="decimal"
          {...register('saltPercent')}
          problem={problemAt('saltPercent')}
          className="figures"
        />
        <Pick id="k-measures" label={say('Flour is measured')} {...register('measures')}>
          <option value="scale">{say('on the scale')}</option>
          <option value="spoons">{say('by spoons and cups')}</option>
        </Pick>
      </div>
    </section>
  );
}

function Flagged() {
  const say = useSay();
  const { register } = useFormContext<KitchenForm>();
  return (
    <section aria-labelledby="k-flagged" className={`${CARD} min-[1100px]:col-span-2`}>
      <h2 id="k-flagged" className="font-bold text-[21px]">
        {say('Allergens named first and large')}
      </h2>
      <div className="mt-1 grid grid-cols-2 min-[720px]:grid-cols-5">
        {ALLERGENS.map((a) => (
          <Tick key={a} id={`k-flag-${a}`} label={say(term(a))} value={a} {...register('flagged')} />
        ))}
      </div>
      <p className="mt-2 text-quiet">
        {say('The US nine and the EU fourteen. Labels decide; your local rules say how guests are told.')}
      </p>
    </section>
  );
}
