'use client';

import { TriangleAlert } from 'lucide-react';
import { useState } from 'react';
import type { Warning } from '../../core/plan/types';
import { Sheet } from '../shared/Sheet';

const WORD = { stop: 'Stop', danger: 'Danger', caution: 'Mind' } as const;

/** How many things to mind, and the list of them one tap away. */
export function Warnings({ warnings }: { warnings: readonly Warning[] }) {
  const [open, setOpen] = useState(false);
  if (warnings.length === 0) return null;
  const grave = warnings.some((w) => w.severity !== 'caution');
  const trigger = (
    <>
      <TriangleAlert size={24} aria-hidden />
      {warnings.length} to mind
    </>
  );
  return (
    <Sheet
      open={open}
      onOpenChange={setOpen}
      title="Before you start"
      trigger={trigger}
      triggerClass={`flex h-14 items-center gap-2 rounded-sm border-2 px-4 font-bold ${grave ? 'border-tomato text-tomato' : 'border-ink'}`}
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
    </Sheet>
  );
}
