'use client';

import { TriangleAlert } from 'lucide-react';
import { useState } from 'react';
import type { Remedy } from '../../../core/compare/remedies';
import { remedyWords } from '../../../core/compare/remedyWords';
import { message } from '../../../core/message/message';
import { term } from '../../../core/message/term';
import type { TimedOrder } from '../../../core/order/order';
import type { Warning } from '../../../core/plan/types';
import { warningWords } from '../../../core/plan/warningWords';
import type { Show } from '../../../core/units/shown/show';
import { useSay } from '../../shared/hooks/useSay';
import { Sheet } from '../../shared/Sheet';
import { BUTTON } from '../../shared/styles';

const WORD = { stop: message('Stop'), danger: message('Danger'), caution: message('Mind') } as const;

type Props = {
  readonly warnings: readonly Warning[];
  readonly remedies: Readonly<Record<string, readonly Remedy[]>> | null;
  readonly show: Show;
  /** Asks for the remedies; called when the sheet opens. */
  readonly onOpen: () => void;
  readonly onApply: (change: Partial<TimedOrder>) => void;
};

/** How many things to mind, the list of them one tap away, and what would mend each one tap further. */
export function Warnings({ warnings, remedies, show, onOpen, onApply }: Props) {
  const say = useSay();
  const [open, setOpen] = useState(false);
  if (warnings.length === 0) return null;
  const grave = warnings.some((w) => w.severity !== 'caution');
  const trigger = (
    <>
      <TriangleAlert size={24} aria-hidden />
      {say('{count, plural, one {# caution} other {# cautions}}', { count: warnings.length })}
    </>
  );
  return (
    <Sheet
      open={open}
      onOpenChange={(next) => {
        setOpen(next);
        if (next) onOpen();
      }}
      title={say('Before you start')}
      trigger={trigger}
      triggerClass={`flex h-14 items-center gap-2 rounded-sm border-2 px-4 font-bold ${grave ? 'border-tomato text-tomato' : 'border-ink'}`}
    >
      <ul>
        {warnings
          .map((w) => ({ ...w, ...warningWords(w) }))
          .map((w) => (
            <li key={w.id} className="border-rule border-b p-3 last:border-b-0">
              <b className={w.severity === 'caution' ? '' : 'text-tomato'}>
                {say('{severity}. {what}', { severity: WORD[w.severity], what: w.says })}
              </b>
              <br />
              {say(w.do)}
              {w.rule && <span className="block text-[15px] text-quiet">{say(term(w.rule))}</span>}
              {(remedies?.[w.id] ?? []).length > 0 && (
                <span className="mt-2 flex flex-wrap gap-2">
                  {remedies?.[w.id]?.map((r) => (
                    <button
                      key={remedyWords(r)}
                      type="button"
                      className={BUTTON}
                      onClick={() => {
                        onApply(r.change);
                        setOpen(false);
                      }}
                    >
                      {remedyWords(r, show)}
                    </button>
                  ))}
                </span>
              )}
            </li>
          ))}
      </ul>
    </Sheet>
  );
}
