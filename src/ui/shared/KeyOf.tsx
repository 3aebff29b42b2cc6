'use client';

import { term } from '../../core/message/term';
import type { Via } from '../../core/record/line';
import { useSay } from './hooks/useSay';

/** By whose key a line was written: the station, what it might do then, and who it said it was where that is another. */
export function KeyOf({ via }: { readonly via: Via }) {
  const say = useSay();
  return (
    <span className="text-quiet">
      {say('{station}, {access}', { station: via.name, access: term(via.access) })}
      {via.said && ` ${say('(said: {said})', { said: via.said })}`}
    </span>
  );
}
