'use client';

import { v4 as uuid } from 'uuid';
import type { Entry } from '../../../core/keep/written/entries';
import { dayAndTime } from '../../../core/units/clock';
import { typedNumber } from '../../../core/units/typed/parse';
import { tap, tapKeep } from '../../device/outbox';
import { useSay } from '../../shared/hooks/useSay';
import { useUnits } from '../../shared/hooks/useUnits';
import { TakeBack } from '../../shared/TakeBack';

/** A line of the record taken back, or its temperature put right at its old time: in the record it stands in. */
export function EntryBack({ entry, onClose }: { entry: Entry; onClose: () => void }) {
  const say = useSay();
  const unit = useUnits().of('celsius');
  const { celsius } = entry;
  // A probe's check, and what it was put by at, are no readings of their own.
  const readable = entry.reading && celsius !== null;
  const write = (why: string, instead: string | null) => {
    const back = { kind: 'withdrawn' as const, event: entry.id, why, ...(instead && { instead }) };
    if (entry.source === 'batch' && entry.lot) tap(entry.lot, back);
    else tapKeep(entry.lot ?? 'kitchen', back);
  };
  return (
    <TakeBack
      what={entry.name ? say('{name}: {says}', { name: entry.name, says: entry.says }) : say(entry.says)}
      when={say('{at}, {station}', { at: dayAndTime(new Date(entry.at)), station: entry.by })}
      figure={readable ? { label: unit.unit, was: unit.text(celsius) } : null}
      onTake={(why, typed) => {
        if (typed === null || !readable || !entry.lot) {
          write(why, null);
          return undefined;
        }
        const value = typedNumber(typed);
        const inner = typeof value === 'number' ? unit.inner(value) : Number.NaN;
        if (!(inner >= -45 && inner <= 130))
          return say('“{typed}” is not a temperature of a soup, in {unit}.', { typed, unit: unit.unit });
        const id = uuid();
        const at = new Date(entry.at).toISOString();
        write(why, id);
        if (entry.source === 'batch') tap(entry.lot, { kind: 'temperature', celsius: inner }, at, id);
        else tapKeep(entry.lot, { kind: 'temperature', celsius: inner }, at, id);
        return undefined;
      }}
      onClose={onClose}
    />
  );
}
