'use client';

import type { ComponentProps, ReactNode } from 'react';
import { useFormContext, useWatch } from 'react-hook-form';
import { ingredient, isIngredient } from '../../../core/food/catalogue';
import { message } from '../../../core/message/message';
import { FORMS } from '../../../core/pot/kinds/forms';
import { Field, Pick, Tick } from '../../shared/form/Field';
import { MetricInput } from '../../shared/form/MetricInput';
import { useSay } from '../../shared/hooks/useSay';
import type { RecipeForm } from './form/form';
import { goesOf } from './form/stepWords';
import { ItemList, ItemRow } from './Items';

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

type Asked = (typeof FORMS)[keyof typeof FORMS]['asks'][number];

type AskProps = {
  readonly ask: Asked;
  readonly step: number;
  readonly problemAt: (path: string) => string | undefined;
};

/** One thing a kind of step asks for, as it is typed, picked or ticked. */
function AskField({ ask, step, problemAt }: AskProps) {
  const say = useSay();
  const { register, control } = useFormContext<RecipeForm>();
  const names = useWatch({ control, name: 'pans' }).map((p) => p.name);
  const path = `steps.${step}.values.${ask.key}` as const;
  const askId = `step-${step}-${ask.key}`;
  if (ask.as === 'tick') return <Tick id={askId} label={say(ask.words)} {...register(path)} />;
  if (ask.as === 'pan')
    return (
      <PanPick
        id={askId}
        label={say(ask.words)}
        names={names}
        {...register(path)}
        problem={problemAt(path)}
      />
    );
  if (ask.as === 'pieces') return <Pieces ask={ask} step={step} />;
  if (ask.as === 'choice') {
    return (
      <Pick id={askId} label={say(ask.words)} {...register(path)} problem={problemAt(path)}>
        {ask.optional && <option value="">{say('as it is')}</option>}
        {ask.options.map((o) => (
          <option key={o.value} value={o.value}>
            {say(o.words)}
          </option>
        ))}
      </Pick>
    );
  }
  const hint = ask.as === 'text' ? say(ask.hint) : ask.optional ? say(ask.empty ?? message('none')) : '';
  if (ask.unit === '°C')
    return (
      <MetricInput
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
}

/** Which of the pieces that are in by now it is for. */
function Pieces({ ask, step }: Omit<AskProps, 'problemAt'>) {
  const say = useSay();
  const { register, control } = useFormContext<RecipeForm>();
  const path = `steps.${step}.values.${ask.key}` as const;
  const used = useWatch({ control, name: 'steps' })
    .slice(0, step)
    .flatMap((s) => s.items.map((i) => i.ingredient))
    .filter((i) => isIngredient(i) && Boolean(ingredient(i).softening));
  return used.length > 0 ? (
    <fieldset className="col-span-full">
      <legend className="font-bold">{say(ask.words)}</legend>
      <div className="flex flex-wrap gap-x-5">
        {goesOf(used).map(({ name: i, words }) => (
          <Tick
            key={i}
            id={`step-${step}-${ask.key}-${i}`}
            label={say(words)}
            value={i}
            {...register(path)}
          />
        ))}
      </div>
    </fieldset>
  ) : null;
}

type Props = {
  readonly index: number;
  readonly problem: string | undefined;
  readonly problemAt: (path: string) => string | undefined;
  /** What can be done with the step, under its fields. */
  readonly children: ReactNode;
};

/** The short form of a step: the pan it is done in, what goes in, what its kind asks for, what to look for. */
export function StepForm({ index, problem, problemAt, children }: Props) {
  const say = useSay();
  const { register, control } = useFormContext<RecipeForm>();
  const step = useWatch({ control, name: `steps.${index}` });
  const pans = useWatch({ control, name: 'pans' });
  const { holds } = FORMS[step.kind];
  const id = `step-${index}`;
  return (
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
        {FORMS[step.kind].asks.map((ask) => (
          <AskField key={ask.key} ask={ask} step={index} problemAt={problemAt} />
        ))}
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
      {children}
    </div>
  );
}
