'use client';

import { message } from '../../core/message/message';
import { merged } from '../../core/service/merge';
import type { Service } from '../../core/service/service';
import { ask } from '../device/line/api';
import { did } from '../device/undo/undo';
import { readRole } from '../device/useRole';

/** A service that is open on this page: how it stands, and how it is changed. */
type Open = { readonly now: () => Service; readonly change: (next: Service) => void };

const open = new Map<string, Open>();

/** Says that a service is open on this page, until what is returned is called. */
export function opened(id: string, it: Open): () => void {
  open.set(id, it);
  return () => {
    if (open.get(id) === it) open.delete(id);
  };
}

/** Turns the change from `from` to `to` round on the service as it stands now, here or at the server: what others changed since stays. */
async function turnRound(id: string, from: Service, to: Service): Promise<void> {
  const here = open.get(id);
  if (here) return here.change(merged(from, to, here.now()).service);
  const stored = await ask('GET /api/services/[id]', { at: { id } });
  if (!stored.ok) return;
  await ask('PUT /api/services', {
    body: {
      service: merged(from, to, stored.body.service).service,
      base: stored.body.revision,
      by: readRole(),
    },
  });
}

const WORDS = message('a change of the service');

/** Remembers a change of a service, so that it can be taken back on every view. */
export const didChange = (before: Service, after: Service): void =>
  did({
    words: WORDS,
    undo: () => void turnRound(before.id, after, before),
    redo: () => void turnRound(before.id, before, after),
  });
