'use client';

import type { Message } from '../../../core/message/message';
import { restore, type Versioned } from '../line/restore';
import { PUT_BACK } from './putBack';
import { did } from './undo';

/** Remembers that something was saved: taken back, the version before is made the newest again; nothing is rubbed out. */
export function didSave(words: Message, of: Versioned, before: number, after: number): void {
  const make = async (number: number) => {
    const answer = await restore(of, number);
    if (answer.ok) window.dispatchEvent(new Event(PUT_BACK));
  };
  did({ words, undo: () => void make(before), redo: () => void make(after) });
}
