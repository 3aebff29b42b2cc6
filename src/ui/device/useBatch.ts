'use client';

import { useCallback, useEffect, useMemo, useState, useSyncExternalStore } from 'react';
import type { BatchEvent, EventBody } from '../../core/batch/events';
import type { Batch } from '../../core/batch/record';
import type { Message } from '../../core/message/message';
import { ask } from './line/api';
import { useNews } from './line/live';
import { beginOutbox, EMPTY, onOutbox, outbox, rememberEvents, rememberedEvents, tap } from './outbox';

const merged = (...lists: readonly (readonly BatchEvent[])[]): readonly BatchEvent[] => [
  ...new Map(lists.flat().map((e) => [e.id, e])).values(),
];

type LiveBatch = {
  readonly batch: Batch;
  /** Taps of this batch that are not with the server yet. */
  readonly unsent: number;
  readonly refused: Message | null;
  /** At the time and under the id of another line, where it stands in that one’s place. */
  readonly write: (body: EventBody, at?: string, id?: string) => BatchEvent;
};

/**
 * A batch as all stations together have it: what the server had when the page came, what it has told since,
 * what this device knew, and what was tapped here and waits.
 */
export function useBatch(initial: Batch): LiveBatch {
  const { id } = initial;
  const [events, setEvents] = useState(initial.events);
  const { waiting, sent, refused } = useSyncExternalStore(onOutbox, outbox, () => EMPTY);
  const add = useCallback(
    (more: readonly BatchEvent[]) =>
      setEvents((known) => {
        const all = merged(known, more);
        return all.length === known.length ? known : all;
      }),
    [],
  );
  const readAnew = useCallback(async () => {
    const answer = await ask('GET /api/batches/[id]', { at: { id } });
    if (answer.ok) add(answer.body.events);
  }, [id, add]);

  useEffect(() => {
    beginOutbox();
    void rememberedEvents(id).then(add);
  }, [id, add]);
  useNews((news) => {
    if (news.kind === 'again') void readAnew();
    else if (news.kind === 'told' && news.batch === id) {
      if (news.event) add([news.event]);
      else void readAnew();
    }
  });
  useEffect(() => {
    void rememberEvents(id, events);
  }, [id, events]);

  const own = useMemo(
    () => [...sent, ...waiting].flatMap((w) => (w.of !== 'keep' && w.batch === id ? [w.event] : [])),
    [sent, waiting, id],
  );
  const batch = useMemo(() => ({ ...initial, events: merged(events, own) }), [initial, events, own]);
  return {
    batch,
    unsent: waiting.filter((w) => w.of !== 'keep' && w.batch === id).length,
    refused: refused?.of !== 'keep' && refused?.batch === id ? refused.says : null,
    write: useCallback((body: EventBody, at?: string, as?: string) => tap(id, body, at, as), [id]),
  };
}
