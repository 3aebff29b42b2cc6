'use client';

import { useId, useState } from 'react';
import { PART } from '../../shared/form/Choice';
import { useSay } from '../../shared/hooks/useSay';
import { Sheet } from '../../shared/Sheet';

type Props = { readonly time: string; readonly onChange: (time: string) => void };

/** When it is served. */
export function TimePart({ time, onChange }: Props) {
  const say = useSay();
  const [open, setOpen] = useState(false);
  const id = useId();
  return (
    <Sheet
      open={open}
      onOpenChange={setOpen}
      title={say('Served at')}
      trigger={time}
      label={say('Served at {time}', { time })}
      triggerClass={PART}
    >
      <div className="p-4">
        <label htmlFor={id} className="block font-bold">
          {say('On the pass at')}
        </label>
        <input
          id={id}
          type="time"
          value={time}
          onChange={(e) => e.target.value && onChange(e.target.value)}
          className="figures mt-2 h-14 rounded-sm border-2 border-ink bg-surface px-3 font-bold text-[32px]"
        />
      </div>
    </Sheet>
  );
}
