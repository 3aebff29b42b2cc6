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
import { type PanNow, pansEnd, pansNow } from '../../core/batch/follow/pansNow';
import type { Batch } from '../../core/batch/record';
// The pots are followed on this page.
import '../../core/food/load';
import { type Observation, observe } from '../../core/pot/observe';
import type { Pot } from '../../core/pot/pot';
import { useSay } from '../shared/hooks/useSay';

/** The batch as the model goes along with it, now. */
export type Going = {
  readonly followed: Followed;
  readonly pot: Pot;
  /** All pans of it, that pot first; none of a batch made in one. */
  readonly pans: readonly PanNow[];
  readonly seen: Observation;
  /** ms at which the step at hand should be over. */
  readonly endsAt: number;
  readonly to: Ahead;
  /** Null for the moment it takes to work out. */
  readonly doubt: DoubtAhead | null;
};

/** The end moves little from second to second: worked out anew this often, ms, and at every event. */
const ANEW = 20_000;

/**
 * A batch gone along with: null until the page is live, or when its record cannot be followed; `lost` when the
 * model failed at it, and only its plan is left.
 */
type Following = { readonly going: Going | null; readonly lost: boolean };

/** What `work` finds; null, and told once, where it fails: a batch the model cannot follow must not take its page down. */
function tried<T>(what: string, work: () => T): T | null {
  try {
    return work();
  } catch (error) {
    console.error(`${what}: ${error instanceof Error ? error.message : String(error)}`);
    return null;
  }
}

/** Follows a batch on the page: every event moves it at once, the clock moves it every second. */
export function useFollow(batch: Batch, now: number | null): Following {
  const say = useSay();
  const before = useRef<Followed | null>(null);
  const live = now !== null;
  const followed = useMemo(() => {
    if (!live) return null;
    performance.mark('panache:followed');
    before.current = tried('following', () => follow(batch, before.current));
    return before.current;
  }, [batch, live]);
  const slow = now === null ? null : Math.floor(now / ANEW) * ANEW;
  const moment = useRef(now);
  moment.current = now;
  const to = useMemo(() => {
    if (!followed || slow === null) return null;
    const found = tried(say('looking ahead'), () =>
      ahead(followed, moment.current ?? slow, batch.plan.litres),
    );
    if (performance.getEntriesByName('panache:followed').length > 0)
      performance.measure('panache:solved', 'panache:followed');
    performance.clearMarks('panache:followed');
    return found;
  }, [followed, slow, batch.plan.litres, say]);
  const [doubt, setDoubt] = useState<{ of: Ahead; found: DoubtAhead | null } | null>(null);
  useEffect(() => {
    if (!followed || !to) return;
    // After the screen has shown what was tapped.
    const timer = setTimeout(
      () => setDoubt({ of: to, found: tried('doubting', () => doubtAhead(followed, to)) }),
      30,
    );
    return () => clearTimeout(timer);
  }, [followed, to]);
  const endsAt = useMemo(
    () => (followed ? tried(say('the end of the step'), () => stepEndsAt(followed)) : 0),
    [followed, say],
  );
  const ends = useMemo(
    () => (followed ? tried(say('the end of the step'), () => pansEnd(followed)) : null),
    [followed, say],
  );
  // What a device shows is drawn as it comes; the pot is worked out anew once a second and at every event.
  const seen = useMemo(
    () =>
      followed && now !== null
        ? tried(say('the pot now'), () => {
            const { pot, kitchen } = potAt(followed, now).variant;
            return { pot, seen: observe(pot, kitchen), pans: ends ? pansNow(followed, ends, now) : [] };
          })
        : null,
    [followed, ends, now, say],
  );
  if (now === null) return { going: null, lost: false };
  if (!followed || !to || endsAt === null || !seen)
    return { going: null, lost: batch.plan.cooked !== undefined };
  return { going: { followed, ...seen, endsAt, to, doubt: doubt?.found ?? null }, lost: false };
}
