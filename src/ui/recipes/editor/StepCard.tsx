'use client';

import { useSortable } from '@dnd-kit/sortable';
import { clsx } from 'clsx';
import { ChevronDown, ChevronUp, Copy, GripVertical, Trash2 } from 'lucide-react';
import { type ComponentProps, useEffect, useRef } from 'react';
import { useFormContext, useWatch } from 'react-hook-form';
import { ingredient, isIngredient } from '../../../core/food/catalogue';
import { stepVerb } from '../../../core/formats/recipeWords';
import { message } from '../../../core/message/message';
import { FORMS } from '../../../core/pot/kinds/forms';
import { Field, Pick, Tick } from '../../shared/form/Field';
import { MetricInput } from '../../shared/form/MetricInput';
import { useSay } from '../../shared/hooks/useSay';
import { BUTTON } from '../../shared/styles';
import type { RecipeForm, StepFields } from './form/form';
import { goesOf, summary } from './form/stepWords';
import { ItemList, ItemRow } from './Items';

type Props = {
  readonly sortId: string;
  readonly index: number;
  readonly count: number;
  readonly open: boolean;
  /** It is the first of those done one after another in one pan. */
  readonly heads: boolean;
  readonly onToggle: () => void;
  readonly onMove: (to: number) => void;
  readonly onCopy: () => void;
  readonly onRemove: () => void;
  readonly problemAt: (path: string) => string | undefined;
};

const SINGLE = {
  flour: message('Flour'),
  fat: message('Fat'),
  thickener: message('Thickener'),
  carrier: message('Mixed into'),
} as const;

/** One of the pans of the recipe, or its pot. */
function PanPick({
  names,
  ...rest
}: Omit<ComponentProps<typeof Pick>, 'children'> & { readonly names: readonly string[] }) {
  const say = useSay();
  return (
    <Pick {...rest}>
      <option value="">{say('the pot')}</option>
      {names.map((name) => (
        <option key={name} value={name}>
          {name}
        </option>
      ))}
    </Pick>
  );
}

