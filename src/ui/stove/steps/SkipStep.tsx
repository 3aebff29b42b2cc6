import { useState } from 'react';
import type { StepState } from '../../../core/batch/state';
import { titleIn } from '../../../core/batch/titleIn';
import { message } from '../../../core/message/message';
import { Field } from '../../shared/form/Field';
import { Form } from '../../shared/form/Form';
import { useSay } from '../../shared/hooks/useSay';
import { useShow } from '../../shared/hooks/useShow';
import { BUTTON, PRIMARY } from '../../shared/styles';

const REASONS = [
  message('not needed'),
  message('done before'),
  message('nothing left of it'),
  message('no time'),
] as const;

/** Why a step is left out: a tap, or a few words. */
export function SkipStep({ step, onSkip }: { step: StepState; onSkip: (reason: string) => void }) {
  const say = useSay();
  const show = useShow();
  const [reason, setReason] = useState('');
  const [tried, setTried] = useState(false);
  return (
    <Form
      className="grid gap-3 p-4"
      onSubmit={() => {
        setTried(true);
        if (reason.trim()) onSkip(reason.trim());
      }}
    >
      <p className="text-[20px]">
        {say.rich('Leave out <b>{title}</b>: why? The model goes on without it.', {
          b: (text) => <b>{text}</b>,
          title: titleIn(step, show),
        })}
      </p>
      <div className="grid grid-cols-2 gap-2">
        {REASONS.map((r) => (
          <button key={r.text} type="button" onClick={() => onSkip(say(r))} className={`${BUTTON} min-h-16`}>
            {say(r)}
          </button>
        ))}
      </div>
      <Field
        id="skip-reason"
        label={say('Or in your words')}
        value={reason}
        maxLength={200}
        onChange={(e) => setReason(e.target.value)}
        problem={
          tried && !reason.trim() ? say('Write why it is left out, in up to 200 characters.') : undefined
        }
      />
      <button type="submit" className={PRIMARY}>
        {say('Leave it out')}
      </button>
    </Form>
  );
}
