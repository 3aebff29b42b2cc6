'use client';

import { useRouter } from 'next/navigation';
import { useRef, useState } from 'react';
import { v4 as uuid } from 'uuid';
import type { TimedOrder } from '../../core/order/order';
import type { Warning } from '../../core/plan/types';
import { warningLine } from '../../core/plan/warningWords';
import { requestOf } from '../order/address';
import { useSay } from '../shared/useSay';
import { ask, problemWords } from '../station/line/api';
import { kitchenNow } from '../station/line/clock';

/** Starting a batch of what is ordered: under way, refused and why, and whether it is another soup’s pot. */
export function useStart(
  order: TimedOrder,
  address: string,
  barred: Warning | undefined,
  serveAt: Date | null,
) {
  const say = useSay();
  const [starting, setStarting] = useState(false);
  const [refused, setRefused] = useState<string | null>(null);
  const [inUse, setInUse] = useState(false);
  const router = useRouter();

  // One id for one order: pressing twice, or again after a lost answer, starts one batch.
  const batch = useRef({ address: '', id: '' });
  const start = async (anyway = false) => {
    if (starting) return;
    if (barred) {
      setRefused(say(warningLine(barred)));
      return;
    }
    if (batch.current.address !== address) batch.current = { address, id: uuid() };
    setStarting(true);
    setRefused(null);
    setInUse(false);
    const answer = await ask('POST', '/api/batches', {
      ...requestOf(order),
      id: batch.current.id,
      startedAt: new Date(kitchenNow()).toISOString(),
      serveAt: serveAt?.toISOString() ?? null,
      ...(anyway && { anyway }),
    });
    if (!answer.ok) {
      setStarting(false);
      // Another soup stands in that pot: the cook decides.
      setInUse(answer.status === 409 && answer.problems[0]?.field === 'vesselId');
      setRefused(say(problemWords(answer.problems)));
      return;
    }
    router.push(`/stove/${batch.current.id}`);
  };

  return {
    starting,
    refused,
    inUse,
    start,
    /** What was refused no longer counts once something is changed. */
    calm: () => setRefused(null),
  };
}
