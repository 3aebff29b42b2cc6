'use client';

import { type ReactNode, useState } from 'react';
import type { Message } from '../../../core/message/message';
import { Sheet } from '../Sheet';
import { BUTTON, PRIMARY } from '../styles';
import { useSay } from './useSay';

/**
 * Asks about what is possible and unusual before it is done: `really(question, act)` does it at once where there is no
 * question, and on one tap where there is. The sheet is drawn where it is put.
 */
export function useReally(): {
  readonly really: (question: Message | readonly Message[] | null, act: () => void) => void;
  readonly sheet: ReactNode;
} {
  const say = useSay();
  const [asking, setAsking] = useState<{ questions: readonly Message[]; act: () => void } | null>(null);
  const really = (question: Message | readonly Message[] | null, act: () => void) => {
    const questions = question === null ? [] : 'text' in question ? [question] : question;
    if (questions.length === 0) act();
    else setAsking({ questions, act });
  };
  return {
    really,
    sheet: (
      <Sheet
        open={asking !== null}
        onOpenChange={(open) => open || setAsking(null)}
        title={say('Is that right?')}
      >
        {asking && (
          <div className="grid gap-3 p-4">
            {asking.questions.map((q) => (
              <p key={say(q)} className="text-[22px] leading-tight">
                {say(q)}
              </p>
            ))}
            <button
              type="button"
              className={`${PRIMARY} min-h-18 text-[21px]`}
              onClick={() => setAsking(null)}
            >
              {say('No, put it right')}
            </button>
            <button
              type="button"
              className={`${BUTTON} min-h-18 text-[21px]`}
              onClick={() => {
                const { act } = asking;
                setAsking(null);
                act();
              }}
            >
              {say('Yes, that is right')}
            </button>
          </div>
        )}
      </Sheet>
    ),
  };
}
