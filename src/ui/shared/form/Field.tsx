'use client';

import type { ComponentProps, ReactNode } from 'react';
import { FIELD } from '../styles';

type Shared = {
  readonly id: string;
  readonly label: ReactNode;
  readonly hideLabel?: boolean;
  readonly problem?: string | undefined;
  /** What may be written, under the field. */
  readonly hint?: string | undefined;
};

/** What every control of a field carries: its id, whether it is wrong, and what says so. */
const marks = ({ id, problem, hint }: Pick<Shared, 'id' | 'problem' | 'hint'>) => ({
  id,
  'aria-invalid': problem !== undefined,
  'aria-describedby':
    [problem && `${id}-problem`, hint && `${id}-hint`].filter(Boolean).join(' ') || undefined,
});

function Around({
  id,
  label,
  hideLabel,
  problem,
  hint,
  children,
}: Shared & { readonly children: ReactNode }) {
  return (
    <div className="min-w-0">
      <label htmlFor={id} className={hideLabel ? 'sr-only' : 'mb-1 block font-bold leading-tight'}>
        {label}
      </label>
      {children}
      {hint && (
        <p id={`${id}-hint`} className="mt-1 text-[15px] text-quiet">
          {hint}
        </p>
      )}
      {problem && (
        <p id={`${id}-problem`} role="alert" className="mt-1 font-bold text-[15px] text-tomato">
          {problem}
        </p>
      )}
    </div>
  );
}

/** A labelled line to type in; what is wrong with it stands under it and stays as typed. */
export function Field({
  id,
  label,
  hideLabel,
  problem,
  hint,
  className = '',
  ...input
}: Shared & ComponentProps<'input'>) {
  return (
    <Around id={id} label={label} hideLabel={hideLabel ?? false} problem={problem} {...(hint && { hint })}>
      <input {...input} {...marks({ id, problem, hint })} className={`${FIELD} ${className}`} />
    </Around>
  );
}

/** A labelled list to pick one of. */
export function Pick({
  id,
  label,
  hideLabel,
  problem,
  hint,
  children,
  className = '',
  ...select
}: Shared & ComponentProps<'select'>) {
  return (
    <Around id={id} label={label} hideLabel={hideLabel ?? false} problem={problem} {...(hint && { hint })}>
      <select {...select} {...marks({ id, problem, hint })} className={`${FIELD} ${className}`}>
        {children}
      </select>
    </Around>
  );
}

/** A box to tick, its words beside it. */
export function Tick({
  id,
  label,
  ...input
}: { readonly id: string; readonly label: ReactNode } & ComponentProps<'input'>) {
  return (
    <label htmlFor={id} className="flex min-h-12 cursor-pointer items-center gap-3">
      <input
        id={id}
        type="checkbox"
        {...input}
        className="tick size-8 shrink-0 rounded-sm border-2 border-ink bg-surface"
      />
      <span className="min-w-0">{label}</span>
    </label>
  );
}
