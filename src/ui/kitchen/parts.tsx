'use client';

import { Plus, Trash2 } from 'lucide-react';
import Link from 'next/link';
import { useId, useState } from 'react';
import { Controller, useFieldArray, useFormContext, useWatch } from 'react-hook-form';
import { BANDS } from '../../core/flow/bands';
import { ingredient, isIngredient } from '../../core/food/catalogue';
import { ALLERGENS } from '../../core/food/ingredient';
import { EFFICIENCY } from '../../core/heat/burner';
import { FILL_LIMIT, MATERIALS } from '../../core/heat/vessel';
import { spaced } from '../../core/units/format';
import { parseNumber } from '../../core/units/parse';
import { Field, Pick, Tick } from '../shared/Field';
import { IngredientField } from '../shared/IngredientField';
import { BUTTON, FIELD } from '../shared/styles';
import type { KitchenForm } from './form';
import { PotSection } from './PotSection';
import { useRole } from './useRole';

export type PartProps = { readonly problemAt: (path: string) => string | undefined };

const CARD = 'rounded-sm border-2 border-ink bg-surface p-4';

/** Room, units, bands, allergens and roles. */
export function HousePart({ problemAt }: PartProps) {
  const { register, control } = useFormContext<KitchenForm>();
  const [temperature, roles] = useWatch({ control, name: ['temperature', 'roles'] });
  const [role, setRole] = useRole();
  const names = roles
    .split(',')
    .map((r) => r.trim())
    .filter(Boolean);
  return (
    <div className="grid gap-4 min-[1100px]:grid-cols-2">
      <section aria-labelledby="k-room" className={`${CARD} grid content-start gap-3`}>
        <h2 id="k-room" className="font-bold text-[21px]">
          The room
        </h2>
        <Field id="k-name" label="Name" {...register('name')} problem={problemAt('name')} />
        <div className="grid grid-cols-3 gap-3">
          <Field
            id="k-altitude"
            label="Altitude, m"
            inputMode="numeric"
            {...register('altitudeM')}
            problem={problemAt('altitudeM')}
            className="figures"
          />
          <Field
            id="k-air"
            label={`Air, °${temperature}`}
            inputMode="decimal"
            {...register('air')}
            problem={problemAt('air')}
            className="figures"
          />
          <Field
            id="k-humidity"
            label="Humidity, %"
            inputMode="decimal"
            {...register('humidityPercent')}
            problem={problemAt('humidityPercent')}
            className="figures"
          />
        </div>
        <div className="grid grid-cols-3 gap-3">
          <Pick id="k-volume" label="Volumes in" {...register('volume')}>
            <option value="L">litres</option>
            <option value="gal">US gallons</option>
          </Pick>
          <Pick id="k-temperature" label="Degrees in" {...register('temperature')}>
            <option value="C">°C</option>
            <option value="F">°F</option>
          </Pick>
          <Field
            id="k-currency"
            label="Before a price"
            maxLength={4}
            {...register('currency')}
            problem={problemAt('currency')}
          />
        </div>
        <Field
          id="k-roles"
          label="Who works here, by role"
          hint="Separate them with commas."
          {...register('roles')}
          problem={problemAt('roles')}
        />
        <Pick
          id="k-role"
          label="This tablet is used by"
          value={names.includes(role) ? role : ''}
          onChange={(e) => setRole(e.target.value)}
        >
          <option value="">whoever is at the stove</option>
          {names.map((n) => (
            <option key={n}>{n}</option>
          ))}
        </Pick>
      </section>
      <section aria-labelledby="k-standards" className={`${CARD} grid content-start gap-3`}>
        <h2 id="k-standards" className="font-bold text-[21px]">
          House standards
        </h2>
        <fieldset>
          <legend className="mb-1 font-bold">Bands, mPa·s in the bowl: each ends below</legend>
          <div className="grid grid-cols-4 gap-2">
            {[0, 1, 2, 3].map((n) => (
              <Field
                key={n}
                id={`k-band-${n}`}
                label={BANDS[n] ?? ''}
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
            label="Salt in the finished soup, %"
            inputMode="decimal"
            {...register('saltPercent')}
            problem={problemAt('saltPercent')}
            className="figures"
          />
          <Pick id="k-measures" label="Flour is measured" {...register('measures')}>
            <option value="scale">on the scale</option>
            <option value="spoons">by spoons and cups</option>
          </Pick>
        </div>
      </section>
      <section aria-labelledby="k-flagged" className={`${CARD} min-[1100px]:col-span-2`}>
        <h2 id="k-flagged" className="font-bold text-[21px]">
          Allergens named first and large
        </h2>
        <div className="mt-1 grid grid-cols-2 min-[720px]:grid-cols-5">
          {ALLERGENS.map((a) => (
            <Tick key={a} id={`k-flag-${a}`} label={a} value={a} {...register('flagged')} />
          ))}
        </div>
        <p className="mt-2 text-quiet">
          The US nine and the EU fourteen. Labels decide; your local rules say how guests are told.
        </p>
      </section>
    </div>
  );
}

const litresOf = (diameterCm: string, heightCm: string): number =>
  (Math.PI * (parseNumber(diameterCm) / 2) ** 2 * parseNumber(heightCm)) / 1000;

/** Pots, each drawn to the same scale. */
export function PotsPart({ problemAt }: PartProps) {
  const { register, control } = useFormContext<KitchenForm>();
  const { fields, append, remove } = useFieldArray({ control, name: 'vessels', keyName: 'key' });
  const pots = useWatch({ control, name: 'vessels' });
  const sizes = pots
    .flatMap((v) => [parseNumber(v.diameterCm), parseNumber(v.heightCm)])
    .filter((n) => n > 0);
  const mostMm = Math.max(100, ...sizes.map((n) => n * 10));
  return (
    <>
      <ul className="grid gap-3 min-[1100px]:grid-cols-2">
        {fields.map((f, n) => {
          const pot = pots[n];
          const rim = pot ? litresOf(pot.diameterCm, pot.heightCm) : Number.NaN;
          const at = (key: string) => problemAt(`vessels.${n}.${key}`);
          return (
            <li key={f.key} className={`${CARD} flex gap-3`}>
              <PotSection
                diameterMm={parseNumber(pot?.diameterCm ?? '') * 10}
                heightMm={parseNumber(pot?.heightCm ?? '') * 10}
                mostMm={mostMm}
              />
              <div className="grid min-w-0 flex-1 gap-2">
                <div className="flex items-end gap-2">
                  <div className="flex-1">
                    <Field
                      id={`pot-${n}-name`}
                      label="Name"
                      {...register(`vessels.${n}.name`)}
                      problem={at('name')}
                    />
                  </div>
                  <button
                    type="button"
                    aria-label={`Take out ${pot?.name || 'this pot'}`}
                    disabled={fields.length === 1}
                    onClick={() => remove(n)}
                    className="grid size-14 shrink-0 place-items-center rounded-sm border-2 border-ink disabled:opacity-40"
                  >
                    <Trash2 size={22} aria-hidden />
                  </button>
                </div>
                <div className="grid grid-cols-3 gap-2">
                  <Field
                    id={`pot-${n}-diameter`}
                    label="Across, cm"
                    inputMode="decimal"
                    {...register(`vessels.${n}.diameterCm`)}
                    problem={at('diameterCm')}
                    className="figures"
                  />
                  <Field
                    id={`pot-${n}-height`}
                    label="High, cm"
                    inputMode="decimal"
                    {...register(`vessels.${n}.heightCm`)}
                    problem={at('heightCm')}
                    className="figures"
                  />
                  <Field
                    id={`pot-${n}-mass`}
                    label="Empty, kg"
                    inputMode="decimal"
                    {...register(`vessels.${n}.massKg`)}
                    problem={at('massKg')}
                    className="figures"
                  />
                </div>
                <Pick
                  id={`pot-${n}-material`}
                  label="Of"
                  {...register(`vessels.${n}.material`)}
                  problem={at('material')}
                >
                  {Object.keys(MATERIALS).map((m) => (
                    <option key={m}>{m}</option>
                  ))}
                </Pick>
                <p>
                  {Number.isFinite(rim) ? (
                    <>
                      <b className="figures">{spaced(rim, 1)} L</b> to the rim, fill to{' '}
                      <b className="figures">{spaced(rim * FILL_LIMIT, 1)} L</b>.
                    </>
                  ) : (
                    'Inside measures, please.'
                  )}
                </p>
                {f.id && (
                  <p className="flex flex-wrap items-center justify-between gap-2">
                    <span>
                      {pot?.lossFactor ? (
                        <>
                          Water test: loses <b className="figures">{spaced(Number(pot.lossFactor), 2)}</b> ×
                          the model
                        </>
                      ) : (
                        <span className="text-quiet">No water test yet</span>
                      )}
                    </span>
                    <Link href={`/kitchen/water-test?pot=${f.id}`} className={BUTTON}>
                      Water test
                    </Link>
                  </p>
                )}
              </div>
            </li>
          );
        })}
      </ul>
      <button
        type="button"
        className={`mt-3 ${BUTTON}`}
        onClick={() =>
          append({
            id: '',
            name: '',
            diameterCm: '',
            heightCm: '',
            material: 'stainless steel',
            massKg: '',
            lossFactor: '',
          })
        }
      >
        <Plus size={20} aria-hidden /> Pot
      </button>
    </>
  );
}

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

const FRESH_PRODUCT = {
  ingredient: '',
  name: '',
  saltPercent: '',
  fatPercent: '',
  pH: '',
  yieldPercent: '',
  pricePerKg: '',
  allergens: [],
};

const nameOf = (id: string): string => (isIngredient(id) ? ingredient(id).name : 'something new');

/** The house's own products: what its labels say instead of the catalogue. */
export function ProductsPart({ problemAt }: PartProps) {
  const { register, control } = useFormContext<KitchenForm>();
  const { fields, prepend, remove } = useFieldArray({ control, name: 'products', keyName: 'key' });
  const products = useWatch({ control, name: 'products' });
  const currency = useWatch({ control, name: 'currency' });
  const [text, setText] = useState('');
  const [open, setOpen] = useState<string | null>(null);
  const find = useId();
  const shown = fields
    .map((f, n) => ({ f, n, p: products[n] }))
    .filter(
      ({ p, f }) =>
        p &&
        (f.key === open ||
          p.ingredient === '' ||
          `${p.name} ${nameOf(p.ingredient)}`.toLowerCase().includes(text.trim().toLowerCase())),
    );
  return (
    <>
      <div className="flex flex-wrap items-center gap-3">
        <label htmlFor={find} className="sr-only">
          Find a product
        </label>
        <input
          id={find}
          type="search"
          value={text}
          onChange={(e) => setText(e.target.value)}
          placeholder="Find a product"
          className={`max-w-90 ${FIELD}`}
        />
        <button
          type="button"
          className={BUTTON}
          onClick={() => {
            prepend({ ...FRESH_PRODUCT });
            setOpen('new');
          }}
        >
          <Plus size={20} aria-hidden /> Product
        </button>
        <span className="text-quiet">What is left empty is the catalogue’s.</span>
      </div>
      <ul className="mt-3 grid gap-2">
        {shown.map(({ f, n, p }) => {
          const known = p && isIngredient(p.ingredient) ? ingredient(p.ingredient) : null;
          const wrong = problemAt(`products.${n}.`);
          const here = open === f.key || (open === 'new' && n === 0) || wrong !== undefined;
          const at = (key: string) => problemAt(`products.${n}.${key}`);
          const facts = p
            ? [
                p.saltPercent && `salt ${p.saltPercent} %`,
                p.fatPercent && `fat ${p.fatPercent} %`,
                p.pH && `pH ${p.pH}`,
                p.yieldPercent && `${p.yieldPercent} % edible`,
                p.pricePerKg && `${currency}${p.pricePerKg} a kg`,
              ].filter(Boolean)
            : [];
          return (
            <li key={f.key} className="rounded-sm border-2 border-ink bg-surface">
              <button
                type="button"
                aria-expanded={here}
                onClick={() => setOpen(here ? null : f.key)}
                className="flex min-h-14 w-full items-center gap-3 px-4 text-left"
              >
                <b>{p?.name || nameOf(p?.ingredient ?? '')}</b>
                {p?.name && <span className="text-quiet">{nameOf(p.ingredient)}</span>}
                <span className="ml-auto text-quiet">{facts.join(' · ')}</span>
              </button>
              {here && (
                <div className="grid grid-cols-2 gap-3 border-rule border-t p-4 min-[1100px]:grid-cols-4">
                  <div className="col-span-2">
                    <Controller
                      control={control}
                      name={`products.${n}.ingredient`}
                      render={({ field }) => (
                        <IngredientField
                          id={`product-${n}-ingredient`}
                          label="Stands for"
                          value={field.value}
                          onChange={field.onChange}
                          problem={at('ingredient')}
                          inputRef={field.ref}
                        />
                      )}
                    />
                  </div>
                  <div className="col-span-2">
                    <Field
                      id={`product-${n}-name`}
                      label="Called here"
                      placeholder={known?.name ?? ''}
                      {...register(`products.${n}.name`)}
                      problem={at('name')}
                    />
                  </div>
                  <Field
                    id={`product-${n}-salt`}
                    label="Salt, %"
                    placeholder={known ? String(Number((known.sodium * 0.00254).toFixed(3))) : ''}
                    inputMode="decimal"
                    {...register(`products.${n}.saltPercent`)}
                    problem={at('saltPercent')}
                    className="figures"
                  />
                  <Field
                    id={`product-${n}-fat`}
                    label="Fat, %"
                    placeholder={known ? String(Number((known.composition.fat * 100).toFixed(1))) : ''}
                    inputMode="decimal"
                    {...register(`products.${n}.fatPercent`)}
                    problem={at('fatPercent')}
                    className="figures"
                  />
                  <Field
                    id={`product-${n}-ph`}
                    label="pH"
                    placeholder={known ? String(known.pH) : ''}
                    inputMode="decimal"
                    {...register(`products.${n}.pH`)}
                    problem={at('pH')}
                    className="figures"
                  />
                  <Field
                    id={`product-${n}-yield`}
                    label="Edible, %"
                    placeholder={known ? String(Math.round(known.edibleYield * 100)) : ''}
                    inputMode="decimal"
                    {...register(`products.${n}.yieldPercent`)}
                    problem={at('yieldPercent')}
                    className="figures"
                  />
                  <Field
                    id={`product-${n}-price`}
                    label={`Price a kg${currency ? `, ${currency}` : ''}`}
                    placeholder="none"
                    inputMode="decimal"
                    {...register(`products.${n}.pricePerKg`)}
                    problem={at('pricePerKg')}
                    className="figures"
                  />
                  <div className="col-span-full">
                    <p className="font-bold">Allergens on its label besides the usual</p>
                    <div className="grid grid-cols-2 min-[720px]:grid-cols-5">
                      {ALLERGENS.filter((a) => !known?.allergens.includes(a)).map((a) => (
                        <Tick
                          key={a}
                          id={`product-${n}-${a}`}
                          label={a}
                          value={a}
                          {...register(`products.${n}.allergens`)}
                        />
                      ))}
                    </div>
                  </div>
                  <button type="button" className={BUTTON} onClick={() => remove(n)}>
                    <Trash2 size={20} aria-hidden /> Take out
                  </button>
                </div>
              )}
            </li>
          );
        })}
      </ul>
    </>
  );
}
