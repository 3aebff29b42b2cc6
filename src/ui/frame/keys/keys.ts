import { message } from '../../../core/message/message';
import { VIEWS } from '../views';

/** Keys that do something on one view or on all; where a view is on, it says what, by the id. */
export const KEYS = [
  { id: 'step-done', key: 'n', does: message('step done, next one'), on: message('Stove') },
  { id: 'step-back', key: 'u', does: message('take the last line of this pot back'), on: message('Stove') },
  { id: 'timer', key: 't', does: message('a timer'), on: message('Stove') },
  { id: 'temperature', key: 'r', does: message('write a temperature down'), on: message('Stove') },
  { id: 'wrong', key: 'f', does: message('something’s wrong'), on: message('Stove') },
  { id: 'watch', key: ' ', does: message('start and stop the watch'), on: message('Check') },
  { id: 'find', key: '/', does: message('find a recipe'), on: message('Recipes') },
  { id: 'sheet', key: '?', does: message('this sheet'), on: null },
] as const;
export type KeyId = (typeof KEYS)[number]['id'];

/** Whether a key, with Ctrl or ⌘ held, takes back the last thing done or does it again; null of any other. */
export function undoKey(e: {
  readonly key: string;
  readonly ctrlKey: boolean;
  readonly metaKey: boolean;
  readonly altKey: boolean;
  readonly shiftKey: boolean;
}): 'undo' | 'redo' | null {
  if (!(e.ctrlKey || e.metaKey) || e.altKey) return null;
  const key = e.key.toLowerCase();
  if (key === 'z') return e.shiftKey ? 'redo' : 'undo';
  return key === 'y' && !e.shiftKey ? 'redo' : null;
}

/** How long after `g` the second letter may come, ms. */
export const CHORD = 1200;

/** What a key comes to: a view to go to, something a view does, or nothing. */
type Pressed = { readonly kind: 'go'; readonly href: string } | { readonly kind: 'do'; readonly id: KeyId };

/**
 * Reads keys one after another: after `g` a letter goes to a view and to nothing else. `at` in ms; `can` says what
 * somebody is there for.
 */
export function keyReader(): (key: string, at: number, can: (id: KeyId) => boolean) => Pressed | null {
  let chordAt = Number.NEGATIVE_INFINITY;
  return (key, at, can) => {
    const second = at - chordAt < CHORD;
    chordAt = key === 'g' ? at : Number.NEGATIVE_INFINITY;
    if (key === 'g') return null;
    if (second) {
      const view = VIEWS.find((v) => v.key === key);
      return view ? { kind: 'go', href: view.href } : null;
    }
    const found = KEYS.find((k) => k.key === key && can(k.id));
    return found ? { kind: 'do', id: found.id } : null;
  };
}

const actions = new Map<KeyId, () => void>();

/** Has `action` done when the key of `id` is pressed, until what is returned is called. */
export function onKey(id: KeyId, action: () => void): () => void {
  actions.set(id, action);
  return () => {
    if (actions.get(id) === action) actions.delete(id);
  };
}

export const canKey = (id: KeyId): boolean => actions.has(id);
export const doKey = (id: KeyId): void => actions.get(id)?.();
