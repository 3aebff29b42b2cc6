'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import type { StoredService } from '../../contract/services';
import type { Message } from '../../core/message/message';
import { type MergeTold, merged, withMine } from '../../core/service/merge';
import type { Service } from '../../core/service/service';
import { ask, problemWords } from '../device/line/api';
import { useLine, useNews } from '../device/line/live';
import { readRole } from '../device/useRole';

/** ms a change rests before it is saved. */
const REST = 500;
/** ms until what the server did not take is sent again. */
const AGAIN = 4000;

const place = (id: string) => `panache.service.${id}`;

/** What this station changed and the server has not: kept over a reload. */
function waitingOf(id: string): (StoredService & { readonly mine: true }) | null {
  try {
    return JSON.parse(localStorage.getItem(place(id)) ?? 'null');
  } catch {
    return null;
  }
}

export type KeptService = {
  readonly service: Service;
  readonly revision: number;
  readonly change: (next: Service) => void;
  /** Not yet at the server. */
  readonly waiting: boolean;
  /** What somebody else had changed too; as they have it stands. `mine` brings back what was set here. */
  readonly told: readonly MergeTold[];
  readonly mine: () => void;
  readonly calm: () => void;
  readonly refused: Message | null;
};

/**
 * A service on this station: changed at once, saved when it rests, kept while the server is away, and put together
 * with what others change.
 */
export function useService(first: StoredService): KeptService {
  const [stored, setStoredService] = useState(first);
  const [service, setService] = useState(first.service);
  const [waiting, setWaiting] = useState(false);
  const [told, setTold] = useState<readonly MergeTold[]>([]);
  const [refused, setRefused] = useState<Message | null>(null);
  const lost = useRef<Service | null>(null);
  const now = useRef({ service: first.service, revision: first.revision, dirty: false, saving: false });
  const up = useLine();

  const again = useRef<ReturnType<typeof setTimeout>>(undefined);
  const save = useCallback(async () => {
    if (now.current.saving || !now.current.dirty) return;
    now.current.saving = true;
    const mine = now.current.service;
    now.current.dirty = false;
    const answer = await ask('PUT /api/services', {
      body: {
        service: mine,
        base: now.current.revision,
        by: readRole(),
      },
    });
    now.current.saving = false;
    if (!answer.ok) {
      setRefused(answer.again ? null : problemWords(answer.problems));
      now.current.dirty = answer.again;
      setWaiting(answer.again);
      if (answer.again) {
        clearTimeout(again.current);
        again.current = setTimeout(() => void save(), AGAIN);
      }
      return;
    }
    setRefused(null);
    now.current.revision = answer.body.revision;
    setStoredService(answer.body);
    if (answer.body.told.length > 0) {
      lost.current = mine;
      setTold(answer.body.told);
    }
    // What was changed while it was under way goes onto what came back, and is saved next.
    now.current.service = merged(mine, now.current.service, answer.body.service).service;
    setService(now.current.service);
    if (now.current.dirty) return void save();
    setWaiting(false);
    localStorage.removeItem(place(mine.id));
  }, []);

  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const change = useCallback(
    (next: Service) => {
      now.current.service = next;
      now.current.dirty = true;
      setService(next);
      setWaiting(true);
      localStorage.setItem(
        place(next.id),
        JSON.stringify({ service: next, revision: now.current.revision, mine: true }),
      );
      clearTimeout(timer.current);
      timer.current = setTimeout(() => void save(), REST);
    },
    [save],
  );

  useEffect(() => {
    const left = waitingOf(first.service.id);
    if (!left) return;
    now.current = { service: left.service, revision: left.revision, dirty: true, saving: false };
    setService(left.service);
    setWaiting(true);
    void save();
  }, [first, save]);
  useEffect(() => {
    if (up) void save();
  }, [up, save]);

  useNews((news) => {
    const mine =
      news.kind === 'service' && news.service === service.id && news.revision > now.current.revision;
    if (!mine && news.kind !== 'again') return;
    if (now.current.dirty || now.current.saving) return;
    void ask('GET /api/services/[id]', { at: { id: service.id } }).then((answer) => {
      if (!answer.ok || now.current.dirty || answer.body.revision <= now.current.revision) return;
      now.current = { ...now.current, service: answer.body.service, revision: answer.body.revision };
      setStoredService(answer.body);
      setService(answer.body.service);
    });
  });

  return {
    service,
    revision: stored.revision,
    change,
    waiting,
    told,
    mine: () => {
      if (lost.current) change(withMine(service, lost.current, told));
      setTold([]);
    },
    calm: () => setTold([]),
    refused,
  };
}
