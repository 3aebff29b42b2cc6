'use client';

import { useSyncExternalStore } from 'react';

const KEY = 'panache.role';
const listeners = new Set<() => void>();

const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

/** Who uses this device, by role; empty when nobody in particular. */
export function readRole(): string {
  try {
    return localStorage.getItem(KEY) ?? '';
  } catch {
    return '';
  }
}

function setRole(role: string): void {
  localStorage.setItem(KEY, role);
  for (const listener of listeners) listener();
}

/** The role this device is used by and the way to change it; kept on the device. */
export const useRole = (): readonly [string, (role: string) => void] => [
  useSyncExternalStore(subscribe, readRole, () => ''),
  setRole,
];
