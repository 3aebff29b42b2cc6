'use client';

import { type ComponentProps, useRef, useState } from 'react';
import type { Message } from '../../../core/message/message';
import { type ReadUnit, retyped, unitsFor } from '../../../core/units/shown/here';
import { METRIC } from '../../../core/units/shown/show';
import { useSay } from '../hooks/useSay';
import { useUnits } from '../hooks/useUnits';
import { Field } from './Field';

type Props = Omit<ComponentProps<typeof Field>, 'label' | 'value' | 'onChange'> & {
  /** With `{unit}` in it. */
  readonly words: Message;
  readonly what: ReadUnit;
  /** As it stands in metric units, whatever is typed. */
  readonly value: string;
  readonly onValue: (metric: string) => void;
};

/** A figure typed in the units of this station, and kept as it would be typed in metric ones. */
export function MetricField({ words, what, value, onValue, ...field }: Props) {
  const say = useSay();
  const here = useUnits().of(what);
  const metric = unitsFor(METRIC).of(what);
  const [typed, setTyped] = useState(() => retyped(value, metric, here));
  const known = useRef(value);
  // Changed from outside it is shown anew; what is typed stays as it is typed.
  if (known.current !== value) {
    known.current = value;
    setTyped(retyped(value, metric, here));
  }
  return (
    <Field
      inputMode="decimal"
      {...field}
      label={say({ text: words.text, values: { ...words.values, unit: here.unit } })}
      value={typed}
      onChange={(e) => {
        setTyped(e.target.value);
        known.current = retyped(e.target.value, here, metric);
        onValue(known.current);
      }}
    />
  );
}
