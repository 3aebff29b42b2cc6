'use client';

import { useEffect, useState } from 'react';
import { v4 as uuid } from 'uuid';

/** Everything typed and both stop-watches, kept on the device: the test takes an hour. */
export type TypedWaterTest = {
  readonly id: string;
  readonly vesselId: string;
  readonly burnerId: string;
  readonly by: 'weight' | 'level';
  readonly litres: string;
  readonly startCelsius: string;
  readonly heatedTo: string;
  readonly heatMinutes: string;
  readonly keptAt: string;
  readonly keptMinutes: string;
  readonly before: string;
  readonly after: string;
  /** Milliseconds when each stop-watch was started; null when it stands. */
  readonly heatFrom: number | null;
  readonly keptFrom: number | null;
};

const KEY = 'panache.water-test';

const fresh = (vesselId: string, burnerId: string): TypedWaterTest => ({
  id: uuid(),
  vesselId,
  burnerId,
  by: 'weight',
  litres: '',
  startCelsius: '15',
  heatedTo: '90',
  heatMinutes: '',
  keptAt: '95',
  keptMinutes: '',
  before: '',
  after: '',
  heatFrom: null,
  keptFrom: null,
});

/** A water test under way: what is typed, kept on the device until it is sent. */
export function useTypedWaterTest(first: string, burnerId: string) {
  const [typed, setTyped] = useState<TypedWaterTest>(() => fresh(first, burnerId));
  useEffect(() => {
    try {
      const kept = JSON.parse(localStorage.getItem(KEY) ?? 'null') as TypedWaterTest | null;
      if (kept?.vesselId === first) setTyped(kept);
    } catch {
      // What cannot be read is begun anew.
    }
  }, [first]);
  return {
    typed,
    change: (to: Partial<TypedWaterTest>) =>
      setTyped((t) => {
        const next = { ...t, ...to };
        localStorage.setItem(KEY, JSON.stringify(next));
        return next;
      }),
    /** It was sent: the next visit begins anew. */
    forget: () => localStorage.removeItem(KEY),
    begin: (vesselId: string, burner: string) => setTyped(fresh(vesselId, burner)),
  };
}
