'use client';

import { v4 as uuid } from 'uuid';
import type { BatchEvent, EventBody } from '../../../core/batch/events';
import { figureOf, lineWords } from '../../../core/batch/lineWords';
import type { BatchState } from '../../../core/batch/state';
import { timeOfDay } from '../../../core/units/clock';
import { typedNumber } from '../../../core/units/typed/parse';
import { useSay } from '../../shared/hooks/useSay';
import { useUnits } from '../../shared/hooks/useUnits';
import { TakeBack } from '../../shared/TakeBack';

type Props = {
  readonly event: BatchEvent;
  readonly events: readonly BatchEvent[];
  readonly state: BatchState;
  readonly write: (body: EventBody, at?: string, id?: string) => BatchEvent;
  readonly onClose: () => void;
};

/** A line of the batch taken back, or its figure put right at its old time. */
export function BackSheet({ event, events, state, write, onClose }: Props) {
  const say = useSay();
  const units = useUnits();
  const figure = figureOf(event.body);
  const unit = figure && units.of(figure.key);
  return (
    <TakeBack
      what={say(lineWords(event.body, { steps: state.steps, events }))}
      when={say('{at}, {station}', { at: timeOfDay(new Date(event.at)), station: event.station })}
      figure={figure && unit ? { label: unit.unit, was: unit.text(figure.value) } : null}
      onTake={(why, typed) => {
        if (typed === null || !figure || !unit) {
          write({ kind: 'withdrawn', event: event.id, why });
          return undefined;
        }
        const value = typedNumber(typed);
        if (typeof value !== 'number' || !(value > -60) || value > 1e6)
          return say('“{typed}” is not a number of {unit}.', { typed, unit: unit.unit });
        const id = uuid();
        write({ kind: 'withdrawn', event: event.id, why, instead: id });
        write(figure.body(unit.inner(value)), event.at, id);
        return undefined;
      }}
      onClose={onClose}
    />
  );
}
