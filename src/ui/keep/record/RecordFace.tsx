'use client';

import { Download, Thermometer } from 'lucide-react';
import { type ChangeEvent, useEffect, useMemo, useState } from 'react';
import type { KeptRecord } from '../../../contract/keep';
import type { KeepBody } from '../../../core/keep/events';
import type { Entry } from '../../../core/keep/written/entries';
import { dayAndTime, dayOf } from '../../../core/units/clock';
import { ask, problemWords } from '../../device/line/api';
import { Field } from '../../shared/form/Field';
import { Form } from '../../shared/form/Form';
import { useTyped, Wrong } from '../../shared/form/useTyped';
import { useSay } from '../../shared/hooks/useSay';
import { Link } from '../../shared/Link';
import { BUTTON, PRIMARY } from '../../shared/styles';
import { AwayNote } from './AwayNote';
import { EntryBack } from './EntryBack';
import { EntryTable } from './EntryTable';
import { Pages } from './Pages';
import { Verify } from './Verify';

type Props = {
  readonly now: number;
  /** Changes when something was written. */
  readonly heard: number;
  /** The hour at which the kitchen’s day ends. */
  readonly dayEnds: number;
  readonly onWrite: (body: KeepBody) => unknown;
  readonly onProbes: () => void;
};

/**
 * The record of some days: every line, what is missing and late shown; signed off, taken away, and tried for
 * whether anybody changed it.
 */
export function RecordFace({ now, dayEnds, heard, onWrite, onProbes }: Props) {
  const say = useSay();
  const today = dayOf(new Date(now), dayEnds);
  const [from, setFrom] = useState(today);
  const [to, setTo] = useState(today);
  const [page, setPage] = useState(0);
  const [told, setTold] = useState<KeptRecord | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [backing, setBacking] = useState<Entry | null>(null);
  // What was heard makes it worth reading anew.
  const asked = useMemo(() => ({ query: { from, to, page }, heard }), [from, to, page, heard]);
  useEffect(() => {
    const { query } = asked;
    let gone = false;
    void ask('GET /api/record', { query }).then((answer) => {
      if (gone) return;
      if (answer.ok) setTold(answer.body);
      setProblem(answer.ok ? null : say(problemWords(answer.problems)));
    });
    return () => {
      gone = true;
    };
  }, [asked, say]);
  const days = (set: (day: string) => void) => (e: ChangeEvent<HTMLInputElement>) => {
    if (!e.target.value) return;
    set(e.target.value);
    setPage(0);
  };
  return (
    <>
      <section aria-label={say('The record')} className="min-h-0 overflow-y-auto">
        {problem && (
          <p role="alert" className="px-5 py-3 font-bold text-tomato">
            {problem}
          </p>
        )}
        {told ? (
          <>
            <AwayNote away={told.away} />
            <EntryTable entries={told.entries} onBack={setBacking} />
            <Pages told={told} onPage={setPage} />
            {backing && <EntryBack entry={backing} onClose={() => setBacking(null)} />}
          </>
        ) : (
          <p className="p-6 text-quiet">{say('One moment …')}</p>
        )}
      </section>
      <section
        aria-label={say('Days, signatures and files')}
        className="flex min-h-0 flex-col gap-4 border-ink px-5 py-4 max-[1100px]:border-t-2 min-[1100px]:overflow-y-auto min-[1100px]:border-l-2"
      >
        <div className="grid grid-cols-2 gap-3">
          <Field
            id="record-from"
            type="date"
            label={say('From')}
            value={from}
            max={today}
            onChange={days(setFrom)}
          />
          <Field id="record-to" type="date" label={say('To')} value={to} onChange={days(setTo)} />
        </div>
        {told && (
          <p className="text-[17px]">
            {say(
              '{lines, plural, one {One line} other {# lines}}, {loud, plural, =0 {nothing missing or over a limit} one {one thing missing, over a limit or thrown away} other {# things missing, over a limit or thrown away}}.',
              {
                lines: told.of,
                loud: told.loud,
              },
            )}
          </p>
        )}
        <Files from={from} to={to} onProbes={onProbes} />
        <Verify onProblem={setProblem} />
        <SignOff from={from} to={to} signed={told?.signed ?? []} onWrite={onWrite} />
      </section>
    </>
  );
}

type FilesProps = { readonly from: string; readonly to: string; readonly onProbes: () => void };

/** These days as files, for whoever inspects, and the probes they were read with. */
function Files({ from, to, onProbes }: FilesProps) {
  const say = useSay();
  return (
    <>
      <div className="grid grid-cols-3 gap-2">
        {(['pdf', 'csv', 'json'] as const).map((as) => (
          <a key={as} className={BUTTON} href={`/api/record?from=${from}&to=${to}&as=${as}`} download>
            <Download size={20} className="shrink-0" aria-hidden /> {as.toUpperCase()}
          </a>
        ))}
      </div>
      <div className="grid grid-cols-2 gap-2">
        <Link className={`${BUTTON} text-center`} href={`/record?from=${from}&to=${to}`}>
          {say('For whoever inspects')}
        </Link>
        <button type="button" className={BUTTON} onClick={onProbes}>
          <Thermometer size={20} aria-hidden /> {say('Probes')}
        </button>
      </div>
    </>
  );
}

type SignProps = Pick<Props, 'onWrite'> & {
  readonly from: string;
  readonly to: string;
  readonly signed: KeptRecord['signed'];
};

/** That a lead has looked at these days, and who did before. */
function SignOff({ from, to, signed, onWrite }: SignProps) {
  const say = useSay();
  const f = useTyped(
    { by: '', note: '' },
    ({ by, note }) =>
      by.trim() === ''
        ? new Wrong('by', say('Who signs?'))
        : { by: by.trim(), ...(note.trim() && { note: note.trim() }) },
    (who) => {
      onWrite({ kind: 'signed', from, to, ...who });
      f.set('by', '');
      f.set('note', '');
    },
  );
  return (
    <Form className="grid gap-2 border-rule border-t pt-3" onSubmit={f.send}>
      <Field id="record-by" label={say('Signed off by')} maxLength={60} {...f.field('by')} />
      <Field id="record-note" label={say('Note')} maxLength={500} {...f.field('note')} />
      <button type="submit" className={PRIMARY}>
        {say('Sign these days off')}
      </button>
      {signed.map((s) => (
        <p key={s.at} className="text-[15px]">
          {say('{from} to {to}: {by}, {at}', {
            from: s.from,
            to: s.to,
            by: s.by,
            at: dayAndTime(new Date(s.at)),
          })}
        </p>
      ))}
    </Form>
  );
}
