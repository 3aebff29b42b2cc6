'use client';

import { useId, useState } from 'react';
import { ask, problemWords } from '../../device/line/api';
import { Field } from '../../shared/form/Field';
import { useSay } from '../../shared/hooks/useSay';
import { BUTTON } from '../../shared/styles';

/** The lead’s PIN: set, or set anew. What it is nothing shows. */
export function PinCard({ set, onSet }: { readonly set: boolean; readonly onSet: () => void }) {
  const say = useSay();
  const id = useId();
  const [pin, setPin] = useState('');
  const [said, setSaid] = useState<{ readonly words: string; readonly bad: boolean } | null>(null);
  const send = async () => {
    const answer = await ask('PUT /api/stations/pin', { body: { pin } });
    setSaid(
      answer.ok
        ? { words: say('The PIN is set: it is asked for from now on.'), bad: false }
        : { words: say(problemWords(answer.problems)), bad: true },
    );
    if (!answer.ok) return;
    setPin('');
    onSet();
  };
  return (
    <section
      aria-label={say('The lead’s PIN')}
      className="grid gap-3 rounded-sm border-2 border-ink bg-surface p-5"
    >
      <h2 className="font-bold text-[24px]">{say('The lead’s PIN')}</h2>
      <p>
        {set
          ? say('It is set. Lost, it is set anew at the kitchen’s machine: ./panache pin.')
          : say('None is set: on stations nobody can change recipes, the kitchen or its rules yet.')}
      </p>
      <div className="flex flex-wrap items-end gap-3">
        <div className="w-64 max-w-full">
          <Field
            id={`${id}-pin`}
            label={set ? say('Another PIN, four to twelve digits') : say('PIN, four to twelve digits')}
            type="password"
            inputMode="numeric"
            autoComplete="off"
            value={pin}
            onChange={(e) => {
              setSaid(null);
              setPin(e.target.value.replaceAll(/\D/g, '').slice(0, 12));
            }}
            problem={said?.bad ? said.words : undefined}
          />
        </div>
        <button type="button" disabled={pin.length < 4} className={BUTTON} onClick={() => void send()}>
          {set ? say('Set another') : say('Set it')}
        </button>
        {said && !said.bad && (
          <p role="status" className="self-center font-bold text-chive">
            {said.words}
          </p>
        )}
      </div>
    </section>
  );
}
