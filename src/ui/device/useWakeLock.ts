'use client';

import { useEffect } from 'react';

/** Keeps the screen on while the component stands, where the browser can. */
export function useWakeLock(): void {
  useEffect(() => {
    let lock: WakeLockSentinel | null = null;
    let over = false;
    const hold = async () => {
      if (over || document.visibilityState !== 'visible') return;
      lock = (await navigator.wakeLock?.request('screen').catch(() => null)) ?? null;
      if (over) await lock?.release();
    };
    void hold();
    // The browser lets go when the page is hidden.
    document.addEventListener('visibilitychange', hold);
    return () => {
      over = true;
      document.removeEventListener('visibilitychange', hold);
      void lock?.release();
    };
  }, []);
}
