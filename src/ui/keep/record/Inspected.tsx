'use client';

import { Download, Printer } from 'lucide-react';
import { usePathname, useRouter, useSearchParams } from 'next/navigation';
import { useState } from 'react';
import type { Entry } from '../../../core/keep/written/entries';
import type { DaysAway } from '../../../core/record/awayWords';
import { dayAndTime } from '../../../core/units/clock';
import { ask, problemWords } from '../../device/line/api';
import { Field } from '../../shared/form/Field';
import { Form } from '../../shared/form/Form';
import { useSay } from '../../shared/hooks/useSay';
import { Scroll } from '../../shared/Scroll';
import { BUTTON, PRIMARY } from '../../shared/styles';
import { AwayNote } from './AwayNote';
import { EntryTable } from './EntryTable';
import { Pages } from './Pages';
import { Verify } from './Verify';

type Props = {
  readonly record: {
    readonly kitchen: string;
    readonly from: string;
    readonly to: string;
    readonly entries: readonly Entry[];
    readonly at: number;
    readonly of: number;
    readonly wholeTo: number | null;
    readonly signed: readonly { readonly by: string; readonly at: string; readonly note: string }[];
    readonly head: { readonly n: number; readonly hash: string };
    readonly madeAt: string;
    readonly away: readonly DaysAway[];
  };
  /** Of one thing kept: its name and code. */
  readonly of: { readonly name: string; readonly code: string; readonly useBy: string } | null;
};

/** The record to be read and printed, with nothing to be changed on it. */
export function Inspected({ record, of }: Props) {
  const say = useSay();
  const router = useRouter();
  const path = usePathname();
  const search = useSearchParams();
  const go = (more: Readonly<Record<string, string>>) => {
    const query = new URLSearchParams(search);
    for (const [name, value] of Object.entries(more)) query.set(name, value);
    router.push(`${path}?${query}`);
  };
  return (
    <Scroll label={say('The record')} className="paper h-full overflow-y-auto print:h-auto">
      <div className="mx-auto max-w-245 px-5 py-5 print:max-w-none print:p-0">
        <header className="flex items-start gap-4 border-ink border-b-2 pb-2">
          <div className="flex-1">
            <h1 className="font-bold text-[28px] leading-tight">
              {of ? of.name : say('Record, {from} to {to}', { from: record.from, to: record.to })}
            </h1>
            <p className="text-[17px]">
              {record.kitchen}
              {of && ` · ${of.code} · ${of.useBy}`}
            </p>
          </div>
          <button type="button" onClick={() => window.print()} className={`${PRIMARY} print:hidden`}>
            <Printer size={22} aria-hidden /> {say('Print')}
          </button>
        </header>
        {!of && <Days from={record.from} to={record.to} onDays={(days) => go({ ...days, page: '0' })} />}
        <AwayNote away={record.away} />
        <EntryTable entries={record.entries} named={!of} />
        <Pages told={record} onPage={(page) => go({ page: String(page) })} />
        {record.signed.map((s) => (
          <p key={s.at} className="mt-3 font-bold">
            {say('Signed off by {by}, {at}. {note}', {
              by: s.by,
              at: dayAndTime(new Date(s.at)),
              note: s.note,
            })}
          </p>
        ))}
        <p className="mt-4 text-[13px] text-quiet [overflow-wrap:anywhere]">
          {say(
            'Read {at}. Head of the record {head}. Figures of the rules are from memory; the local food code and those responsible for it decide.',
            {
              at: dayAndTime(new Date(record.madeAt)),
              head: `${record.head.n}:${record.head.hash}`,
            },
          )}
        </p>
      </div>
    </Scroll>
  );
}

/** Which days, what they are taken away as, and whether anybody changed them; none of it is printed. */
function Days({
  from,
  to,
  onDays,
}: {
  readonly from: string;
  readonly to: string;
  readonly onDays: (days: { readonly from: string; readonly to: string }) => void;
}) {
  const say = useSay();
  const [days, setDays] = useState({ from, to });
  const [problem, setProblem] = useState<string | null>(null);
  const show = async () => {
    const answer = await ask('GET /api/record', { query: { ...days, page: 0 } });
    setProblem(answer.ok ? null : say(problemWords(answer.problems)));
    if (answer.ok) onDays(days);
  };
  return (
    <div className="grid gap-3 border-rule border-b py-3 print:hidden">
      <div className="flex flex-wrap items-end justify-between gap-3">
        <Form className="flex flex-wrap items-end gap-3" onSubmit={() => void show()}>
          {(['from', 'to'] as const).map((end) => (
            <Field
              key={end}
              id={`inspected-${end}`}
              type="date"
              label={end === 'from' ? say('From') : say('To')}
              value={days[end]}
              onChange={(e) => setDays({ ...days, [end]: e.target.value })}
            />
          ))}
          <button type="submit" className={BUTTON}>
            {say('Show these days')}
          </button>
        </Form>
        <div className="flex flex-wrap gap-2">
          {(['pdf', 'csv', 'json'] as const).map((as) => (
            <a key={as} className={BUTTON} href={`/api/record?from=${from}&to=${to}&as=${as}`} download>
              <Download size={20} className="shrink-0" aria-hidden /> {as.toUpperCase()}
            </a>
          ))}
        </div>
      </div>
      {problem && (
        <p role="alert" className="font-bold text-tomato first-letter:uppercase">
          {problem}
        </p>
      )}
      <Verify onProblem={setProblem} />
    </div>
  );
}
