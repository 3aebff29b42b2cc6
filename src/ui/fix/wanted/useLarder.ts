import { useEffect, useMemo, useState } from 'react';
import { keptIn } from '../../../core/adjust/larder';
import type { House } from '../../../core/kitchen/house';

const AWAY = 'panache.not-to-hand';

/** What the house keeps that could mend a soup, less what was said to be out. */
export function useLarder(house: House) {
  const [away, setAway] = useState<ReadonlySet<string>>(new Set());
  useEffect(() => {
    try {
      setAway(new Set(JSON.parse(localStorage.getItem(AWAY) ?? '[]') as string[]));
    } catch {
      // What cannot be read: all of it is to hand.
    }
  }, []);
  const keeps = useMemo(() => keptIn(Object.values(house.kitchen.products ?? {})), [house]);
  const larder = useMemo(() => keeps.filter((id) => !away.has(id)), [keeps, away]);
  const toggle = (id: string) =>
    setAway((before) => {
      const next = new Set(before);
      if (!next.delete(id)) next.add(id);
      localStorage.setItem(AWAY, JSON.stringify([...next]));
      return next;
    });
  return { keeps, larder, toggle };
}
