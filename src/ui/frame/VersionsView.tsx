'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { ChangedLine } from '../../core/formats/changedLines';
import { type Message, message } from '../../core/message/message';
import { problemWords } from '../device/line/api';
import { restore, type Versioned } from '../device/line/restore';
import { ChangedLines } from '../shared/draw/ChangedLines';
import { useSay } from '../shared/hooks/useSay';
import { Link } from '../shared/Link';
import { Scroll } from '../shared/Scroll';
import { BUTTON } from '../shared/styles';

type Version = {
  readonly number: number;
  readonly madeAt: string;
  /** Who made it, by role, and why; empty when nobody said. */
  readonly by: string;
  readonly note: string;
  /** Against the version before; of the first, all of it. */
  readonly changes: readonly ChangedLine[];
};

const when = new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeStyle: 'short', timeZone: 'UTC' });

/** What they are called, one of them, and the button that makes one the newest again. */
const CALLED = {
  recipe: {
    all: message('Versions'),
    one: message('Version {number}'),
    restore: message('Make version {number} the newest'),
  },
  kitchen: {
    all: message('Revisions'),
    one: message('Revision {number}'),
    restore: message('Make revision {number} the newest'),
  },
} as const;

type Props = {
  readonly name: string;
  readonly versions: readonly Version[];
  readonly back: { readonly href: string; readonly words: Message };
  readonly versioned: Versioned;
};

/** Versions of something, newest first, each with what it changed; any can be made the newest again. */
export function VersionsView({ name, versions, back, versioned }: Props) {
  const say = useSay();
  const called = CALLED[versioned.kind];
  const router = useRouter();
  const [problem, setProblem] = useState<string | null>(null);
  const makeNewest = async (number: number) => {
    const answer = await restore(versioned, number);
    if (answer.ok) router.push(back.href);
    else setProblem(say(problemWords(answer.problems)));
  };
  return (
    <div className="flex h-full flex-col">
      <header className="flex shrink-0 flex-wrap items-center gap-3 border-ink border-b-2 bg-surface px-5 py-3">
        <h1 className="mr-auto font-bold text-[27px] leading-tight">
          {name} <span className="font-normal text-quiet">{say(called.all)}</span>
        </h1>
        <Link href={back.href} className={BUTTON}>
          {say(back.words)}
        </Link>
      </header>
      {problem && (
        <p role="alert" className="px-5 py-3 font-bold text-tomato">
          {problem}
        </p>
      )}
      <Scroll label={say(called.all)} className="flex-1 overflow-y-auto px-5 py-4">
        <ol className="grid gap-3">
          {versions.map((v, n) => (
            <li key={v.number} className="rounded-sm border-2 border-ink bg-surface">
              <div className="flex flex-wrap items-center gap-3 border-rule border-b px-4 py-2">
                <h2 className="font-bold text-[21px]">
                  {say({ ...called.one, values: { number: v.number } })}
                </h2>
                <span className="text-quiet">
                  {say('{format} UTC', { format: when.format(new Date(v.madeAt)) })}
                </span>
                <span className="mr-auto">
                  {v.by && <b>{v.by}</b>}
                  {v.by && v.note && ': '}
                  <span translate="no">{v.note}</span>
                </span>
                {n > 0 ? (
                  <button type="button" className={BUTTON} onClick={() => makeNewest(v.number)}>
                    {say({ ...called.restore, values: { number: v.number } })}
                  </button>
                ) : (
                  <b>{say('the newest')}</b>
                )}
              </div>
              {v.changes.length === 0 ? (
                <p className="px-4 py-3">{say('Says the same as the version before.')}</p>
              ) : (
                <ChangedLines lines={v.changes} />
              )}
            </li>
          ))}
        </ol>
      </Scroll>
    </div>
  );
}
