'use client';

import { useRouter } from 'next/navigation';
import { createContext, type ReactNode, Suspense, useContext, useEffect, useRef, useState } from 'react';
import { PUT_BACK } from '../../device/undo/putBack';
import { redoLast, undoLast } from '../../device/undo/undo';
import { lazily } from '../../shared/lazily';
import { canKey, doKey, type KeyId, keyReader, onKey, undoKey } from './keys';

/** Loaded when first asked for. */
const KeySheet = lazily(async () => (await import('./KeySheet')).KeySheet);

const Sheet = createContext<() => void>(() => {});
export const useShortcutSheet = (): (() => void) => useContext(Sheet);

const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName));

const isControl = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && /^(BUTTON|A)$/.test(target.tagName);

/** Has `action` done when the key of `id` is pressed outside a field. */
export function useShortcut(id: KeyId, action: () => void): void {
  const latest = useRef(action);
  useEffect(() => {
    latest.current = action;
  });
  useEffect(() => onKey(id, () => latest.current()), [id]);
}

/** Outlives the view it is used on: a chord may begin on one and end on the next. */
const read = keyReader();

/** Listens for every key there is, and holds the sheet that lists them all. */
export function Shortcuts({ children }: { children: ReactNode }) {
  const [open, setOpen] = useState(false);
  const router = useRouter();

  useEffect(() => {
    const onDown = (e: KeyboardEvent) => {
      const backKey = undoKey(e);
      if (backKey && !isTyping(e.target)) {
        e.preventDefault();
        return backKey === 'undo' ? undoLast() : redoLast();
      }
      if (e.metaKey || e.ctrlKey || e.altKey || e.repeat || isTyping(e.target)) return;
      // The space bar is a button's own.
      if (e.key === ' ' && isControl(e.target)) return;
      const pressed = read(e.key, e.timeStamp, canKey);
      if (!pressed) return;
      e.preventDefault();
      if (pressed.kind === 'go') router.push(pressed.href);
      else doKey(pressed.id);
    };
    window.addEventListener('keydown', onDown);
    return () => window.removeEventListener('keydown', onDown);
  }, [router]);
  // A version put back is another page.
  useEffect(() => {
    const anew = () => router.refresh();
    window.addEventListener(PUT_BACK, anew);
    return () => window.removeEventListener(PUT_BACK, anew);
  }, [router]);
  useShortcut('sheet', () => setOpen(true));

  return (
    <Sheet value={() => setOpen(true)}>
      {children}
      <Suspense>{open && <KeySheet onClose={() => setOpen(false)} />}</Suspense>
    </Sheet>
  );
}
