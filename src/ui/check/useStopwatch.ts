'use client';

import { useEffect, useRef, useState } from 'react';
import { chime } from '../device/ring';
import { useShortcut } from '../frame/keys/Shortcuts';

type Stopwatch = {
  /** s since it was started, renewed ten times a second; null when it stands. */
  readonly seconds: number | null;
  /** Starts it, or stops it and gives the seconds. */
  readonly press: () => number | null;
  readonly reset: () => void;
};

/**
 * A stop-watch for a knuckle or the space bar. It counts by the monotonic clock, so that a corrected wall
 * clock does not move it. With `rings` it chimes once when those seconds are over.
 */
export function useStopwatch(rings: number | null, onSpace: () => void): Stopwatch {
  const from = useRef<number | null>(null);
  const [seconds, setSeconds] = useState<number | null>(null);
  const rung = useRef(false);
  useEffect(() => {
    const timer = setInterval(() => {
      if (from.current === null) return;
      const now = (performance.now() - from.current) / 1000;
      setSeconds(now);
      if (rings !== null && now >= rings && !rung.current) {
        rung.current = true;
        chime();
      }
    }, 100);
    return () => clearInterval(timer);
  }, [rings]);
  useShortcut('watch', onSpace);
  return {
    seconds,
    press: () => {
      if (from.current === null) {
        from.current = performance.now();
        rung.current = false;
        setSeconds(0);
        return null;
      }
      const took = (performance.now() - from.current) / 1000;
      from.current = null;
      setSeconds(null);
      return took;
    },
    reset: () => {
      from.current = null;
      setSeconds(null);
    },
  };
}
