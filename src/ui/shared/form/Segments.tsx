'use client';

import type { Message } from '../../../core/message/message';
import { useSay } from '../hooks/useSay';
import { segment } from '../styles';

type Props<T extends string> = {
  readonly label: string;
  readonly value: T;
  readonly options: readonly { readonly value: T; readonly words: Message | string }[];
  readonly onChange: (value: T) => void;
};

/** A few choices side by side, one of them on. */
export function Segments<T extends string>({ label, value, options, onChange }: Props<T>) {
  const say = useSay();
  return (
    <fieldset className="flex w-fit max-w-full shrink-0 flex-wrap overflow-hidden rounded-sm border-2 border-ink">
      <legend className="sr-only">{label}</legend>
      {options.map((o) => (
        <button
          key={o.value}
          type="button"
          aria-pressed={o.value === value}
          onClick={() => onChange(o.value)}
          className={segment(o.value === value)}
        >
          {say.either(o.words)}
        </button>
      ))}
    </fieldset>
  );
}
