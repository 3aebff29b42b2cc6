'use client';

import { useEffect, useRef, useState } from 'react';
import { v4 as uuid } from 'uuid';
import type { BatchEvent, EventBody } from '../../core/batch/events';
import { readRole } from '../kitchen/useRole';
import { railChanged } from '../shared/railChange';
import { send } from '../shared/send';

const AGAIN = 3000;

const keyOf = (batchId: string): string => `panache.unsent.${batchId}`;

const stored = (batchId: string): readonly BatchEvent[] => {
  try {
    return JSON.parse(localStorage.getItem(keyOf(batchId)) ?? '[]') as readonly BatchEvent[];
  } catch {
    return [];
  }
};

export type Events = {
  readonly events: readonly BatchEvent[];
  readonly unsent: number;
  readonly refused: string | null;
  readonly write: (body: EventBody) => void;
};

/**
 * A batch's events and the way to add one. A tap shows at once, waits on this device until the
 * server has it, and is sent again under the same id if the answer was lost.
 */
export function useEvents(batchId: string, fromServer: readonly BatchEvent[]): Events {
  const [unsent, setUnsent] = useState<readonly BatchEvent[]>([]);
  const [sent, setSent] = useState<readonly BatchEvent[]>(fromServer);
  const [refused, setRefused] = useState<string | null>(null);
  const queue = useRef<readonly BatchEvent[]>([]);
  const busy = useRef(false);

  const keep = (next: readonly BatchEvent[]) => {
    queue.current = next;
    localStorage.setItem(keyOf(batchId), JSON.stringify(next));
    setUnsent(next);
  };
  const flush = async () => {
    if (busy.current) return;
    busy.current = true;
    for (let event = queue.current[0]; event; event = queue.current[0]) {
      const answer = await send(`/api/batches/${batchId}/events`, event);
      if (!answer.ok && answer.again) break;
      const done = event;
      if (answer.ok) setSent((s) => (s.some((e) => e.id === done.id) ? s : [...s, done]));
      else setRefused(answer.says);
      keep(queue.current.filter((e) => e.id !== done.id));
      railChanged();
    }
    busy.current = false;
  };
  const latestFlush = useRef(flush);
  useEffect(() => {
    latestFlush.current = flush;
  });

  useEffect(() => {
    queue.current = stored(batchId);
    setUnsent(queue.current);
    void latestFlush.current();
    const timer = setInterval(() => queue.current.length && latestFlush.current(), AGAIN);
    return () => clearInterval(timer);
  }, [batchId]);

  const write = (body: EventBody) => {
    setRefused(null);
    keep([
      ...queue.current,
      { id: uuid(), at: new Date().toISOString(), station: readRole() || 'Stove', body },
    ]);
    void flush();
  };
  const waiting = unsent.filter((e) => !sent.some((s) => s.id === e.id));
  return { events: [...sent, ...waiting], unsent: waiting.length, refused, write };
}
