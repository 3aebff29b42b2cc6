'use client';

import { Printer } from 'lucide-react';
import { usePathname, useRouter, useSearchParams } from 'next/navigation';
import type { Entry } from '../../../core/keep/written/entries';
import type { DaysAway } from '../../../core/record/awayWords';
import { dayAndTime } from '../../../core/units/clock';
import { useSay } from '../../shared/hooks/useSay';
import { Scroll } from '../../shared/Scroll';
import { PRIMARY } from '../../shared/styles';
import { AwayNote } from './AwayNote';
import { EntryTable } from './EntryTable';
import { Pages } from './Pages';

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
        <AwayNote away={record.away} />
        <EntryTable entries={record.entries} named={!of} />
        <Pages
          told={record}
          onPage={(page) => {
            const query = new URLSearchParams(search);
            query.set('page', String(page));
            router.push(`${path}?${query}`);
          }}
        />
        {record.signed.map((s) => (
          <p key={s.at} className="mt-3 font-bold">
            {say('Signed off by {by}, {at}. {note}', {
              by: s.by,
              at: dayAndTime(new Date(s.at)),
              note: s.note,
            })}
          </p>
        ))}
        <p className="mt-4 break-all text-[13px] text-quiet">
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
