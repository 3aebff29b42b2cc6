import { useEffect, useState } from 'react';
import type { Fault } from '../../../core/adjust/faults';
import type { Allergen } from '../../../core/food/ingredient';

/** What was tapped about a pot that is to be put right. */
export type WantedFix = {
  readonly faults: readonly Fault[];
  readonly freeOf: readonly Allergen[];
  readonly noFlour: boolean;
  readonly keepYield: boolean;
  /** When it has to be on the pass, ms, where that was said; the minutes left run down to it. */
  readonly by: number | null;
};

const NOTHING: WantedFix = { faults: [], freeOf: [], noFlour: false, keepYield: false, by: null };

/** Kept while the tab is open, so that going to the flow test and back, or a reload, asks nothing twice. */
export function useWanted(batchId: string) {
  const key = `panache.fix.${batchId}`;
  const [wanted, setWanted] = useState(NOTHING);
  useEffect(() => {
    try {
      setWanted({ ...NOTHING, ...JSON.parse(sessionStorage.getItem(key) ?? '{}') });
    } catch {
      // What cannot be read is asked again.
      setWanted(NOTHING);
    }
  }, [key]);
  const want = (change: Partial<WantedFix>) => {
    const next = { ...wanted, ...change };
    sessionStorage.setItem(key, JSON.stringify(next));
    setWanted(next);
  };
  return [wanted, want] as const;
}
