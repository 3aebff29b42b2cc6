'use client';

import type { Message } from '../../../core/message/message';

/** Something done on this station that can be taken back, and done again. */
type Undoable = {
  readonly words: Message;
  readonly undo: () => void;
  readonly redo: () => void;
  /** Whose it is: what is gone with a view (a form that was left) is forgotten by it. */
  readonly owner?: string | undefined;
};

type UndoState = { readonly last: Undoable | null; readonly next: Undoable | null };

/** So many are remembered. */
const MOST = 50;

let done: readonly Undoable[] = [];
let undone: readonly Undoable[] = [];
let state: UndoState = { last: null, next: null };
const listeners = new Set<() => void>();

function change(nextDone: readonly Undoable[], nextUndone: readonly Undoable[]): void {
  done = nextDone.slice(-MOST);
  undone = nextUndone.slice(-MOST);
  state = { last: done.at(-1) ?? null, next: undone.at(-1) ?? null };
  for (const listener of listeners) listener();
}

/** Remembers what was done last, whatever view it was on. What was undone before it is not done again. */
export const did = (what: Undoable): void => change([...done, what], []);

/** Takes back the last thing done on this station. */
export function undoLast(): void {
  const last = done.at(-1);
  if (!last) return;
  change(done.slice(0, -1), [...undone, last]);
  last.undo();
}

/** Does again what was taken back last, with its old time. */
export function redoLast(): void {
  const next = undone.at(-1);
  if (!next) return;
  change([...done, next], undone.slice(0, -1));
  next.redo();
}

/** Forgets what `owner` did: it can be taken back no more. */
export const forget = (owner: string): void =>
  change(
    done.filter((u) => u.owner !== owner),
    undone.filter((u) => u.owner !== owner),
  );

export const NOTHING_DONE: UndoState = { last: null, next: null };
export const undoState = (): UndoState => state;
export function onUndo(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}
