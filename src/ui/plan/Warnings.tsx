'use client';

import { TriangleAlert } from 'lucide-react';
import { Popover } from 'radix-ui';
import type { Warning } from '../../core/plan/types';

const WORD = { stop: 'Stop', danger: 'Danger', caution: 'Mind' } as const;

/** How many things to mind, and the list of them one tap away. */
export function Warnings({ warnings }: { warnings: readonly Warning[] }) {
  if (warnings.length === 0) return null;
  const grave = warnings.some((w) => w.severity !== 'caution');
  return (
    <Popover.Root>
      <Popover.Trigger
        className={`flex h-14 items-center gap-2 rounded-sm border-2 px-4 font-bold ${grave ? 'border-tomato text-tomato' : 'border-ink'}`}
      >
        <TriangleAlert size={24} aria-hidden />
        {warnings.length} to mind
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          side="top"
          sideOffset={8}
          collisionPadding={8}
          className="z-50 max-h-[70vh] w-[min(94vw,520px)] overflow-y-auto rounded-sm border-2 border-ink bg-surface p-2 text-ink"
        >
          <ul>
            {warnings.map((w) => (
              <li key={w.id} className="border-rule border-b p-3 last:border-b-0">
                <b className={w.severity === 'caution' ? '' : 'text-tomato'}>
                  {WORD[w.severity]}. {w.says}
                </b>
                <br />
                {w.change}
              </li>
            ))}
          </ul>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
