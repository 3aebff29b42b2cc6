'use client';

import { Trash2 } from 'lucide-react';
import type { ComponentProps } from 'react';
import { Field } from '../shared/form/Field';
import { useSay } from '../shared/hooks/useSay';

type Props = ComponentProps<typeof Field> & {
  /** What is taken out, by name. */
  readonly what: string;
  /** The last of its kind stays. */
  readonly only: boolean;
  readonly onRemove: () => void;
};

/** The name of a pot or burner, and the way to take it out. */
export function NameRow({ what, only, onRemove, ...field }: Props) {
  const say = useSay();
  return (
    <div className="flex items-end gap-2">
      <div className="flex-1">
        <Field {...field} />
      </div>
      <button
        type="button"
        aria-label={say('Take out {what}', { what })}
        disabled={only}
        onClick={onRemove}
        className="grid size-14 shrink-0 place-items-center rounded-sm border-2 border-ink disabled:opacity-40"
      >
        <Trash2 size={22} aria-hidden />
      </button>
    </div>
  );
}
