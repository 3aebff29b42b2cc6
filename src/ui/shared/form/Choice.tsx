'use client';

import { clsx } from 'clsx';
import { Check } from 'lucide-react';
import { type KeyboardEvent, useId, useState } from 'react';
import type { Message } from '../../../core/message/message';
import { useSay } from '../hooks/useSay';
import { Sheet } from '../Sheet';
import { FIELD } from '../styles';
import { findIn } from './findIn';

export type ChoiceOption<T extends string> = {
  readonly value: T;
  readonly words: Message | string;
  readonly aside?: Message | string;
};

/** Class of every underlined part of the sentence. */
export const PART =
  'inline-block cursor-pointer border-butter border-b-4 font-bold leading-[1.15] text-ink max-[1100px]:min-h-11 max-[1100px]:min-w-11 max-[1100px]:pt-4 hover:bg-butter/25 data-[state=open]:bg-butter/40';

type Props<T extends string> = {
  readonly label: string;
  readonly value: T;
  readonly words: Message | string;
  readonly options: readonly ChoiceOption<T>[];
  readonly onChange: (value: T) => void;
};

/** Of more than this many, one is found by a word of it; and no more than this many are listed. */
const LONG = 16;
const MOST = 60;

/**
 * An underlined part of the sentence that opens a list of what else it could say. A tap chooses and closes; arrows
 * try out, Enter closes.
 */
export function Choice<T extends string>({ label, value, words, options, onChange }: Props<T>) {
  const [open, setOpen] = useState(false);
  const name = useId();
  const [asked, setAsked] = useState('');
  const say = useSay();
  const found = asked
    ? options.filter((o) => findIn([say.either(o.words), say.either(o.aside ?? '')], asked))
    : options;
  const shown = say.either(words);
  const onKeyDown = (e: KeyboardEvent) => {
    if (e.key === 'Enter') setOpen(false);
  };
  return (
    <Sheet
      open={open}
      onOpenChange={(now) => {
        setOpen(now);
        setAsked('');
      }}
      title={label}
      trigger={shown}
      label={`${label}: ${shown}`}
      triggerClass={PART}
    >
      {options.length > LONG && (
        <div className="sticky top-0 z-10 border-ink border-b-2 bg-surface p-3">
          <input
            type="search"
            value={asked}
            onChange={(e) => setAsked(e.target.value)}
            aria-label={say('Find')}
            placeholder={say('Find')}
            className={FIELD}
          />
        </div>
      )}
      <div role="radiogroup" aria-label={label} onKeyDown={onKeyDown}>
        {found.slice(0, MOST).map((o) => (
          <label
            key={o.value}
            htmlFor={`${name}-${o.value}`}
            className={clsx(
              'flex min-h-14 cursor-pointer items-center gap-3 border-rule border-b px-4 py-2 last:border-b-0 has-focus-visible:bg-butter has-focus-visible:text-on-butter',
              'hover:bg-butter hover:text-on-butter',
            )}
          >
            <input
              type="radio"
              id={`${name}-${o.value}`}
              name={name}
              checked={o.value === value}
              onChange={() => onChange(o.value)}
              onClick={(e) => e.detail > 0 && setOpen(false)}
              className="sr-only"
            />
            <span className="w-6 shrink-0">{o.value === value && <Check size={22} aria-hidden />}</span>
            <span>
              {say.either(o.words)}
              {o.aside && <span className="block text-[15px]">{say.either(o.aside)}</span>}
            </span>
          </label>
        ))}
        {found.length > MOST && (
          <p className="px-4 py-3 text-quiet">
            {say('{count} more: type a word of it', { count: found.length - MOST })}
          </p>
        )}
        {found.length === 0 && <p className="px-4 py-3">{say('None has “{asked}” in it.', { asked })}</p>}
      </div>
    </Sheet>
  );
}
