'use client';

import { Plus, Trash2 } from 'lucide-react';
import { useId, useState } from 'react';
import { Controller, useFieldArray, useFormContext, useWatch } from 'react-hook-form';
import { ingredient, isIngredient } from '../../core/food/catalogue';
import { ALLERGENS } from '../../core/food/ingredient';
import { type Message, message } from '../../core/message/message';
import { term } from '../../core/message/term';
import { Field, Tick } from '../shared/form/Field';
import { IngredientField } from '../shared/form/IngredientField';
import { useSay } from '../shared/hooks/useSay';
import { BUTTON, FIELD } from '../shared/styles';
import type { KitchenForm } from './form/form';
import type { PartProps } from './form/part';
import { useFormUnits } from './form/useFormUnits';

const FRESH_PRODUCT = {
  ingredient: '',
  name: '',
  saltPercent: '',
  fatPercent: '',
  pH: '',
  yieldPercent: '',
  lot: '',
  pricePerKg: '',
  packG: '',
  kept: true,
  allergens: [],
};

const nameOf = (id: string): Message =>
  isIngredient(id) ? term(ingredient(id).name) : message('something new');

/** The house's own products: what its labels say instead of the catalogue. */
export function ProductsPart({ problemAt }: PartProps) {
  const say = useSay();
  const { register, control } = useFormContext<KitchenForm>();
  const { fields, prepend, remove } = useFieldArray({ control, name: 'products', keyName: 'key' });
  const products = useWatch({ control, name: 'products' });
  const currency = useWatch({ control, name: 'currency' });
  const units = useFormUnits();
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
          `${p.name} ${say(nameOf(p.ingredient))}`.toLowerCase().includes(text.trim().toLowerCase())),
    );
  return (
    <>
      <div className="flex flex-wrap items-center gap-3">
        <label htmlFor={find} className="sr-only">
          {say('Find a product')}
        </label>
        <input
          id={find}
          type="search"
          value={text}
          onChange={(e) => setText(e.target.value)}
          placeholder={say('Find a product')}
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
          <Plus size={20} aria-hidden /> {say('Product')}
        </button>
        <span className="text-quiet">{say('What is left empty is the catalogue’s.')}</span>
      </div>
      <ul className="mt-3 grid gap-2">
        {shown.map(({ f, n, p }) => {
          const known = p && isIngredient(p.ingredient) ? ingredient(p.ingredient) : null;
          const wrong = problemAt(`products.${n}.`);
          const here = open === f.key || (open === 'new' && n === 0) || wrong !== undefined;
          const at = (key: string) => problemAt(`products.${n}.${key}`);
          const facts = p
            ? [
                p.saltPercent && say('salt {saltPercent} %', { saltPercent: p.saltPercent }),
                p.fatPercent && say('fat {fatPercent} %', { fatPercent: p.fatPercent }),
                p.pH && say('pH {pH}', { pH: p.pH }),
                p.yieldPercent && say('{yieldPercent} % edible', { yieldPercent: p.yieldPercent }),
                p.pricePerKg &&
                  say('{currency}{price} a {unit}', {
                    currency,
                    price: p.pricePerKg,
                    unit: units.of('perKg').unit,
                  }),
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
                <b>{p?.name || say(nameOf(p?.ingredient ?? ''))}</b>
                {p?.name && <span className="text-quiet">{say(nameOf(p.ingredient))}</span>}
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
                          label={say('Stands for')}
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
                      label={say('Name in this kitchen')}
                      placeholder={known?.name ?? ''}
                      {...register(`products.${n}.name`)}
                      problem={at('name')}
                    />
                  </div>
                  <Field
                    id={`product-${n}-salt`}
                    label={say('Salt, %')}
                    placeholder={known ? String(Number((known.sodium * 0.00254).toFixed(3))) : ''}
                    inputMode="decimal"
                    {...register(`products.${n}.saltPercent`)}
                    problem={at('saltPercent')}
                    className="figures"
                  />
                  <Field
                    id={`product-${n}-fat`}
                    label={say('Fat, %')}
                    placeholder={known ? String(Number((known.composition.fat * 100).toFixed(1))) : ''}
                    inputMode="decimal"
                    {...register(`products.${n}.fatPercent`)}
                    problem={at('fatPercent')}
                    className="figures"
                  />
                  <Field
                    id={`product-${n}-ph`}
                    label={say('pH')}
                    placeholder={known ? String(known.pH) : ''}
                    inputMode="decimal"
                    {...register(`products.${n}.pH`)}
                    problem={at('pH')}
                    className="figures"
                  />
                  <Field
                    id={`product-${n}-yield`}
                    label={say('Edible, %')}
                    placeholder={known ? String(Math.round(known.edibleYield * 100)) : ''}
                    inputMode="decimal"
                    {...register(`products.${n}.yieldPercent`)}
                    problem={at('yieldPercent')}
                    className="figures"
                  />
                  <Field
                    id={`product-${n}-lot`}
                    label={say('Lot in use')}
                    {...register(`products.${n}.lot`)}
                    problem={at('lot')}
                  />
                  <Field
                    id={`product-${n}-price`}
                    label={say('Price a {unit}{currency, select, yes {, {currency2}} other {}}', {
                      unit: units.of('perKg').unit,
                      currency: currency ? 'yes' : 'no',
                      currency2: currency,
                    })}
                    placeholder={say('none')}
                    inputMode="decimal"
                    {...register(`products.${n}.pricePerKg`)}
                    problem={at('pricePerKg')}
                    className="figures"
                  />
                  <Field
                    id={`product-${n}-pack`}
                    label={say('In a pack, {unit}', { unit: units.of('g').unit })}
                    placeholder={say('none')}
                    inputMode="decimal"
                    {...register(`products.${n}.packG`)}
                    problem={at('packG')}
                    className="figures"
                  />
                  <div className="col-span-full">
                    <Tick
                      id={`product-${n}-kept`}
                      label={say('Kept in store: can be used when a soup has to be put right')}
                      {...register(`products.${n}.kept`)}
                    />
                  </div>
                  <div className="col-span-full">
                    <p className="font-bold">{say('Allergens on its label besides the usual')}</p>
                    <div className="grid grid-cols-2 min-[720px]:grid-cols-5">
                      {ALLERGENS.filter((a) => !known?.allergens.includes(a)).map((a) => (
                        <Tick
                          key={a}
                          id={`product-${n}-${a}`}
                          label={say(term(a))}
                          value={a}
                          {...register(`products.${n}.allergens`)}
                        />
                      ))}
                    </div>
                  </div>
                  <button type="button" className={BUTTON} onClick={() => remove(n)}>
                    <Trash2 size={20} aria-hidden /> {say('Take out')}
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
