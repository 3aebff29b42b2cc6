'use client';

import { useRef, useState } from 'react';
import { v4 as uuid } from 'uuid';
import type { Message } from '../../core/message/message';
import type { ServiceBatch } from '../../core/service/service';
import { ask, problemWords } from '../device/line/api';
import { kitchenNow } from '../device/line/clock';
import { readRole } from '../device/useRole';
import { midnightOf } from './useLive';

export type Starting = {
  readonly busy: boolean;
  readonly refused: Message | null;
  /** Its pot holds another soup: the cook decides. */
  readonly inUse: string | null;
  readonly start: (batch: ServiceBatch, anyway?: boolean) => Promise<string | null>;
  readonly calm: () => void;
};

/** Starts batches of a service from its board. */
export function useStartBatch(serviceId: string, day: string): Starting {
  const [busy, setBusy] = useState(false);
  const [refused, setRefused] = useState<Message | null>(null);
  const [inUse, setInUse] = useState<string | null>(null);
  // One id for one batch: pressing twice, or again after a lost answer, starts it once.
  const ids = useRef(new Map<string, string>());
  const start = async (batch: ServiceBatch, anyway = false): Promise<string | null> => {
    if (busy) return null;
    const id = ids.current.get(batch.key) ?? uuid();
    ids.current.set(batch.key, id);
    setBusy(true);
    setRefused(null);
    setInUse(null);
    const answer = await ask('POST /api/services/[id]/start', {
      at: { id: serviceId },
      body: {
        key: batch.key,
        id,
        startedAt: new Date(kitchenNow()).toISOString(),
        serveAt: new Date(midnightOf(day) + batch.due * 60_000).toISOString(),
        by: readRole(),
        ...(anyway && { anyway }),
      },
    });
    setBusy(false);
    if (answer.ok) return id;
    if (answer.status === 409 && answer.problems[0]?.field === 'vesselId') setInUse(batch.key);
    setRefused(problemWords(answer.problems));
    return null;
  };
  return { busy, refused, inUse, start, calm: () => setRefused(null) };
}
