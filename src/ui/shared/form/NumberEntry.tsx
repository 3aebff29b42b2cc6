'use client';

import { Delete } from 'lucide-react';
import { useId, useState } from 'react';
import { spaced } from '../../../core/units/shown/format';
import { typedNumber } from '../../../core/units/typed/parse';
import { useSay } from '../hooks/useSay';
import { BUTTON, PRIMARY } from '../styles';
import { Form } from './Form';

export type Asked = {
  /** What is read: "Temperature". */
  readonly what: string;
  readonly unit: string;
  /** What may be written, in the unit shown. */
  readonly from: number;
  readonly to: number;
  readonly decimals: number;
  /** Values at hand, one tap each. */
  readonly near: readonly number[];
  /** What a device shows now, to be taken over with one tap. */
  readonly device?: { readonly name: string; readonly value: number } | null;
};

const KEYS = ['1', '2', '3', '4', '5', '6', '7', '8', '9', '0', '.'] as const;

/** A figure in two taps: what a device shows, or one near what is expected; or typed on large keys. */
export function NumberEntry({ asked, onTake }: { asked: Asked; onTake: (value: number) => void }) {
  const say = useSay();
  const { what, unit, from, to } = asked;
  const [text, setText] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const id = useId();
  const change = (to: string) => {
    setText(to);
    setProblem(null);
  };
  const take = () => {
    const value = typedNumber(text);
    if (typeof value !== 'number' || value < from || value > to) {
      setProblem(
        text.trim() === ''
          ? say('Write a number from {from} to {to} {unit}.', { from: spaced(from), to: spaced(to), unit })
          : say('“{text} {unit}” cannot be: {what} is a number from {from} to {to} {unit}.', {
              text,
              unit,
              what: what.toLowerCase(),
              from: spaced(from),
              to: spaced(to),
            }),
      );
      document.getElementById(id)?.focus();
      return;
    }
    onTake(value);
  };
  return (
    <Form className="grid gap-3 p-4" onSubmit={take}>
      <AtHand asked={asked} onTake={onTake} />
      <label htmlFor={id} className="font-bold">
        {what}, {unit}
      </label>
      <div className="grid grid-cols-4 gap-2">
        <input
          id={id}
          inputMode="decimal"
          autoComplete="off"
          value={text}
          onChange={(e) => change(e.target.value)}
          aria-invalid={problem !== null}
          aria-describedby={problem ? `${id}-problem` : undefined}
          className="figures col-span-3 h-16 min-w-0 rounded-sm border-2 border-ink bg-surface px-3 text-right font-bold text-[34px] aria-invalid:border-tomato"
        />
        <button
          type="button"
          aria-label={say('Delete the last digit')}
          onClick={() => change(text.slice(0, -1))}
          className={BUTTON}
        >
          <Delete aria-hidden />
        </button>
        <Keys onKey={(k) => change(text + k)} />
        <button type="submit" className={`${PRIMARY} px-1 text-[20px]`}>
          {say('Write')}
        </button>
      </div>
      {problem && (
        <p id={`${id}-problem`} role="alert" className="font-bold text-tomato">
          {problem}
        </p>
      )}
    </Form>
  );
}

/** What a device shows, and what is near what is expected: a tap each. */
function AtHand({ asked, onTake }: { asked: Asked; onTake: (value: number) => void }) {
  const say = useSay();
  const { unit, decimals, near, device } = asked;
  return (
    <>
      {device && (
        <button
          type="button"
          onClick={() => onTake(device.value)}
          className={`${PRIMARY} min-h-20 justify-between text-[19px]`}
        >
          {say.rich('{name} shows<b>{value} {unit}</b>', {
            b: (text) => <b className="figures text-[34px]">{text}</b>,
            name: device.name,
            value: spaced(device.value, decimals),
            unit,
          })}
        </button>
      )}
      {near.length > 0 && (
        <fieldset>
          <legend className="mb-1 text-quiet">{say('Near what is expected')}</legend>
          <div className="grid grid-cols-5 gap-2">
            {near.map((v) => (
              <button
                key={v}
                type="button"
                onClick={() => onTake(v)}
                className={`${BUTTON} figures px-1 text-[22px]`}
              >
                {spaced(v, decimals)}
              </button>
            ))}
          </div>
        </fieldset>
      )}
    </>
  );
}

function Keys({ onKey }: { readonly onKey: (key: string) => void }) {
  return (
    <div className="col-span-3 grid grid-cols-3 gap-2">
      {KEYS.map((k) => (
        <button
          key={k}
          type="button"
          onClick={() => onKey(k)}
          className={`${BUTTON} figures text-[24px] ${k === '0' ? 'col-span-2' : ''}`}
        >
          {k}
        </button>
      ))}
    </div>
  );
}

/** `count` round values about `around`, `step` apart. */
export function nearby(around: number, step: number, from: number, to: number, count = 5): readonly number[] {
  const middle = Math.round(around / step) * step;
  const half = Math.floor(count / 2);
  return Array.from(
    { length: count },
    (_, n) => Math.round((middle + (n - half) * step) * 1000) / 1000,
  ).filter((v) => v >= from && v <= to);
}
