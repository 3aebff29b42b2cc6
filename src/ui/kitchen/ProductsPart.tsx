'use client';

import { Plus, Trash2 } from 'lucide-react';
import { useId, useState } from 'react';
import { Controller, useFieldArray, useFormContext, useWatch } from 'react-hook-form';
import { ingredient, isIngredient } from '../../core/food/catalogue';
import { ALLERGENS, type Ingredient } from '../../core/food/ingredient';
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
  const { control } = useFormContext<KitchenForm>();
  const { fields, prepend, remove } = useFieldArray({ control, name: 'products', keyName: 'key' });
  const products = useWatch({ control, name: 'products' });
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
        {shown.map(({ f, n, p }) => (
          <Product
            key={f.key}
            n={n}
            product={p}
            isOpen={open === f.key || (open === 'new' && n === 0)}
            onOpen={(o) => setOpen(o ? f.key : null)}
            onRemove={() => remove(n)}
            problemAt={problemAt}
          />
        ))}
      </ul>
    </>
  );
}

type ProductForm = KitchenForm['products'][number];

type Figure = {
  readonly key: 'saltPercent' | 'fatPercent' | 'pH' | 'yieldPercent' | 'pricePerKg' | 'packG';
  readonly id: string;
  readonly label: Message;
  /** What counts where it is left empty. */
  readonly usual: string;
};

/** A figure of the catalogue, to so many places and no noughts. */
const usual = (value: number | undefined, places: number): string =>
  value === undefined ? '' : String(Number(value.toFixed(places)));

/** What of a product can be read off its label, with what the catalogue has. */
const figuresOf = (known: Ingredient | null): readonly Figure[] => [
  {
    key: 'saltPercent',
    id: 'salt',
    label: message('Salt, %'),
    usual: usual(known ? known.sodium * 0.00254 : undefined, 3),
  },
  {
    key: 'fatPercent',
    id: 'fat',
    label: message('Fat, %'),
    usual: usual(known ? known.composition.fat * 100 : undefined, 1),
  },
  { key: 'pH', id: 'ph', label: message('pH'), usual: usual(known?.pH, 2) },
  {
    key: 'yieldPercent',
    id: 'yield',
    label: message('Edible, %'),
    usual: usual(known ? known.edibleYield * 100 : undefined, 0),
  },
];

/** What a product's row says of it while it is closed. */
function useFacts(p: ProductForm | undefined): readonly string[] {
  const say = useSay();
  const currency = useWatch<KitchenForm, 'currency'>({ name: 'currency' });
  const { unit } = useFormUnits().of('perKg');
  if (!p) return [];
  return [
    p.saltPercent && say('salt {saltPercent} %', { saltPercent: p.saltPercent }),
    p.fatPercent && say('fat {fatPercent} %', { fatPercent: p.fatPercent }),
    p.pH && say('pH {pH}', { pH: p.pH }),
    p.yieldPercent && say('{yieldPercent} % edible', { yieldPercent: p.yieldPercent }),
    p.pricePerKg && say('{currency}{price} a {unit}', { currency, price: p.pricePerKg, unit }),
  ].filter((t): t is string => Boolean(t));
}

type ProductProps = PartProps & {
  readonly n: number;
  readonly product: ProductForm | undefined;
  readonly isOpen: boolean;
  readonly onOpen: (open: boolean) => void;
  readonly onRemove: () => void;
};

function Product({ n, product: p, isOpen, onOpen, onRemove, problemAt }: ProductProps) {
  const say = useSay();
  const facts = useFacts(p);
  // What is wrong in it is shown.
  const here = isOpen || problemAt(`products.${n}.`) !== undefined;
  return (
    <li className="rounded-sm border-2 border-ink bg-surface">
      <button
        type="button"
        aria-expanded={here}
        onClick={() => onOpen(!here)}
        className="flex min-h-14 w-full items-center gap-3 px-4 text-left"
      >
        <b>{p?.name || say(nameOf(p?.ingredient ?? ''))}</b>
        {p?.name && <span className="text-quiet">{say(nameOf(p.ingredient))}</span>}
        <span className="ml-auto text-quiet">{facts.join(' · ')}</span>
      </button>
      {here && <ProductFields n={n} product={p} onRemove={onRemove} problemAt={problemAt} />}
    </li>
  );
}

function ProductFields({ n, product: p, onRemove, problemAt }: Omit<ProductProps, 'isOpen' | 'onOpen'>) {
  const say = useSay();
  const { register, control } = useFormContext<KitchenForm>();
  const known = p && isIngredient(p.ingredient) ? ingredient(p.ingredient) : null;
  const at = (key: string) => problemAt(`products.${n}.${key}`);
  const figure = ({ key, id, label, usual }: Figure) => (
    <Field
      key={key}
      id={`product-${n}-${id}`}
      label={say(label)}
      placeholder={usual}
      inputMode="decimal"
      {...register(`products.${n}.${key}`)}
      problem={at(key)}
      className="figures"
    />
  );
  return (
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
      {figuresOf(known).map(figure)}
      <Field
        id={`product-${n}-lot`}
        label={say('Lot in use')}
        {...register(`products.${n}.lot`)}
        problem={at('lot')}
      />
      {useBought().map(figure)}
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
      <button type="button" className={BUTTON} onClick={onRemove}>
        <Trash2 size={20} aria-hidden /> {say('Take out')}
      </button>
    </div>
  );
}

/** How it is bought, in the units and money of this form. */
function useBought(): readonly Figure[] {
  const say = useSay();
  const units = useFormUnits();
  const currency = useWatch<KitchenForm, 'currency'>({ name: 'currency' });
  return [
    {
      key: 'pricePerKg',
      id: 'price',
      label: message('Price a {unit}{currency, select, yes {, {currency2}} other {}}', {
        unit: units.of('perKg').unit,
        currency: currency ? 'yes' : 'no',
        currency2: currency,
      }),
      usual: say('none'),
    },
    {
      key: 'packG',
      id: 'pack',
      label: message('In a pack, {unit}', { unit: units.of('g').unit }),
      usual: say('none'),
    },
  ];
}
