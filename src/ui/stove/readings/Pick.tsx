'use client';

import type { ReactNode } from 'react';
import type { Message } from '../../../core/message/message';
import { useSay } from '../../shared/hooks/useSay';
import { BUTTON } from '../../shared/styles';

type Props<T extends string> = {
  readonly says?: ReactNode;
  readonly options: readonly {
    readonly value: T;
    readonly words: Message | string;
    readonly aside: Message | string;
  }[];
  readonly onTake: (value: T) => void;
};

/** A finding in two taps: a few large answers, the tap that chooses writes it down. */
export function PickOne<T extends string>({ says, options, onTake }: Props<T>) {
  const say = useSay();
  return (
    <div className="grid gap-2 p-4">
      {says && <p className="mb-1">{says}</p>}
      {options.map((o) => (
        <button
          key={o.value}
          type="button"
          onClick={() => onTake(o.value)}
          className={`${BUTTON} min-h-18 justify-start text-left`}
        >
          <span>
            <span className="block text-[21px] leading-tight">{say.either(o.words)}</span>
            <span className="block font-normal text-[16px] leading-tight">{say.either(o.aside)}</span>
          </span>
        </button>
      ))}
    </div>
  );
}
