'use client';

import { useRef, useState } from 'react';
import { v4 as uuid } from 'uuid';
import type { Order } from '../../core/order/order';
import { ask, problemWords } from '../device/line/api';
import { kitchenNow } from '../device/line/clock';
import { useSay } from '../shared/hooks/useSay';

/** Begins a batch on the server: under way, refused and why, and whether its pot holds another soup. */
export function useBegin() {
  const say = useSay();
  const [starting, setStarting] = useState(false);
  const [refused, setRefused] = useState<string | null>(null);
  const [inUse, setInUse] = useState(false);
  // One id for one order: pressing twice, or again after a lost answer, starts one batch.
  const batch = useRef({ of: '', id: '' });

  /** The batch's id once it is begun, null where it is refused; `of` tells one order from another. */
  const begin = async (
    of: string,
    order: Order,
    serveAt: Date | null,
    anyway: boolean,
  ): Promise<string | null> => {
    if (batch.current.of !== of) batch.current = { of, id: uuid() };
    const { id } = batch.current;
    setStarting(true);
    setRefused(null);
    setInUse(false);
    const answer = await ask('POST /api/batches', {
      body: {
        ...order,
        id,
        startedAt: new Date(kitchenNow()).toISOString(),
        serveAt: serveAt?.toISOString() ?? null,
        ...(anyway && { anyway }),
      },
    });
    if (answer.ok) return id;
    setStarting(false);
    // Another soup stands in that pot: the cook decides.
    setInUse(answer.status === 409 && answer.problems[0]?.field === 'vesselId');
    setRefused(say(problemWords(answer.problems)));
    return null;
  };

  return { starting, refused, setRefused, inUse, begin };
}
