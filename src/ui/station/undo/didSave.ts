'use client';

import type { Message } from '../../../core/message/message';
import { ask } from '../line/api';
import { readRole } from '../useRole';
import { PUT_BACK } from './putBack';
import { did } from './undo';

/** Remembers that something was saved: taken back, the version before is made the newest again; nothing is rubbed out. */
export function didSave(words: Message, path: string, field: string, before: number, after: number): void {
  const make = async (number: number) => {
    const answer = await ask('POST', path, { [field]: number, by: readRole() });
    if (answer.ok) window.dispatchEvent(new Event(PUT_BACK));
  };
  did({ words, undo: () => void make(before), redo: () => void make(after) });
}
