'use client';

import { useSay } from '../shared/hooks/useSay';
import { BUTTON } from '../shared/styles';

/** The first thing a keyboard comes to: past the rail and the views, to what the page is about. */
export function SkipLink() {
  const say = useSay();
  return (
    <a
      href="#content"
      className={`sr-only focus:not-sr-only focus:fixed! focus:top-1 focus:left-1 focus:z-50 ${BUTTON}`}
    >
      {say('Skip to the content')}
    </a>
  );
}
