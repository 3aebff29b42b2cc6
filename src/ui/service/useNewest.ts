'use client';

import { useRouter } from 'next/navigation';
import { useEffect, useRef } from 'react';
import { ask } from '../device/line/api';

/**
 * A page come back to is shown as it was left, and may be older than what was put on the day since: it is asked once whether the
 * day has what it does not show, and read anew if so.
 */
export function useNewest(day: string, id: string, revision: number): void {
  const router = useRouter();
  const shown = useRef({ id, revision });
  shown.current = { id, revision };
  useEffect(() => {
    let gone = false;
    void ask('GET /api/services', { query: { day } }).then((answer) => {
      if (gone || !answer.ok || shown.current.revision > 0) return;
      const { services } = answer.body;
      const here = services.find((s) => s.service.id === shown.current.id);
      const first = here ?? services[0];
      // Not kept yet, and the day has one: that is what the page is for.
      if (first) {
        router.replace(`/service?day=${day}&id=${first.service.id}`);
        router.refresh();
      }
    });
    return () => {
      gone = true;
    };
  }, [day, router]);
}
