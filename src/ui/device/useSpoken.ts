'use client';

import { useEffect, useRef, useSyncExternalStore } from 'react';

const KEY = 'panache.spoken';
const listeners = new Set<() => void>();

const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

const read = (): boolean => {
  try {
    return localStorage.getItem(KEY) === 'yes';
  } catch {
    return false;
  }
};

function set(on: boolean): void {
  localStorage.setItem(KEY, on ? 'yes' : 'no');
  if (!on) window.speechSynthesis?.cancel();
  for (const listener of listeners) listener();
}

/** Whether this browser has a voice. */
const hasVoice = (): boolean => typeof window !== 'undefined' && 'speechSynthesis' in window;

/** Whether this device reads aloud, off unless somebody turned it on; null where the browser has no voice. */
export const useSpoken = (): readonly [boolean | null, (on: boolean) => void] => [
  useSyncExternalStore(
    subscribe,
    () => (hasVoice() ? read() : null),
    () => null,
  ),
  set,
];

/** Reads `text` aloud as it changes, where the device does; not what stood there as the page opened. */
export function useReadAloud(text: string, language = 'en'): void {
  const [on] = useSpoken();
  const before = useRef(text);
  useEffect(() => {
    if (before.current === text) return;
    before.current = text;
    if (!on || text === '') return;
    const words = new SpeechSynthesisUtterance(text);
    words.lang = language;
    window.speechSynthesis.cancel();
    window.speechSynthesis.speak(words);
  }, [on, text, language]);
}
