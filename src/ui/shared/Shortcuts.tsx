'use client';

import { X } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { Dialog } from 'radix-ui';
import { createContext, type ReactNode, useContext, useEffect, useRef, useState } from 'react';
import { VIEWS } from './views';

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

const KEYS: readonly (readonly [string, string])[] = [
  ...VIEWS.map((v) => [`g ${v.key}`, `go to ${v.name}`] as const),
  ['n', 'step done, next one (Stove)'],
  ['u', 'take the last step back (Stove)'],
  ['↑ ↓', 'move the target, with the ladder in focus (Plan)'],
  ['?', 'this sheet'],
];

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
      <Dialog.Root open={open} onOpenChange={setOpen}>
        <Dialog.Portal>
          <Dialog.Overlay className="fixed inset-0 bg-rail/70" />
          <Dialog.Content
            aria-describedby={undefined}
            className="fixed top-1/2 left-1/2 w-[min(92vw,560px)] -translate-x-1/2 -translate-y-1/2 rounded-sm border-2 border-ink bg-surface p-6 text-ink"
          >
            <div className="flex items-center justify-between">
              <Dialog.Title className="font-bold text-[24px]">Keys</Dialog.Title>
              <Dialog.Close aria-label="Close" className="grid size-14 place-items-center">
                <X aria-hidden />
              </Dialog.Close>
            </div>
            <dl className="mt-2 grid grid-cols-[7rem_1fr] gap-y-3">
              {KEYS.map(([key, does]) => (
                <div key={key} className="contents">
                  <dt className="figures font-bold">{key}</dt>
                  <dd>{does}</dd>
                </div>
              ))}
            </dl>
          </Dialog.Content>
        </Dialog.Portal>
      </Dialog.Root>
    </Sheet>
  );
}
