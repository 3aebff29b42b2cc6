'use client';

import { Redo2, Undo2 } from 'lucide-react';
import { useSyncExternalStore } from 'react';
import { NOTHING_DONE, onUndo, redoLast, undoLast, undoState } from '../../device/undo/undo';
import { useSay } from '../../shared/hooks/useSay';

/** Takes back the last thing done on this station, on every view; and does it again where that was the slip. */
export function UndoButton() {
  const say = useSay();
  const { last, next } = useSyncExternalStore(onUndo, undoState, () => NOTHING_DONE);
  const cell =
    'flex h-14 shrink-0 items-center justify-center gap-2 rounded-b-sm border-2 border-on-rail/60 px-3 text-left leading-tight max-[720px]:w-14 max-[720px]:px-0';
  return (
    <div className="flex shrink-0 gap-1 px-1">
      {next && (
        <button
          type="button"
          onClick={redoLast}
          aria-label={say('Do again: {what}', { what: next.words })}
          className={cell}
        >
          <Redo2 aria-hidden size={24} />
        </button>
      )}
      {last && (
        <button
          type="button"
          onClick={undoLast}
          aria-label={say('Undo: {what}', { what: last.words })}
          className={cell}
        >
          <Undo2 aria-hidden size={24} className="shrink-0" />
          <span className="max-w-28 text-[15px] max-[1000px]:hidden">
            <b className="block">{say('Undo')}</b>
            <span className="block truncate">{say(last.words)}</span>
          </span>
        </button>
      )}
    </div>
  );
}
