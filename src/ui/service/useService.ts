'use client';

import { type RefObject, useCallback, useEffect, useRef, useState } from 'react';
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

const keepWaiting = (service: Service, revision: number): void =>
  localStorage.setItem(place(service.id), JSON.stringify({ service, revision, mine: true }));

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

/** The service as this station has it; changed and not at the server yet, on its way there. */
type Now = { service: Service; revision: number; dirty: boolean; saving: boolean };

/** Tells of what others made of it, where nothing of this station is on its way. */
function useOthers(id: string, now: RefObject<Now>, onNewer: (stored: StoredService) => void): void {
  useNews((news) => {
    const mine = news.kind === 'service' && news.service === id && news.revision > now.current.revision;
    if (!mine && news.kind !== 'again') return;
    if (now.current.dirty || now.current.saving) return;
    void ask('GET /api/services/[id]', { at: { id: id } }).then((answer) => {
      if (!answer.ok || now.current.dirty || answer.body.revision <= now.current.revision) return;
      now.current = { ...now.current, service: answer.body.service, revision: answer.body.revision };
      onNewer(answer.body);
    });
  });
}

/** Saves what waits as soon as the server is there again. */
function useWhenUp(save: () => Promise<void>): void {
  const up = useLine();
  useEffect(() => {
    if (up) void save();
  }, [up, save]);
}

/** What somebody else had changed too: as they have it stands, and what was set here can be put back. */
function useClashed() {
  const [told, setTold] = useState<readonly MergeTold[]>([]);
  const lost = useRef<Service | null>(null);
  const tell = useCallback((mine: Service, clashes: readonly MergeTold[]) => {
    if (clashes.length === 0) return;
    lost.current = mine;
    setTold(clashes);
  }, []);
  return {
    told,
    tell,
    mine: (now: Service, change: (next: Service) => void) => {
      if (lost.current) change(withMine(now, lost.current, told));
      setTold([]);
    },
    calm: () => setTold([]),
  };
}

/**
 * A service on this station: changed at once, saved when it rests, kept while the server is away, and put together
 * with what others change.
 */
export function useService(first: StoredService): KeptService {
  const [stored, setStoredService] = useState(first);
  const [service, setService] = useState(first.service);
  const [waiting, setWaiting] = useState(false);
  const [refused, setRefused] = useState<Message | null>(null);
  const clashed = useClashed();
  const { tell } = clashed;
  const now = useRef<Now>({ ...first, dirty: false, saving: false });

  const again = useRef<ReturnType<typeof setTimeout>>(undefined);
  const save = useCallback(async () => {
    if (now.current.saving || !now.current.dirty) return;
    now.current.saving = true;
    const mine = now.current.service;
    now.current.dirty = false;
    const base = now.current.revision;
    const answer = await ask('PUT /api/services', { body: { service: mine, base, by: readRole() } });
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
    tell(mine, answer.body.told);
    // What was changed while it was under way goes onto what came back, and is saved next.
    now.current.service = merged(mine, now.current.service, answer.body.service).service;
    setService(now.current.service);
    if (now.current.dirty) return void save();
    setWaiting(false);
    localStorage.removeItem(place(mine.id));
  }, [tell]);

  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const change = useCallback(
    (next: Service) => {
      now.current.service = next;
      now.current.dirty = true;
      setService(next);
      setWaiting(true);
      keepWaiting(next, now.current.revision);
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
  useWhenUp(save);

  useOthers(service.id, now, (newer) => {
    setStoredService(newer);
    setService(newer.service);
  });

  return {
    service,
    revision: stored.revision,
    change,
    waiting,
    told: clashed.told,
    mine: () => clashed.mine(service, change),
    calm: clashed.calm,
    refused,
  };
}
