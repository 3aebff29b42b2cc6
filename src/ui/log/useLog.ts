'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import type { LogPage } from '../../contract/log';
import { ask } from '../device/line/api';

type Query = { readonly find: string; readonly soup: string; readonly landed: string };

/** ms a finger rests before what is typed is looked for. */
const RESTS = 250;

/** The log as it is looked through: by words and by soup, a page after another. */
export function useLog(first: LogPage, asked: Query) {
  const [query, setQuery] = useState(asked);
  const [page, setPage] = useState<LogPage>(first);
  const [looking, setLooking] = useState(false);
  const [failed, setFailed] = useState(false);
  const newest = useRef(0);
  const begun = useRef(true);

  const read = useCallback(async (q: Query, before: string | null): Promise<LogPage | null> => {
    const mine = ++newest.current;
    setLooking(true);
    const answer = await ask('GET /api/log', {
      query: {
        ...(q.find.trim() && { find: q.find.trim() }),
        ...(q.soup && { soup: q.soup }),
        ...(q.landed && { landed: q.landed }),
        ...(before && { before }),
      },
    });
    if (mine !== newest.current) return null;
    setLooking(false);
    setFailed(!answer.ok);
    return answer.ok ? answer.body : null;
  }, []);

  useEffect(() => {
    // The page came with its first answer.
    if (begun.current) {
      begun.current = false;
      return;
    }
    const timer = setTimeout(async () => {
      const found = await read(query, null);
      if (found) setPage(found);
    }, RESTS);
    return () => clearTimeout(timer);
  }, [query, read]);

  const more = async () => {
    const last = page.batches.at(-1);
    if (!last) return;
    const next = await read(query, `${last.startedAt}.${last.id}`);
    if (next) setPage({ ...next, batches: [...page.batches, ...next.batches] });
  };

  return {
    ...page,
    ...query,
    looking,
    failed,
    hasMore: page.more,
    more,
    look: (q: Partial<Query>) => setQuery((was) => ({ ...was, ...q })),
  };
}
