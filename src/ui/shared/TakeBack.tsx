'use client';

import { useState } from 'react';
import { type Message, message } from '../../core/message/message';
import { Field } from './form/Field';
import { Form } from './form/Form';
import { useSay } from './hooks/useSay';
import { Sheet } from './Sheet';
import { BUTTON, PRIMARY } from './styles';

/** Why a line is usually taken back, one tap each. */
const WHY: readonly Message[] = [
  message('a slip'),
  message('tapped twice'),
  message('wrong pot or pan'),
  message('wrong probe'),
];

type Props = {
  /** The line, said. */
  readonly what: string;
  readonly when: string;
  /** Its figure, where it has one that can be put right: what is typed in, and what it was. */
  readonly figure?: { readonly label: string; readonly was: string } | null;
  /** Takes it back, with the figure that stands in its place; what was typed wrong comes back as words. */
  readonly onTake: (why: string, instead: string | null) => string | undefined;
  readonly onClose: () => void;
};

/** A line taken back, or its figure put right: both stay in the record, with why. */
export function TakeBack({ what, when, figure, onTake, onClose }: Props) {
  const say = useSay();
  const [why, setWhy] = useState('');
  const [value, setValue] = useState('');
  const [problem, setProblem] = useState<{ field: 'why' | 'value'; says: string } | null>(null);
  const take = (reason: string) => {
    if (reason.trim() === '') return setProblem({ field: 'why', says: say('Say why in a word.') });
    const wrong = onTake(reason.trim(), value.trim() === '' ? null : value);
    if (wrong) setProblem({ field: 'value', says: wrong });
    else onClose();
  };
  return (
    <Sheet open onOpenChange={(open) => open || onClose()} title={say('Take it back')}>
      <Form
        onSubmit={() => {
          take(why);
        }}
      >
        <p className="text-[20px] leading-tight">
          <b>{what}</b> <span className="text-quiet">{when}</span>
        </p>
        {figure && (
          <Field
            id="back-value"
            label={say('Put right: {what}', { what: figure.label })}
            inputMode="decimal"
            value={value}
            placeholder={figure.was}
            onChange={(e) => {
              setValue(e.target.value);
              setProblem(null);
            }}
            hint={say('Left empty, it only no longer counts.')}
            problem={problem?.field === 'value' ? problem.says : undefined}
          />
        )}
        <div className="flex flex-wrap gap-2">
          {WHY.map((w) => (
            <button key={w.text} type="button" className={BUTTON} onClick={() => take(say(w))}>
              {say(w)}
            </button>
          ))}
        </div>
        <Field
          id="back-why"
          label={say('Why')}
          value={why}
          maxLength={200}
          onChange={(e) => {
            setWhy(e.target.value);
            setProblem(null);
          }}
          hint={say('Both stay in the record; what follows is worked out as if it had never been.')}
          problem={problem?.field === 'why' ? problem.says : undefined}
        />
        <button type="submit" className={`${PRIMARY} min-h-16`}>
          {value.trim() === '' ? say('Take it back') : say('Put it right')}
        </button>
      </Form>
    </Sheet>
  );
}