/** One step: closed a line, open its short form. Dragged by its grip, or moved by keys. */
export function StepCard({
  sortId,
  index,
  count,
  open,
  heads,
  onToggle,
  onMove,
  onCopy,
  onRemove,
  problemAt,
}: Props) {
  const say = useSay();
  const { register, control } = useFormContext<RecipeForm>();
  const step = useWatch({ control, name: `steps.${index}` });
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({
    id: sortId,
  });
  const card = useRef<HTMLLIElement | null>(null);
  useEffect(() => {
    if (open) card.current?.scrollIntoView({ block: 'nearest' });
  }, [open]);
  const problem = problemAt(`steps.${index}`);
  const inside = problemAt(`steps.${index}.`);
  const verb = say(stepVerb(step.kind));
  const holds = FORMS[step.kind].holds;
  const pans = useWatch({ control, name: 'pans' });
  const id = `step-${index}`;
  const used = useWatch({ control, name: 'steps' })
    .slice(0, index)
    .flatMap((s) => s.items.map((i) => i.ingredient))
    .filter((i) => isIngredient(i) && Boolean(ingredient(i).softening));
  return (
    <li
      ref={(element) => {
        setNodeRef(element);
        card.current = element;
      }}
      style={{
        transform: transform ? `translate3d(0, ${Math.round(transform.y)}px, 0)` : undefined,
        transition,
      }}
      className={clsx(
        'rounded-sm border-2 bg-surface',
        inside || problem ? 'border-tomato' : 'border-ink',
        isDragging && 'relative z-30',
      )}
    >
      {heads && (
        <p className="bg-ink px-4 py-0.5 text-[15px] text-ground">
          {step.in ? say('In “{pan}”', { pan: step.in }) : say('In the pot')}
        </p>
      )}
      <div className="flex items-stretch">
        <button
          type="button"
          aria-label={say('Move step {index}, {verb}', { index: index + 1, verb })}
          className="grid w-12 shrink-0 cursor-grab touch-none place-items-center"
          {...attributes}
          {...listeners}
        >
          <GripVertical aria-hidden />
        </button>
        <button
          type="button"
          aria-expanded={open}
          onClick={onToggle}
          className="flex min-h-14 min-w-0 flex-1 items-center gap-3 py-1 text-left"
        >
          <span className="figures w-7 shrink-0 text-right text-quiet">{index + 1}</span>
          <span className="min-w-0 flex-1 leading-tight">
            <b>{verb}</b>
            <span data-own className="block truncate text-[15px] text-quiet">
              {summary(step as StepFields, say)}
            </span>
          </span>
          {(inside || problem) && !open && <span className="font-bold text-tomato">{say('look here')}</span>}
          <span className="grid w-12 place-items-center">
            {open ? <ChevronUp aria-hidden /> : <ChevronDown aria-hidden />}
          </span>
        </button>
      </div>
      {open && (
        <div className="border-rule border-t px-4 pt-2 pb-4">
          {problem && (
            <p role="alert" className="py-2 font-bold text-tomato">
              {problem}
            </p>
          )}
          {(pans.length > 0 || step.in) && (
            <PanPick
              id={`${id}-in`}
              label={say(step.kind === 'pour' ? message('Into') : message('Done in'))}
              names={pans.map((p) => p.name)}
              {...register(`steps.${index}.in`)}
              problem={problemAt(`steps.${index}.in`)}
            />
          )}
          {holds === 'items' && <ItemList step={index} problemAt={problemAt} />}
          {holds && holds !== 'items' && (
            <ul>
              {holds.map((key) =>
                step[key] ? (
                  <ItemRow
                    key={key}
                    path={`steps.${index}.${key}`}
                    label={say(SINGLE[key])}
                    problemAt={problemAt}
                  />
                ) : null,
              )}
            </ul>
          )}
          <div className="mt-3 grid grid-cols-2 items-end gap-3 min-[1100px]:grid-cols-3">
            {FORMS[step.kind].asks.map((ask) => {
              const path = `steps.${index}.values.${ask.key}` as const;
              const askId = `${id}-${ask.key}`;
              if (ask.as === 'tick')
                return <Tick key={ask.key} id={askId} label={say(ask.words)} {...register(path)} />;
              if (ask.as === 'pan')
                return (
                  <PanPick
                    key={ask.key}
                    id={askId}
                    label={say(ask.words)}
                    names={pans.map((p) => p.name)}
                    {...register(path)}
                    problem={problemAt(path)}
                  />
                );
              if (ask.as === 'pieces') {
                return used.length > 0 ? (
                  <fieldset key={ask.key} className="col-span-full">
                    <legend className="font-bold">{say(ask.words)}</legend>
                    <div className="flex flex-wrap gap-x-5">
                      {goesOf(used).map(({ name: i, words }) => (
                        <Tick key={i} id={`${askId}-${i}`} label={say(words)} value={i} {...register(path)} />
                      ))}
                    </div>
                  </fieldset>
                ) : null;
              }
              if (ask.as === 'choice') {
                return (
                  <Pick
                    key={ask.key}
                    id={askId}
                    label={say(ask.words)}
                    {...register(path)}
                    problem={problemAt(path)}
                  >
                    {ask.optional && <option value="">{say('as it is')}</option>}
                    {ask.options.map((o) => (
                      <option key={o.value} value={o.value}>
                        {say(o.words)}
                      </option>
                    ))}
                  </Pick>
                );
              }
              const hint =
                ask.as === 'text' ? say(ask.hint) : ask.optional ? say(ask.empty ?? message('none')) : '';
              if (ask.unit === '°C')
                return (
                  <MetricInput
                    key={ask.key}
                    id={askId}
                    name={path}
                    words={message('{field}, {unit}', { field: ask.words })}
                    what="celsius"
                    placeholder={hint}
                    inputMode={ask.as === 'text' ? 'text' : 'decimal'}
                    problem={problemAt(path)}
                    className="figures"
                  />
                );
              return (
                <Field
                  key={ask.key}
                  id={askId}
                  label={
                    ask.as === 'number' && ask.unit
                      ? say('{field}, {unit}', { field: ask.words, unit: ask.unit })
                      : say(ask.words)
                  }
                  placeholder={hint}
                  inputMode={ask.as === 'number' ? 'decimal' : 'text'}
                  {...register(path)}
                  problem={problemAt(path)}
                  className="figures"
                />
              );
            })}
            <div className="col-span-full">
              <Field
                id={`${id}-look`}
                label={say('What to look for')}
                placeholder={say('bubbles at the rim; stir the bottom')}
                {...register(`steps.${index}.look`)}
                problem={problemAt(`steps.${index}.look`)}
              />
            </div>
          </div>
          <div className="mt-3 flex flex-wrap gap-2">
            <button type="button" className={BUTTON} disabled={index === 0} onClick={() => onMove(index - 1)}>
              <ChevronUp size={20} aria-hidden /> {say('Up')}
            </button>
            <button
              type="button"
              className={BUTTON}
              disabled={index === count - 1}
              onClick={() => onMove(index + 1)}
            >
              <ChevronDown size={20} aria-hidden /> {say('Down')}
            </button>
            <button type="button" className={BUTTON} onClick={onCopy}>
              <Copy size={20} aria-hidden /> {say('Copy')}
            </button>
            <button type="button" className={BUTTON} disabled={count === 1} onClick={onRemove}>
              <Trash2 size={20} aria-hidden /> {say('Take out')}
            </button>
          </div>
        </div>
      )}
    </li>
  );
}
