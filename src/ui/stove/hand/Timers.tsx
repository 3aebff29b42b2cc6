'use client';

import { BellRing, Timer as TimerIcon } from 'lucide-react';
import { useState } from 'react';
import type { EventBody } from '../../../core/batch/events';
import type { Timer } from '../../../core/batch/state';
import { countdown } from '../../../core/units/clock';
import { parseNumber } from '../../../core/units/typed/parse';
import { Field } from '../../shared/form/Field';
import { Form } from '../../shared/form/Form';
import { useSay } from '../../shared/hooks/useSay';
import { Sheet } from '../../shared/Sheet';
import { BUTTON, PRIMARY } from '../../shared/styles';

const MINUTES = [1, 2, 3, 5, 8, 10, 15, 20, 30, 45] as const;

type Props = {
  readonly timers: readonly Timer[];
  /** Name a timer is offered with. */
  readonly name: string;
  readonly now: number | null;
  readonly open: boolean;
  readonly onOpen: (open: boolean) => void;
  readonly write: (body: EventBody) => void;
};

/** The named timers of a pot: each counts on past its time until it is stopped; a new one in two taps. */
export function Timers({ timers, name, now, open, onOpen, write }: Props) {
  const say = useSay();
  return (
    <div className="flex flex-wrap items-center gap-2">
      {timers.map((t) => {
        const left = now === null ? null : (t.endsAt - now) / 1000;
        const rings = left !== null && left <= 0;
        return (
          <button
            key={t.id}
            type="button"
            onClick={() => write({ kind: 'timer-stopped', timer: t.id })}
            aria-label={say('Stop the timer {name}', { name: t.name })}
            className={`${BUTTON} ${rings ? 'bg-butter text-on-butter' : ''}`}
          >
            {rings ? <BellRing aria-hidden /> : <TimerIcon aria-hidden />}
            <span className="max-w-40 truncate">{t.name}</span>
            <b className="figures text-[22px]">{left === null ? '··:··' : countdown(left)}</b>
          </button>
        );
      })}
      <Sheet
        open={open}
        onOpenChange={onOpen}
        title={say('A timer')}
        trigger={
          <>
            <TimerIcon aria-hidden /> {say('Timer')}
          </>
        }
        triggerClass={BUTTON}
      >
        <NewTimer
          name={name}
          onStart={(body) => {
            write(body);
            onOpen(false);
          }}
        />
      </Sheet>
    </div>
  );
}

function NewTimer({ name: offered, onStart }: { name: string; onStart: (body: EventBody) => void }) {
  const say = useSay();
  const [name, setName] = useState(offered);
  const [text, setText] = useState('');
  const [tried, setTried] = useState(false);
  const minutes = parseNumber(text);
  const possible = minutes >= 0.1 && minutes <= 1440;
  const start = (m: number) =>
    onStart({ kind: 'timer-started', name: name.trim() || offered, seconds: Math.round(m * 60) });
  return (
    <Form
      onSubmit={() => {
        setTried(true);
        if (possible) start(minutes);
      }}
    >
      <fieldset className="grid grid-cols-5 gap-2">
        <legend className="mb-1 font-bold">{say('Minutes')}</legend>
        {MINUTES.map((m) => (
          <button
            key={m}
            type="button"
            onClick={() => start(m)}
            className={`${BUTTON} figures px-1 text-[24px]`}
          >
            {m}
          </button>
        ))}
      </fieldset>
      <Field
        id="timer-name"
        label={say('For')}
        value={name}
        maxLength={60}
        onChange={(e) => setName(e.target.value)}
      />
      <div className="grid grid-cols-[1fr_auto] items-end gap-2">
        <Field
          id="timer-minutes"
          label={say('Or another time, min')}
          inputMode="decimal"
          value={text}
          onChange={(e) => setText(e.target.value)}
          problem={
            tried && !possible
              ? say('“{text}” cannot be: minutes are from 0.1 to 1440.', { text })
              : undefined
          }
          className="figures text-right font-bold text-[24px]"
        />
        <button type="submit" className={PRIMARY}>
          {say('Start')}
        </button>
      </div>
    </Form>
  );
}
