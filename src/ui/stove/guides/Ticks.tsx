'use client';

import { clsx } from 'clsx';
import { Check } from 'lucide-react';
import type { ReactNode } from 'react';

/** Things done one after another: tick each as it goes in. */
export function Ticks({
  label,
  list,
  parts,
  tick,
  after,
  asides,
}: {
  label: string;
  list: readonly string[];
  parts: ReadonlySet<number>;
  tick: (part: number) => void;
  after?: ReactNode;
  asides?: readonly string[];
}) {
  return (
    <fieldset className="mt-4">
      <legend className="mb-1 font-bold text-[20px]">{label}</legend>
      <div className="flex flex-wrap gap-1.5">
        {list.map((words, n) => {
          const done = parts.has(n);
          const id = `${n}`;
          return (
            <button
              key={id}
              type="button"
              aria-pressed={done}
              onClick={() => tick(n)}
              className={clsx(
                'min-h-14 min-w-22 rounded-sm border-2 border-ink px-2 text-left leading-tight',
                done ? 'bg-ink text-surface' : 'bg-surface',
              )}
            >
              <span className="flex items-center gap-2 font-bold text-[22px]">
                {done && !asides && <Check size={22} strokeWidth={3} aria-hidden />}
                <span className="figures">{words}</span>
              </span>
              {asides?.[n] && (
                <span className="flex items-center gap-1 text-[16px]">
                  {done && <Check size={18} strokeWidth={4} aria-hidden />}
                  {asides[n]}
                </span>
              )}
            </button>
          );
        })}
      </div>
      {after && <p className="mt-2 text-[19px]">{after}</p>}
    </fieldset>
  );
}
