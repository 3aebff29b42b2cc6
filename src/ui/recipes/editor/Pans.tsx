'use client';

import { Plus, Trash2 } from 'lucide-react';
import { useFieldArray, useFormContext, useWatch } from 'react-hook-form';
import { message } from '../../../core/message/message';
import { KEPT_AS, PAN_KINDS, type PanKind } from '../../../core/pot/pans/pan';
import { Field, Pick } from '../../shared/form/Field';
import { useSay } from '../../shared/hooks/useSay';
import { BUTTON } from '../../shared/styles';
import type { RecipeForm } from './form/form';

/** What each kind of pan is. */
const KIND_WORDS: Readonly<Record<PanKind, ReturnType<typeof message>>> = {
  pot: message('a pot on a burner'),
  pan: message('a pan on a burner'),
  tray: message('a tray in the oven'),
  bowl: message('a bowl on the bench'),
};

const KEPT_WORDS = {
  left: message('left to stand'),
  warm: message('kept warm'),
  cold: message('kept cold'),
} as const;

/** A name for the next pan of a kind that no other has. */
function nameFor(kind: string, taken: readonly string[]): string {
  for (let n = 1; ; n++) {
    const name = n === 1 ? kind : `${kind} ${n}`;
    if (!taken.includes(name)) return name;
  }
}

/** The pans beside the pot: named, told what they are, taken out. Steps are dragged into them, or say where they are done. */
export function Pans({ problemAt }: { readonly problemAt: (path: string) => string | undefined }) {
  const say = useSay();
  const { control, setValue, getValues } = useFormContext<RecipeForm>();
  const { fields, append, remove } = useFieldArray({ control, name: 'pans' });
  const pans = useWatch({ control, name: 'pans' });
  /** A pan renamed takes its steps with it. */
  const renamed = (was: string, is: string) => {
    for (const [n, s] of getValues('steps').entries()) {
      if (s.in === was) setValue(`steps.${n}.in`, is, { shouldDirty: true });
      if (s.kind === 'pour' && s.values.from === was)
        setValue(`steps.${n}.values.from`, is, { shouldDirty: true });
    }
  };
  const takeOut = (n: number) => {
    const { name } = getValues(`pans.${n}`);
    renamed(name, '');
    remove(n);
  };
  return (
    <section
      aria-label={say('Pans beside the pot')}
      className="mt-3 rounded-sm border-2 border-ink bg-surface"
    >
      <div className="flex min-h-14 flex-wrap items-center gap-3 px-4 py-1">
        <b>{say('Pans beside the pot')}</b>
        <span className="min-w-0 flex-1 text-quiet">
          {fields.length === 0 && say('none: all of it is made in one pot')}
        </span>
        <button
          type="button"
          className={BUTTON}
          onClick={() =>
            append({
              name: nameFor(
                say('pan'),
                pans.map((p) => p.name),
              ),
              as: 'pan',
              kept: '',
            })
          }
        >
          <Plus size={20} aria-hidden /> {say('Pan')}
        </button>
      </div>
      {fields.length > 0 && (
        <ul className="border-rule border-t">
          {fields.map((f, n) => (
            <PanRow key={f.id} n={n} problemAt={problemAt} onName={renamed} onRemove={() => takeOut(n)} />
          ))}
        </ul>
      )}
    </section>
  );
}

type RowProps = {
  readonly n: number;
  readonly problemAt: (path: string) => string | undefined;
  readonly onName: (was: string, is: string) => void;
  readonly onRemove: () => void;
};

function PanRow({ n, problemAt, onName, onRemove }: RowProps) {
  const say = useSay();
  const { control, register, getValues } = useFormContext<RecipeForm>();
  const pan = useWatch({ control, name: `pans.${n}` });
  const { onBlur, ...name } = register(`pans.${n}.name`);
  return (
    <li className="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)_minmax(0,1fr)_auto] items-end gap-3 border-rule border-b px-4 py-2 last:border-b-0 max-[720px]:grid-cols-2">
      <Field
        id={`pan-${n}-name`}
        label={say('Called')}
        {...name}
        onChange={(e) => {
          onName(getValues(`pans.${n}.name`), e.target.value);
          return name.onChange(e);
        }}
        onBlur={onBlur}
        problem={problemAt(`pans.${n}.name`)}
      />
      <Pick id={`pan-${n}-as`} label={say('It is')} {...register(`pans.${n}.as`)}>
        {PAN_KINDS.map((k) => (
          <option key={k} value={k}>
            {say(KIND_WORDS[k])}
          </option>
        ))}
      </Pick>
      {pan?.as === 'bowl' ? (
        <Pick id={`pan-${n}-kept`} label={say('What waits in it is')} {...register(`pans.${n}.kept`)}>
          {KEPT_AS.map((k) => (
            <option key={k} value={k === 'left' ? '' : k}>
              {say(KEPT_WORDS[k])}
            </option>
          ))}
        </Pick>
      ) : (
        <span />
      )}
      <button
        type="button"
        className={BUTTON}
        aria-label={say('Take “{name}” out', { name: pan?.name ?? '' })}
        onClick={onRemove}
      >
        <Trash2 size={20} aria-hidden />
      </button>
    </li>
  );
}
