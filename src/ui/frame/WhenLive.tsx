'use client';

import { type ReactNode, useEffect, useState } from 'react';
import { useSay } from '../shared/hooks/useSay';

/** Shows a form only once the page is live: what is typed before that would be lost when it comes alive. */
export function WhenLive({ children }: { children: ReactNode }) {
  const say = useSay();
  const [live, setLive] = useState(false);
  useEffect(() => setLive(true), []);
  return live ? (
    children
  ) : (
    <p role="status" className="p-8 text-quiet">
      {say('One moment …')}
    </p>
  );
}
