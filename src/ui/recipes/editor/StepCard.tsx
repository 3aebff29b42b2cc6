'use client';

import { useSortable } from '@dnd-kit/sortable';
import { clsx } from 'clsx';
import { ChevronDown, ChevronUp, Copy, GripVertical, Trash2 } from 'lucide-react';
import { useEffect, useRef } from 'react';
import { useFormContext, useWatch } from 'react-hook-form';
import { ingredient, isIngredient } from '../../../core/food/catalogue';
import { stepVerb } from '../../../core/formats/recipeWords';
import { type Message, message } from '../../../core/say/message';
import { term } from '../../../core/say/term';
import { Field, Pick, Tick } from '../../shared/form/Field';
import { BUTTON } from '../../shared/styles';
import { type Say, useSay } from '../../shared/useSay';
import type { RecipeForm, StepForm } from './form/form';
import { ASKS, HOLDS } from './form/spec';
import { ItemList, ItemRow } from './Items';

const shortName = (id: string, say: Say): string =>
  isIngredient(id)
    ? say('{what}', { what: { within: term(ingredient(id).name.split(',')[0] ?? id) } })
    : id || '…';

/** A step in a line: "butter 150 g, leek 450 g · 9 min". */
function summary(f: StepForm, say: Say): string {
  const portions = [f.fat, f.flour, f.thickener, f.carrier, ...f.items].flatMap((i) =>
    i ? [`${shortName(i.ingredient, say)} ${i.amount}`] : [],
  );
  const { minutes, to, fraction, at } = f.values;
  const more = [
    minutes ? say('{minutes} min', { minutes: String(minutes) }) : '',
    to
      ? Number.isNaN(Number(to))
        ? say('to {to}', { to: term(String(to)) })
        : say('to {to} °C', { to: String(to) })
      : '',
    fraction ? say(term(String(fraction))) : '',
    at ? say('at {at} °C', { at: String(at) }) : '',
  ].filter(Boolean);
  return [portions.join(', '), more.join(', ')].filter(Boolean).join(' · ');
}

/** What may be lifted out, each ingredient once, and each go of it where it went in more than once. */
function goesOf(used: readonly string[]): readonly { readonly name: string; readonly words: Message }[] {
  return [...new Set(used)].flatMap((id) => {
    const { name } = ingredient(id);
    const goes = used.filter((u) => u === id).length;
    const each = Array.from({ length: goes }, (_, n) => ({
      name: `${id}#${n + 1}`,
      words: message('{name}, go {n}', { name: term(name), n: n + 1 }),
    }));
    return [{ name: id, words: term(name) }, ...(goes > 1 ? each : [])];
  });
}

type Props = {
  readonly sortId: string;
  readonly index: number;
  readonly count: number;
  readonly open: boolean;
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
  carrier: message('Carried in'),
} as const;

/** One step: closed a line, open its short form. Dragged by its grip, or moved by keys. */
export function StepCard({
  sortId,
  index,
  count,
  open,
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
  const holds = HOLDS[step.kind];
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
            <span className="block truncate text-[15px] text-quiet">{summary(step as StepForm, say)}</span>
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
            {ASKS[step.kind].map((ask) => {
              const path = `steps.${index}.values.${ask.key}` as const;
              const askId = `${id}-${ask.key}`;
              if (ask.as === 'tick')
                return <Tick key={ask.key} id={askId} label={say(ask.words)} {...register(path)} />;
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
              return (
                <Field
                  key={ask.key}
                  id={askId}
                  label={
                    ask.as === 'number' && ask.unit
                      ? say('{field}, {unit}', { field: ask.words, unit: ask.unit })
                      : say(ask.words)
                  }
                  placeholder={
                    ask.as === 'text' ? say(ask.hint) : ask.optional ? say(ask.empty ?? message('none')) : ''
                  }
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
