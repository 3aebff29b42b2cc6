'use client';

import { Popover } from 'radix-ui';
import { useId } from 'react';
import { PART } from '../shared/Choice';

type Props = { readonly time: string; readonly onChange: (time: string) => void };

/** When it is served. */
export function TimePart({ time, onChange }: Props) {
  const id = useId();
  return (
    <Popover.Root>
      <Popover.Trigger aria-label={`Served at ${time}`} className={PART}>
        {time}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          sideOffset={8}
          collisionPadding={8}
          className="z-50 rounded-sm border-2 border-ink bg-surface p-4 text-ink"
        >
          <label htmlFor={id} className="block font-bold">
            On the pass at
          </label>
          <input
            id={id}
            type="time"
            value={time}
            onChange={(e) => e.target.value && onChange(e.target.value)}
            className="figures mt-2 h-14 rounded-sm border-2 border-ink bg-surface px-3 font-bold text-[32px]"
          />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
