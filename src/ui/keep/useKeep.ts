'use client';

import { useCallback, useEffect, useMemo, useRef, useState, useSyncExternalStore } from 'react';
import type { KeepOpened } from '../../contract/keep';
import type { KeepBody, KeepEvent } from '../../core/keep/events';
import type { LotState } from '../../core/keep/lot';
import { lotState } from '../../core/keep/safe/fold';
import type { House } from '../../core/kitchen/house';
import type { Message } from '../../core/message/message';
import { ask } from '../device/line/api';
import { keepHead } from '../device/line/heads';
import { useNews } from '../device/line/live';
import { beginOutbox, EMPTY, onOutbox, outbox, tapKeep } from '../device/outbox';

export type Keep = Omit<KeepOpened, 'house'> & {
  readonly states: readonly LotState[];
  readonly unsent: number;
  readonly refused: Message | null;
  readonly write: (lot: string, body: KeepBody, at?: string, id?: string) => KeepEvent;
};

const merged = (a: readonly KeepEvent[], b: readonly KeepEvent[]): readonly KeepEvent[] =>
  b.length === 0 ? a : [...new Map([...a, ...b].map((e) => [e.id, e])).values()];

/** Something may have changed together: it is read once, this long after, ms. */
const TOGETHER = 150;

/** All that is kept as all stations together have it, and what was tapped here and waits; `asked` is what the page is opened for. */
export function useKeep(first: KeepOpened, { keeping }: House, asked: string | null): Keep {
  const [told, setTold] = useState(first);
  const { waiting, sent, refused } = useSyncExternalStore(onOutbox, outbox, () => EMPTY);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const readAnew = useCallback(() => {
    clearTimeout(timer.current);
    timer.current = setTimeout(async () => {
      const answer = await ask('GET /api/keep', {});
      if (answer.ok) setTold(answer.body);
    }, TOGETHER);
  }, []);
  // Put by while this page was on its way: it was told of before anybody here listened.
  const missing = asked !== null && !first.lots.some((l) => l.id === asked);
  useEffect(() => {
    beginOutbox();
    if (missing) readAnew();
    return () => clearTimeout(timer.current);
  }, [missing, readAnew]);
  useNews((news) => {
    // Of a batch only its end says anything here.
    const ends =
      news.kind === 'told' &&
      ['finished', 'withdrawn', 'cleared'].includes(news.event?.body.kind ?? 'finished');
    if (news.kind === 'keep' || news.kind === 'again' || ends) readAnew();
  });
  useEffect(() => keepHead(told.head), [told.head]);

  const own = useMemo(() => {
    const by = new Map<string, KeepEvent[]>();
    for (const w of [...sent, ...waiting])
      if (w.of === 'keep') by.set(w.batch, [...(by.get(w.batch) ?? []), w.event]);
    return by;
  }, [sent, waiting]);
  const lots = useMemo(() => {
    const known = told.lots.map((l) => ({ ...l, events: merged(l.events, own.get(l.id) ?? []) }));
    const here = new Set(known.map((l) => l.id));
    // What was put by here and the server has not told of yet; what is over there is not brought back.
    const fresh = [...own].flatMap(([id, events]) =>
      id === 'kitchen' || here.has(id) || !events.some((e) => e.body.kind === 'put by')
        ? []
        : [{ id, events }],
    );
    return [...known, ...fresh];
  }, [told.lots, own]);
  const states = useMemo(
    () => lots.flatMap((l) => lotState(l, keeping) ?? []).filter((s) => s.stage !== 'over'),
    [lots, keeping],
  );
  const kitchenLines = useMemo(
    () => merged(told.kitchenLines, own.get('kitchen') ?? []),
    [told.kitchenLines, own],
  );
  // The same lines are the same list: what hangs on them is not worked out anew.
  const films = useRef(told.filmLines);
  if (films.current.map((e) => e.id).join() !== told.filmLines.map((e) => e.id).join())
    films.current = told.filmLines;
  return {
    lots,
    more: told.more,
    states,
    kitchenLines,
    filmLines: films.current,
    head: told.head,
    unsent: waiting.filter((w) => w.of === 'keep').length,
    refused: refused?.of === 'keep' ? refused.says : null,
    write: tapKeep,
  };
}
