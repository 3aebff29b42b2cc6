'use client';

import { useRouter } from 'next/navigation';
import { createContext, type ReactNode, Suspense, useContext, useEffect, useRef, useState } from 'react';
import { lazily } from '../shared/lazily';
import { VIEWS } from './views';

/** Loaded when first asked for. */
const KeySheet = lazily(async () => (await import('./KeySheet')).KeySheet);

const Sheet = createContext<() => void>(() => {});
export const useShortcutSheet = (): (() => void) => useContext(Sheet);

const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName));

/** How long after `g` the second letter may come, ms. */
const CHORD = 1200;

/** Runs `action` when `key` is pressed outside a field. */
export function useShortcut(key: string, action: () => void): void {
  const latest = useRef(action);
  useEffect(() => {
    latest.current = action;
  });
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (e.key !== key || e.metaKey || e.ctrlKey || e.altKey || isTyping(e.target)) return;
      e.preventDefault();
      latest.current();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [key]);
}

/** Listens for keys that work everywhere, and holds the sheet that lists them all. */
export function Shortcuts({ children }: { children: ReactNode }) {
  const [open, setOpen] = useState(false);
  const router = useRouter();
  const chord = useRef(0);

  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (e.metaKey || e.ctrlKey || e.altKey || isTyping(e.target)) return;
      if (e.key === 'g') chord.current = e.timeStamp;
      const view = VIEWS.find((v) => v.key === e.key);
      if (view && e.timeStamp - chord.current < CHORD) {
        chord.current = 0;
        router.push(view.href);
      }
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [router]);
  useShortcut('?', () => setOpen(true));

  return (
    <Sheet value={() => setOpen(true)}>
      {children}
      <Suspense>{open && <KeySheet onClose={() => setOpen(false)} />}</Suspense>
    </Sheet>
  );
}
