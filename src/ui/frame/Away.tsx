'use client';

import { useEffect, useState } from 'react';
import { useSay } from '../shared/hooks/useSay';
import { PRIMARY } from '../shared/styles';

const EVERY = 2000;
/** When it was last loaded again by itself, ms; not sooner than this after. */
const RELOADED = 'panache.reloaded';
const CALM = 20_000;

/** Shown where a page could not be made: says so plainly, asks until the server is well, and shows the page then. */
export function Away({ onAgain }: { onAgain: () => void }) {
  const say = useSay();
  const [tries, setTries] = useState(0);
  useEffect(() => {
    let ended = false;
    const ask = async () => {
      const well = await fetch('/api/health', { cache: 'no-store' }).then(
        (r) => r.ok,
        () => false,
      );
      if (ended) return;
      setTries((n) => n + 1);
      // A page that fails for a reason of its own is not asked for every two seconds.
      const last = Number(sessionStorage.getItem(RELOADED) ?? 0);
      if (!well || Date.now() - last < CALM) return;
      sessionStorage.setItem(RELOADED, String(Date.now()));
      location.reload();
    };
    const timer = setInterval(ask, EVERY);
    return () => {
      ended = true;
      clearInterval(timer);
    };
  }, []);
  return (
    <div className="grid h-full min-h-80 place-content-center gap-4 p-8 text-center">
      <h1 className="font-bold text-[40px] leading-tight">{say('This page cannot be shown now')}</h1>
      <p className="mx-auto max-w-140 text-[20px]">
        {say(
          'The kitchen’s server or its database is away, or this page failed. Cook on: what was tapped is kept on this device and sent as soon as that goes.',
        )}
      </p>
      <p role="status" className="font-bold">
        {tries === 0
          ? say('Trying again …')
          : say('Tried {tries, plural, one {# time} other {# times}}, trying on.', { tries })}
      </p>
      <p>
        <button type="button" className={`mx-auto text-[24px] ${PRIMARY}`} onClick={onAgain}>
          {say('Try now')}
        </button>
      </p>
    </div>
  );
}
