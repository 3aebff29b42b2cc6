import { useState } from 'react';
import { parseNumber } from '../../../core/units/typed/parse';
import { Field } from '../../shared/form/Field';
import { Form } from '../../shared/form/Form';
import { useSay } from '../../shared/hooks/useSay';
import { PRIMARY } from '../../shared/styles';

/** A step the plan did not have: what is done, and for how long. */
export function AddStep({ onAdd }: { onAdd: (title: string, minutes: number | null) => void }) {
  const say = useSay();
  const [title, setTitle] = useState('');
  const [text, setText] = useState('');
  const [tried, setTried] = useState(false);
  const minutes = text.trim() === '' ? null : parseNumber(text);
  const possible = minutes === null || (minutes >= 0 && minutes <= 600);
  return (
    <Form
      className="grid gap-3 p-4"
      onSubmit={() => {
        setTried(true);
        if (title.trim() && possible) onAdd(title.trim(), minutes);
      }}
    >
      <Field
        id="add-title"
        label={say('What is to be done')}
        value={title}
        maxLength={120}
        onChange={(e) => setTitle(e.target.value)}
        problem={
          tried && !title.trim() ? say('Write what is to be done, in up to 120 characters.') : undefined
        }
      />
      <Field
        id="add-minutes"
        label={say('Minutes, if it takes any')}
        inputMode="decimal"
        value={text}
        onChange={(e) => setText(e.target.value)}
        problem={
          tried && !possible
            ? say('“{text}” cannot be: minutes are a number from 0 to 600.', { text })
            : undefined
        }
        className="figures text-right"
      />
      <button type="submit" className={PRIMARY}>
        {say('Add it')}
      </button>
    </Form>
  );
}
