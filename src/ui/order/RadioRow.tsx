import { Check } from 'lucide-react';
import type { ReactNode } from 'react';

type Props = {
  /** What the group is of: its radios share the name. */
  readonly name: string;
  readonly id: string;
  readonly on: boolean;
  readonly onTake: () => void;
  readonly aside?: ReactNode;
  readonly children: ReactNode;
};

/** One of several things to take, as wide as the sheet: a tick, what it is, and how it fits. */
export function RadioRow({ name, id, on, onTake, aside, children }: Props) {
  return (
    <label
      htmlFor={`${name}-${id}`}
      className="flex min-h-14 cursor-pointer flex-wrap items-center gap-x-3 border-rule border-b px-4 py-2 last:border-b-0 hover:bg-butter/25 has-focus-visible:bg-butter has-focus-visible:text-on-butter"
    >
      <input
        type="radio"
        id={`${name}-${id}`}
        name={name}
        checked={on}
        onChange={onTake}
        className="sr-only"
      />
      <span className="w-6 shrink-0">{on && <Check size={22} aria-hidden />}</span>
      <span className="min-w-0 flex-1 basis-60">{children}</span>
      {aside && <span className="max-[720px]:basis-full max-[720px]:pl-9">{aside}</span>}
    </label>
  );
}
