'use client';

import { useEffect, useState } from 'react';
import { kitchenNow, watchClock } from './line/clock';

/** The time by the server’s clock, ms, renewed every second; null until the page is live, so that server and page agree. */
export function useNow(): number | null {
  const [now, setNow] = useState<number | null>(null);
  useEffect(() => {
    setNow(kitchenNow());
    const timer = setInterval(() => {
      watchClock();
      setNow(kitchenNow());
    }, 1000);
    return () => clearInterval(timer);
  }, []);
  return now;
}
