'use client';

import { clsx } from 'clsx';
import { useState } from 'react';
import type { EventBody, GoesTo } from '../../../core/batch/events';
import { type Message, message } from '../../../core/message/message';
import type { RuleSet } from '../../../core/safety/rules';
import { parseNumber } from '../../../core/units/typed/parse';
import { MetricField } from '../../shared/form/MetricField';
import { useSay } from '../../shared/hooks/useSay';
import { BUTTON, PRIMARY } from '../../shared/styles';

const goesTo = ({ hot, cooling }: RuleSet): readonly { value: GoesTo; words: Message; aside: Message }[] => [
  { value: 'pass', words: message('All served'), aside: message('straight from the pot') },
  {
    value: 'hold',
    words: message('Hold it hot'),
    aside: message('never under {atLeast}', { atLeast: { celsius: hot.atLeast } }),
  },
  {
    value: 'cool',
    words: message('Cool it'),
    aside: message('{stages}', {
      stages: {
        listed: cooling.stages.map(({ to, seconds }) =>
          message('{to} in {hours} h', {
            to: { celsius: to },
            hours: Math.round((seconds / 3600) * 10) / 10,
          }),
        ),
      },
    }),
  },
  { value: 'bin', words: message('Throw it away'), aside: message('it cannot be served') },
];

type Props = {
  readonly level: number | null;
  readonly rules: RuleSet;
  readonly write: (body: EventBody) => void;
};

/** What came of the batch, how it tastes, and where it goes. */
export function Finish({ level, rules, write }: Props) {
  const say = useSay();
  const [typed, setTyped] = useState<string | null>(null);
  const [score, setScore] = useState<number | null>(null);
  const [note, setNote] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const text = typed ?? (level === null ? '' : (level / 1000).toFixed(1));
  const finish = (to: GoesTo) => {
    const l = parseNumber(text);
    if (text.trim() !== '' && !(l >= 0 && l <= 600)) {
      setProblem(
        say('“{text}” cannot be: yield is a number from 0 to {most}.', { text, most: { ml: 600_000 } }),
      );
      document.getElementById('end-yield')?.focus();
      return;
    }
    write({
      kind: 'finished',
      goesTo: to,
      ...(text.trim() !== '' && { yieldMl: Math.round(l * 1000) }),
      ...(score !== null && { score }),
      ...(note.trim() && { note: note.trim() }),
    });
  };
  return (
    <>
      <h1 className="mt-1 font-bold text-[clamp(34px,4.2vw,52px)] leading-tight">
        {say('On the pass: write it down')}
      </h1>
      <div className="mt-4 grid gap-5 min-[720px]:grid-cols-[14rem_1fr]">
        <MetricField
          id="end-yield"
          words={message('What came of it, {unit}')}
          what="litres"
          value={text}
          onValue={(metric) => {
            setTyped(metric);
            setProblem(null);
          }}
          problem={problem ?? undefined}
          hint={typed === null && level !== null ? say('by the model') : undefined}
          className="figures text-right font-bold text-[32px]"
        />
        <Tasted score={score} onScore={setScore} />
      </div>
      <label htmlFor="end-note" className="mt-4 mb-1 block font-bold">
        {say('For whoever cooks it next')}
      </label>
      <textarea
        id="end-note"
        value={note}
        maxLength={1000}
        rows={3}
        onChange={(e) => setNote(e.target.value)}
        className="w-full rounded-sm border-2 border-ink bg-surface p-3"
      />
      <Destinations rules={rules} onGoes={finish} />
    </>
  );
}

type Taste = { readonly score: number | null; readonly onScore: (score: number | null) => void };

function Tasted({ score, onScore }: Taste) {
  const say = useSay();
  return (
    <fieldset>
      <legend className="mb-1 font-bold">{say('How it tastes, 1 poor to 5 as it should')}</legend>
      <div className="flex gap-2">
        {[1, 2, 3, 4, 5].map((n) => (
          <button
            key={n}
            type="button"
            aria-pressed={score === n}
            onClick={() => onScore(score === n ? null : n)}
            className={clsx(
              'figures size-14 rounded-sm border-2 border-ink font-bold text-[26px]',
              score === n ? 'bg-ink text-surface' : 'bg-surface',
            )}
          >
            {n}
          </button>
        ))}
      </div>
    </fieldset>
  );
}

type Goes = Pick<Props, 'rules'> & { readonly onGoes: (to: GoesTo) => void };

function Destinations({ rules, onGoes }: Goes) {
  const say = useSay();
  return (
    <fieldset className="mt-4">
      <legend className="mb-1 font-bold">{say('Where it goes now')}</legend>
      <div className="grid gap-2 min-[560px]:grid-cols-2">
        {goesTo(rules).map((g, n) => (
          <button
            key={g.value}
            type="button"
            onClick={() => onGoes(g.value)}
            className={`${n === 0 ? PRIMARY : BUTTON} min-h-20 justify-start text-left`}
          >
            <span>
              <span className="block text-[22px] leading-tight">{say(g.words)}</span>
              <span className="block font-normal text-[16px]">{say(g.aside)}</span>
            </span>
          </button>
        ))}
      </div>
    </fieldset>
  );
}
