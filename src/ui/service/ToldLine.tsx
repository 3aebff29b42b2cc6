'use client';

import { CloudOff, Users } from 'lucide-react';
import type { MergeTold } from '../../core/service/merge';
import { useSay } from '../shared/hooks/useSay';
import { BUTTON } from '../shared/styles';
import type { KeptService } from './useService';

type Props = { readonly kept: KeptService; readonly nameOf: (key: string) => string };

/** What somebody else changed at the same time, and what waits for the server. */
export function ToldLine({ kept, nameOf }: Props) {
  const say = useSay();
  const words = (told: MergeTold): string =>
    told.what === 'setting'
      ? say('a setting of the service')
      : told.what === 'place'
        ? say('where {soup} stands', { soup: nameOf(told.key) })
        : say('what is ordered of {soup}', { soup: nameOf(told.id) });
  if (kept.told.length > 0)
    return (
      <div
        role="alert"
        className="flex shrink-0 flex-wrap items-center gap-3 border-ink border-b-2 bg-butter px-5 py-1.5 text-on-butter"
      >
        <Users size={22} aria-hidden />
        <p className="min-w-0 flex-1 basis-64 font-bold">
          {say('Somebody else changed it too, and theirs stands: {what}.', {
            what: { and: kept.told.map(words) },
          })}
        </p>
        <button type="button" className={BUTTON} onClick={kept.mine}>
          {say('Put mine back')}
        </button>
        <button type="button" className={BUTTON} onClick={kept.calm}>
          {say('Leave theirs')}
        </button>
      </div>
    );
  if (kept.waiting && kept.refused === null)
    return (
      <p className="sr-only" role="status">
        {say('Being saved.')}
      </p>
    );
  return kept.refused ? (
    <p className="flex shrink-0 items-center gap-2 border-ink border-b-2 px-5 py-1 font-bold text-tomato">
      <CloudOff size={20} aria-hidden /> {say('Not saved.')}
    </p>
  ) : null;
}
