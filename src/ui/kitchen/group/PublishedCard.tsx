'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { AnswerTold, PublishedAnswer, PublishedTold } from '../../../contract/groups';
import { dayAndTime } from '../../../core/units/clock';
import { ask, problemWords } from '../../device/line/api';
import { readRole } from '../../device/useRole';
import { ChangedLines } from '../../shared/draw/ChangedLines';
import { useSay } from '../../shared/hooks/useSay';
import { BUTTON, PRIMARY } from '../../shared/styles';

/** One thing a group published: what taking it would change here, and the two answers; to the leader, how each kitchen answered. */
export function PublishedCard({
  published: p,
  leads,
  onAnswered,
}: {
  readonly published: PublishedTold;
  readonly leads: boolean;
  readonly onAnswered: () => void;
}) {
  const say = useSay();
  const router = useRouter();
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const answer = async (said: PublishedAnswer) => {
    setBusy(true);
    const told = await ask('POST /api/group/published/[id]', {
      at: { id: p.id },
      body: { answer: said, by: readRole() },
    });
    setBusy(false);
    setProblem(told.ok ? null : say(problemWords(told.problems)));
    if (!told.ok) return;
    onAnswered();
    router.refresh();
  };
  const name = p.kind === 'rules' ? say('The rules') : p.name;
  return (
    <article className="rounded-sm border-2 border-ink bg-surface" aria-label={name}>
      <header className="flex flex-wrap items-center gap-x-4 gap-y-1 border-rule border-b px-4 py-2">
        <h3 className="font-bold text-[21px]">{name}</h3>
        <span className="text-quiet">
          {say('edition {edition}, {at}', { edition: p.edition, at: dayAndTime(new Date(p.at)) })}
        </span>
        <span className="mr-auto">
          {p.by && <b>{p.by}</b>}
          {p.by && p.note && ': '}
          <span translate="no">{p.note}</span>
        </span>
        {!leads && <Answer of={p} />}
      </header>
      {leads ? (
        <Answers answers={p.answers} />
      ) : (
        p.answer !== 'taken' && <Deciding of={p} busy={busy} onAnswer={(said) => void answer(said)} />
      )}
      {problem && (
        <p role="alert" className="px-4 pb-3 font-bold text-tomato">
          {problem}
        </p>
      )}
    </article>
  );
}

type DecidingProps = {
  readonly of: PublishedTold;
  readonly busy: boolean;
  readonly onAnswer: (said: PublishedAnswer) => void;
};

/** What taking it would change here, and the two answers. */
function Deciding({ of: p, busy, onAnswer }: DecidingProps) {
  const say = useSay();
  return (
    <>
      {p.changes.length === 0 ? (
        <p className="px-4 py-3">{say('Taking it changes nothing here: this kitchen has it so already.')}</p>
      ) : (
        <>
          {p.changes.every((c) => c.kind === 'same') && (
            <p className="px-4 pt-3 font-bold">{say('New here:')}</p>
          )}
          <ChangedLines lines={p.changes} />
        </>
      )}
      {p.kind === 'rules' && (
        <p className="px-4 pb-3 text-quiet">
          {say('Your local code comes before them: take none that is looser than it.')}
        </p>
      )}
      <div className="flex flex-wrap gap-3 px-4 pb-4">
        <button type="button" className={PRIMARY} disabled={busy} onClick={() => onAnswer('taken')}>
          {p.kind === 'rules' ? say('Hold this kitchen to them') : say('Take it')}
        </button>
        {p.answer === null && (
          <button type="button" className={BUTTON} disabled={busy} onClick={() => onAnswer('declined')}>
            {say('Decline')}
          </button>
        )}
      </div>
    </>
  );
}

/** What this kitchen said to it. */
function Answer({ of: p }: { readonly of: PublishedTold }) {
  const say = useSay();
  if (p.answer === null) return <b className="text-tomato">{say('not answered yet')}</b>;
  if (p.answer === 'declined') return <b>{say('Declined')}</b>;
  return (
    <b className="text-chive">
      {p.kind === 'rules'
        ? say('Taken as revision {n}', { n: p.takenAs ?? 0 })
        : say('Taken as version {n}', { n: p.takenAs ?? 0 })}
    </b>
  );
}

const TOLD = ['taken', 'declined', null] as const;

/** Which kitchens took it, which declined, which have not said. */
function Answers({ answers }: { readonly answers: readonly AnswerTold[] }) {
  const say = useSay();
  const words = {
    taken: say('Taken by'),
    declined: say('Declined by'),
    open: say('Not answered by'),
  };
  return (
    <dl className="grid gap-x-4 gap-y-1 px-4 py-3 min-[720px]:grid-cols-[auto_1fr]">
      {TOLD.map((told) => {
        const those = answers.filter((a) => a.answer === told);
        if (those.length === 0) return null;
        return (
          <div key={told ?? 'open'} className="contents">
            <dt className="font-bold">{words[told ?? 'open']}</dt>
            <dd translate="no">{those.map((a) => a.name).join(', ')}</dd>
          </div>
        );
      })}
    </dl>
  );
}
