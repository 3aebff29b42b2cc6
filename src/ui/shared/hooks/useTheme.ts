'use client';

import { useSyncExternalStore } from 'react';

type Theme = 'light' | 'dim';

const listeners = new Set<() => void>();

const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

const read = (): Theme => (document.documentElement.dataset.theme === 'dim' ? 'dim' : 'light');

function toggle(): void {
  const next = read() === 'dim' ? 'light' : 'dim';
  document.documentElement.dataset.theme = next;
  localStorage.setItem('panache.theme', next);
  for (const listener of listeners) listener();
}

/** The theme of this device and the way to change it. */
export function useTheme(): readonly [Theme, () => void] {
  return [useSyncExternalStore(subscribe, read, () => 'light'), toggle];
}
