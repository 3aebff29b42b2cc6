'use client';

import { useState } from 'react';
import { term } from '../../../core/message/term';
import { clockOf, minutesOf, type Service, TOOLS } from '../../../core/service/service';
import { Field } from '../../shared/form/Field';
import { Segments } from '../../shared/form/Segments';
import { useSay } from '../../shared/hooks/useSay';
import { Sheet } from '../../shared/Sheet';

type Props = {
  readonly service: Service;
  readonly onChange: (next: Service) => void;
  readonly onClose: () => void;
};

/** A whole number in a field; what cannot be is said and stays as typed, and nothing changes by it. */
export function Whole({
  id,
  label,
  value,
  low,
  high,
  onValue,
}: {
  readonly id: string;
  readonly label: string;
  readonly value: number;
  readonly low: number;
  readonly high: number;
  readonly onValue: (value: number) => void;
}) {
  const say = useSay();
  const [text, setText] = useState(String(value));
  const number = Number(text);
  const fits = text.trim() !== '' && Number.isInteger(number) && number >= low && number <= high;
  return (
    <Field
      id={id}
      label={label}
      inputMode="numeric"
      value={text}
      problem={
        fits ? undefined : say('“{text}” is not a whole number from {low} to {high}', { text, low, high })
      }
      onChange={(e) => {
        const next = e.target.value;
        setText(next);
        const to = Number(next);
        if (next.trim() !== '' && Number.isInteger(to) && to >= low && to <= high) onValue(to);
      }}
    />
  );
}

/** A time of the day in a field. */
export function Clock({
  id,
  label,
  value,
  onValue,
}: {
  readonly id: string;
  readonly label: string;
  readonly value: number;
  readonly onValue: (value: number) => void;
}) {
  const say = useSay();
  const [text, setText] = useState(clockOf(value));
  return (
    <Field
      id={id}
      label={label}
      value={text}
      problem={minutesOf(text) === null ? say('“{text}” is not a time such as 11:45', { text }) : undefined}
      onChange={(e) => {
        setText(e.target.value);
        const at = minutesOf(e.target.value);
        if (at !== null) onValue(at);
      }}
    />
  );
}

/** What the service has to work with: hands, tools, from when on, where pots are kept hot. */
export function HouseSheet({ service, onChange, onClose }: Props) {
  const say = useSay();
  return (
    <Sheet open onOpenChange={(open) => open || onClose()} title={say('Hands and tools')}>
      <div className="grid grid-cols-2 gap-4 p-4">
        <Whole
          id="service-hands"
          label={say('Pairs of hands at once')}
          value={service.hands}
          low={1}
          high={20}
          onValue={(hands) => onChange({ ...service, hands })}
        />
        <Clock
          id="service-opens"
          label={say('Nothing begins before')}
          value={service.opens}
          onValue={(opens) => onChange({ ...service, opens })}
        />
        {TOOLS.map((tool) => (
          <Whole
            key={tool}
            id={`service-${tool.replace(' ', '-')}`}
            label={say('{tool}s', { tool: { opening: term(tool) } })}
            value={service.tools[tool]}
            low={0}
            high={12}
            onValue={(n) => onChange({ ...service, tools: { ...service.tools, [tool]: n } })}
          />
        ))}
        <Whole
          id="service-wash"
          label={say('Minutes to wash a pot')}
          value={service.wash}
          low={0}
          high={120}
          onValue={(wash) => onChange({ ...service, wash })}
        />
        <div className="col-span-2">
          <p className="mb-1 font-bold">{say('Kept hot until the pass')}</p>
          <Segments
            label={say('Kept hot until the pass')}
            value={service.keptOn}
            onChange={(keptOn) => onChange({ ...service, keptOn })}
            options={[
              { value: 'bath', words: say('in a water bath') },
              { value: 'burner', words: say('on its burner') },
            ]}
          />
          <p className="mt-2 text-[15px] text-quiet">
            {say(
              'Hot holding follows your own code, never under {hot} (FDA Food Code 2022, 3-501.16, from memory).',
              { hot: { celsius: 57 } },
            )}
          </p>
        </div>
      </div>
    </Sheet>
  );
}
