'use client';

import { clsx } from 'clsx';
import { useState } from 'react';
import { REGIONS } from '../../core/kitchen/begin';
import { type Message, message } from '../../core/message/message';
import type { RuleSetId } from '../../core/safety/rules';
import { typedNumber } from '../../core/units/typed/parse';
import { Field } from '../shared/form/Field';
import { Form } from '../shared/form/Form';
import { useSay } from '../shared/hooks/useSay';
import { BUTTON } from '../shared/styles';

export const BIG =
  'min-h-22 rounded-sm border-2 border-ink px-4 py-3 text-left text-[20px] leading-tight hover:bg-butter/25';

/** A list with one of it taken out where it is in, put in where it is not. */
export const toggled = <T extends { readonly id: string }>(all: readonly T[], one: T): readonly T[] =>
  all.some((o) => o.id === one.id) ? all.filter((o) => o.id !== one.id) : [...all, one];

type Option<T> = { readonly value: T; readonly words: Message; readonly aside?: Message };

/** Large answers of which one is tapped. */
function Answers<T>({
  options,
  value,
  onPick,
}: {
  readonly options: readonly Option<T>[];
  readonly value: T | undefined;
  readonly onPick: (value: T) => void;
}) {
  const say = useSay();
  return (
    <ul className="grid gap-3 min-[720px]:grid-cols-2 min-[1100px]:grid-cols-3">
      {options.map((o) => (
        <li key={String(o.value)}>
          <button
            type="button"
            aria-pressed={value === o.value}
            onClick={() => onPick(o.value)}
            className={clsx(
              BIG,
              'w-full',
              value === o.value ? 'bg-butter text-on-butter hover:bg-butter' : 'bg-surface',
            )}
          >
            <b>{say(o.words)}</b>
            {o.aside && <span className="block text-[16px]">{say(o.aside)}</span>}
          </button>
        </li>
      ))}
    </ul>
  );
}

type Picked<T> = { readonly value: T | undefined; readonly onPick: (value: T) => void };

function Region(props: Picked<RuleSetId>) {
  return (
    <Answers
      {...props}
      options={REGIONS.map((r) => ({
        value: r.id,
        words: r.words,
        aside: message('{volume, select, gal {quarts and °F} other {litres and °C}}, prices in {currency}', {
          volume: r.show.volume,
          currency: r.currency,
        }),
      }))}
    />
  );
}

function Measures(props: Picked<'scale' | 'spoons'>) {
  return (
    <Answers
      {...props}
      options={[
        { value: 'scale' as const, words: message('On a scale'), aside: message('in grams or ounces') },
        {
          value: 'spoons' as const,
          words: message('By spoons and cups'),
          aside: message('filled as they come'),
        },
      ]}
    />
  );
}

const HEIGHTS = [0, 300, 600, 1000, 1600, 2200] as const;

function Height({ value, onPick }: Picked<number>) {
  const say = useSay();
  const [typed, setTyped] = useState('');
  const [problem, setProblem] = useState<string | undefined>();
  return (
    <div className="grid gap-5">
      <Answers
        value={value}
        onPick={onPick}
        options={HEIGHTS.map((m) => ({
          value: m,
          words: m === 0 ? message('By the sea') : message('About {m} m', { m }),
        }))}
      />
      <Form
        className="flex flex-wrap items-end gap-3"
        onSubmit={() => {
          const m = typedNumber(typed);
          if (typeof m === 'number' && m >= -500 && m <= 5000) onPick(m);
          else setProblem(say('a height is a number from −500 to 5000 m'));
        }}
      >
        <Field
          id="begin-height"
          label={say('Or exactly, m')}
          inputMode="numeric"
          value={typed}
          onChange={(e) => setTyped(e.target.value)}
          problem={problem}
        />
        <button type="submit" className={BUTTON}>
          {say('Take it')}
        </button>
      </Form>
    </div>
  );
}

/** What it is called. */
export function NameAsked({
  value,
  onName,
}: {
  readonly value: string;
  readonly onName: (name: string) => void;
}) {
  const say = useSay();
  return (
    <Field
      id="begin-name"
      label={say('Name of the kitchen')}
      value={value}
      maxLength={60}
      onChange={(e) => onName(e.target.value)}
    />
  );
}

/** Questions with a handful of answers. */
export const Chosen = { Region, Measures, Height };
