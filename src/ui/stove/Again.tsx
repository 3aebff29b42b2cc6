'use client';

import { timeOfDay } from '../../core/units/clock';
import { useSay } from '../shared/hooks/useSay';
import { Sheet } from '../shared/Sheet';
import { BUTTON, PRIMARY } from '../shared/styles';
import type { useDone } from './useDone';

/** Asks when a step was done that was marked done before, and taken back. */
export function Again({ again }: { readonly again: ReturnType<typeof useDone>['again'] }) {
  const say = useSay();
  return (
    <Sheet
      open={again !== null && again !== undefined}
      onOpenChange={(o) => o || again?.leave()}
      title={say('When was it done?')}
    >
      {again && (
        <div className="grid gap-3 p-4">
          <p>{say('It was marked done before, and later steps are done since.')}</p>
          <button type="button" className={`${PRIMARY} min-h-18 text-[21px]`} onClick={again.asBefore}>
            {say('At {at}, as before', { at: timeOfDay(new Date(again.at)) })}
          </button>
          <button type="button" className={`${BUTTON} min-h-18 text-[21px]`} onClick={again.now}>
            {say('Only now')}
          </button>
        </div>
      )}
    </Sheet>
  );
}
