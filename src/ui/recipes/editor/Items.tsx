'use client';

import { Plus, Trash2 } from 'lucide-react';
import { Controller, type FieldPath, useFieldArray, useFormContext } from 'react-hook-form';
import { ingredient, isIngredient } from '../../../core/food/catalogue';
import type { Ingredient } from '../../../core/food/ingredient';
import { message } from '../../../core/message/message';
import { term } from '../../../core/message/term';
import { Field, Pick } from '../../shared/form/Field';
import { IngredientField } from '../../shared/form/IngredientField';
import { MetricInput } from '../../shared/form/MetricInput';
import { useSay } from '../../shared/hooks/useSay';
import { useUnits } from '../../shared/hooks/useUnits';
import { BUTTON } from '../../shared/styles';
import { type ItemForm, itemForm, type RecipeForm } from './form/form';

const EMPTY_ITEM: ItemForm = { ...itemForm({ ingredient: '', amount: '' }) };

/** Kinds of food that are cut, and kinds whose temperature going in matters. */
const CUT = new Set(['vegetable', 'meat', 'cured meat', 'seafood']);
const TEMPERED = new Set(['liquid', 'dairy', 'wine', 'seafood', 'egg', 'cheese']);

type RowProps = {
  /** "steps.2.items.0" or "steps.1.flour". */
  readonly path:
    | `steps.${number}.items.${number}`
    | `steps.${number}.flour`
    | `steps.${number}.fat`
    | `steps.${number}.thickener`
    | `steps.${number}.carrier`;
  readonly label: string;
  readonly problemAt: (path: string) => string | undefined;
  readonly onRemove?: (() => void) | undefined;
};

/** One ingredient: what and how much, and only what it needs besides. */
export function ItemRow({ path, label, problemAt, onRemove }: RowProps) {
  const say = useSay();
  const { register, control, watch } = useFormContext<RecipeForm>();
  const at = (key: keyof ItemForm) => `${path}.${key}` as FieldPath<RecipeForm>;
  const id = path.replaceAll('.', '-');
  const chosen = String(watch(at('ingredient')) ?? '');
  const food = isIngredient(chosen) ? ingredient(chosen) : null;
  const called = food ? { within: term(food.name) } : message('it');
  return (
    <li className="border-rule border-b py-2 last:border-b-0">
      <div className="grid grid-cols-[1.1fr_150px_1fr_auto] items-start gap-2 max-[720px]:grid-cols-[1fr_auto]">
        <Controller
          control={control}
          name={at('ingredient')}
          render={({ field }) => (
            <IngredientField
              id={`${id}-ingredient`}
              label={label}
              hideLabel
              value={String(field.value ?? '')}
              onChange={field.onChange}
              problem={problemAt(at('ingredient'))}
              inputRef={field.ref}
            />
          )}
        />
        <div className="min-w-0 max-[720px]:order-3 max-[720px]:col-span-2">
          <Field
            id={`${id}-amount`}
            label={say('Amount of {group}', { group: called })}
            hideLabel
            placeholder={say('250 g, 2 cups, to taste')}
            {...register(at('amount'))}
            problem={problemAt(at('amount'))}
            list="amounts-left-open"
            className="figures"
          />
        </div>
        <div className="min-w-0 max-[720px]:order-4 max-[720px]:col-span-2">
          <Field
            id={`${id}-prep`}
            label={say('How {group} is prepared', { group: called })}
            hideLabel
            placeholder={say('prepared how')}
            {...register(at('prep'))}
          />
        </div>
        {onRemove ? (
          <button
            type="button"
            onClick={onRemove}
            aria-label={say('Take out {group}', { group: food ? called : { within: label } })}
            className="grid size-14 place-items-center rounded-sm border-2 border-ink max-[720px]:order-2"
          >
            <Trash2 size={22} aria-hidden />
          </button>
        ) : (
          <span className="w-14 max-[720px]:order-2" />
        )}
      </div>
      {food && <Besides food={food} path={path} problemAt={problemAt} />}
    </li>
  );
}

type BesidesProps = Omit<RowProps, 'label' | 'onRemove'> & { readonly food: Ingredient };

/** What a food of its kind needs said besides: its cut, what it goes in as, how warm. */
function Besides({ food, path, problemAt }: BesidesProps) {
  const say = useSay();
  const degrees = useUnits().of('celsius').unit;
  const { register } = useFormContext<RecipeForm>();
  const at = (key: keyof ItemForm) => `${path}.${key}` as FieldPath<RecipeForm>;
  const id = path.replaceAll('.', '-');
  const cut = CUT.has(food.group);
  const tempered = TEMPERED.has(food.group);
  const opened = Boolean(food.puree) && !food.pulped;
  return (
    <div className={`flex flex-wrap items-center gap-2 ${cut || tempered || opened ? 'mt-2' : ''}`}>
      {cut && (
        <>
          <span className="text-quiet">{say('cut in')}</span>
          <div className="w-32">
            <Pick id={`${id}-shape`} label={say('Cut')} hideLabel {...register(at('shape'))}>
              <option value="">{say('not cut')}</option>
              <option value="cube">{say('cubes')}</option>
              <option value="slab">{say('slices')}</option>
              <option value="rod">{say('sticks')}</option>
            </Pick>
          </div>
          <div className="w-28">
            <Field
              id={`${id}-edge`}
              label={say('Edge in mm')}
              hideLabel
              placeholder={say('mm')}
              inputMode="decimal"
              {...register(at('edgeMm'))}
              problem={problemAt(at('edgeMm'))}
              className="figures"
            />
          </div>
          <span className="text-quiet">{say('mm')}</span>
        </>
      )}
      {opened && (
        <>
          <span className="text-quiet">{say('goes in')}</span>
          <div className="w-36">
            <Pick id={`${id}-as`} label={say('Goes in as')} hideLabel {...register(at('as'))}>
              <option value="">{say('as pieces')}</option>
              <option value="puree">{say('as a purée')}</option>
              <option value="mash">{say('as mash')}</option>
            </Pick>
          </div>
        </>
      )}
      {tempered && (
        <>
          <span className="text-quiet">{say('goes in at')}</span>
          <div className="w-28">
            <MetricInput
              id={`${id}-celsius`}
              name={at('celsius')}
              words={message('Goes in at, {unit}')}
              what="celsius"
              hideLabel
              placeholder={say('as it is')}
              problem={problemAt(at('celsius'))}
              className="figures"
            />
          </div>
          <span className="text-quiet">{degrees}</span>
        </>
      )}
    </div>
  );
}

type ListProps = { readonly step: number; readonly problemAt: (path: string) => string | undefined };

/** A step's ingredients, as many as it takes. */
export function ItemList({ step, problemAt }: ListProps) {
  const say = useSay();
  const { control } = useFormContext<RecipeForm>();
  const { fields, append, remove } = useFieldArray({ control, name: `steps.${step}.items` });
  return (
    <>
      <ul>
        {fields.map((f, n) => (
          <ItemRow
            key={f.id}
            path={`steps.${step}.items.${n}`}
            label={say('Ingredient {n}', { n: n + 1 })}
            problemAt={problemAt}
            onRemove={fields.length > 1 ? () => remove(n) : undefined}
          />
        ))}
      </ul>
      <button type="button" className={`mt-2 ${BUTTON}`} onClick={() => append({ ...EMPTY_ITEM })}>
        <Plus size={20} aria-hidden /> {say('Ingredient')}
      </button>
    </>
  );
}
