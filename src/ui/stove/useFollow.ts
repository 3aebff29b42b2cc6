'use client';

import { useEffect, useMemo, useRef, useState } from 'react';
import {
  type Ahead,
  ahead,
  type DoubtAhead,
  doubtAhead,
  potAt,
  stepEndsAt,
} from '../../core/batch/follow/ahead';
import { type Followed, follow } from '../../core/batch/follow/follow';
import type { Batch } from '../../core/batch/record';
// The pots are followed on this page.
import '../../core/food/load';
import { type Observation, observe } from '../../core/pot/observe';
import type { Pot } from '../../core/pot/pot';

/** The batch as the model goes along with it, now. */
export type Going = {
  readonly followed: Followed;
  readonly pot: Pot;
  readonly seen: Observation;
  /** ms at which the step at hand should be over. */
  readonly endsAt: number;
  readonly to: Ahead;
  /** Null for the moment it takes to work out. */
  readonly doubt: DoubtAhead | null;
};

/** The end moves little from second to second: worked out anew this often, ms, and at every event. */
const ANEW = 20_000;

/** Follows a batch on the page: every event moves it at once, the clock moves it every second. Null until the page is live, or when its record cannot be followed. */
export function useFollow(batch: Batch, now: number | null): Going | null {
  const before = useRef<Followed | null>(null);
  const live = now !== null;
  const followed = useMemo(() => {
    if (!live) return null;
    performance.mark('panache:followed');
    before.current = follow(batch, before.current);
    return before.current;
  }, [batch, live]);
  const slow = now === null ? null : Math.floor(now / ANEW) * ANEW;
  const moment = useRef(now);
  moment.current = now;
  const to = useMemo(() => {
    if (!followed || slow === null) return null;
    const found = ahead(followed, moment.current ?? slow, batch.plan.litres);
    if (performance.getEntriesByName('panache:followed').length > 0)
      performance.measure('panache:solved', 'panache:followed');
    performance.clearMarks('panache:followed');
    return found;
  }, [followed, slow, batch.plan.litres]);
  const [doubt, setDoubt] = useState<{ of: Ahead; found: DoubtAhead } | null>(null);
  useEffect(() => {
    if (!followed || !to) return;
    // After the screen has shown what was tapped.
    const timer = setTimeout(() => setDoubt({ of: to, found: doubtAhead(followed, to) }), 30);
    return () => clearTimeout(timer);
  }, [followed, to]);
  const endsAt = useMemo(() => (followed ? stepEndsAt(followed) : 0), [followed]);
  if (!followed || !to || now === null) return null;
  const { strand } = potAt(followed, now);
  return {
    followed,
    pot: strand.pot,
    seen: observe(strand.pot, strand.kitchen),
    endsAt,
    to,
    doubt: doubt?.found ?? null,
  };
}
