'use client';

import { Search } from 'lucide-react';
import { useRef } from 'react';
import { LANDINGS, type Landed } from '../../core/log/logged';
import { type Message, message } from '../../core/message/message';
import { useShortcut } from '../frame/keys/Shortcuts';
import { Pick } from '../shared/form/Field';
import { useSay } from '../shared/hooks/useSay';
import { FIELD } from '../shared/styles';
import type { useLog } from './useLog';

const CAME_OUT: Readonly<Record<Landed, Message>> = {
  first: message('landed the first time'),
  'put right': message('put right'),
  outside: message('outside its band'),
  untested: message('not tested'),
  thrown: message('thrown away'),
};

export type SoupNamed = { readonly id: string; readonly name: string };

/** What the log is found in by: words, and one soup. */
export function LogSearch({
  log,
  soups,
}: {
  readonly log: ReturnType<typeof useLog>;
  readonly soups: readonly SoupNamed[];
}) {
  const say = useSay();
  const box = useRef<HTMLInputElement>(null);
  useShortcut('find', () => box.current?.focus());
  return (
    <div className="flex min-w-64 flex-1 flex-wrap gap-3 max-[1000px]:basis-full">
      <div className="relative min-w-40 flex-1">
        <Search aria-hidden className="pointer-events-none absolute top-4 left-3" />
        <input
          ref={box}
          type="search"
          value={log.find}
          onChange={(e) => log.look({ find: e.target.value })}
          aria-label={say('Find a batch by soup, pot, role or note')}
          placeholder={say('soup, pot, role, note …')}
          className={`pl-11 ${FIELD}`}
        />
      </div>
      <div className="w-60 max-[720px]:w-full">
        <Pick
          id="log-soup"
          label={say('Which soup')}
          hideLabel
          value={log.soup}
          onChange={(e) => log.look({ soup: e.target.value })}
        >
          <option value="">{say('Every soup')}</option>
          {soups.map((s) => (
            <option key={s.id} value={s.id}>
              {s.name}
            </option>
          ))}
        </Pick>
      </div>
      <div className="w-56 max-[720px]:w-full">
        <Pick
          id="log-landed"
          label={say('How it came out')}
          hideLabel
          value={log.landed}
          onChange={(e) => log.look({ landed: e.target.value })}
        >
          <option value="">{say('However it came out')}</option>
          {LANDINGS.map((l) => (
            <option key={l} value={l}>
              {say(CAME_OUT[l])}
            </option>
          ))}
        </Pick>
      </div>
    </div>
  );
}
