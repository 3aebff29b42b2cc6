'use client';

import { clsx } from 'clsx';
import { RotateCcw, Undo2 } from 'lucide-react';
import type { BatchEvent, EventBody } from '../../../core/batch/events';
import { lineWords } from '../../../core/batch/lineWords';
import type { BatchState } from '../../../core/batch/state';
import { takenBack } from '../../../core/record/counting';
import { timeOfDay } from '../../../core/units/clock';
import { useSay } from '../../shared/hooks/useSay';
import { KeyOf } from '../../shared/KeyOf';
import { BUTTON } from '../../shared/styles';

type Props = {
  readonly events: readonly BatchEvent[];
  readonly state: BatchState;
  readonly onBack: (event: BatchEvent) => void;
  readonly write: (body: EventBody) => void;
};

/** Every line of the batch, the newest first, with its time and who; each can be taken back, and a taking back made undone. */
export function LineList({ events, state, onBack, write }: Props) {
  const say = useSay();
  const gone = takenBack(events);
  const of = { steps: state.steps, events };
  const newest = events.toSorted((a, b) => Date.parse(b.at) - Date.parse(a.at));
  if (newest.length === 0) return <p className="p-4 text-[18px]">{say('Nothing was written down yet.')}</p>;
  return (
    <ol aria-label={say('Everything written down')}>
      {newest.map((e) => {
        const back = gone.has(e.id);
        return (
          <li key={e.id} className="flex items-center gap-3 border-rule border-b px-3 py-1.5">
            <span className="figures w-14 shrink-0">{timeOfDay(new Date(e.at))}</span>
            <span className="min-w-0 flex-1 leading-tight">
              <span className={clsx('block', back && 'text-quiet line-through')}>
                {say(lineWords(e.body, of))}
              </span>
              <span className="block text-[15px] text-quiet">
                {e.station}
                {e.via && (
                  <>
                    {' · '}
                    <KeyOf via={e.via} />
                  </>
                )}
                {back && ` · ${say('taken back')}`}
              </span>
            </span>
            {!back &&
              (e.body.kind === 'withdrawn' ? (
                <button
                  type="button"
                  className={`${BUTTON} shrink-0 border-rule px-3`}
                  onClick={() => write({ kind: 'withdrawn', event: e.id })}
                >
                  <RotateCcw size={20} aria-hidden /> {say('Counts again')}
                </button>
              ) : (
                <button
                  type="button"
                  aria-label={say('Take back: {title}', { title: say(lineWords(e.body, of)) })}
                  className={`${BUTTON} shrink-0 border-rule px-3`}
                  onClick={() => onBack(e)}
                >
                  <Undo2 size={20} aria-hidden />
                </button>
              ))}
          </li>
        );
      })}
    </ol>
  );
}
