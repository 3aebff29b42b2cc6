'use client';

import { useRouter } from 'next/navigation';
import type { WeekOpened } from '../../../contract/log';
import { dayAfter } from '../../../core/service/service';
import { shortDay } from '../../../core/service/words/dayWords';
import { spaced } from '../../../core/units/shown/format';
import { volumeWords } from '../../../core/units/shown/show';
import { useSay } from '../../shared/hooks/useSay';
import { useShow } from '../../shared/hooks/useShow';
import { Scroll } from '../../shared/Scroll';
import { BUTTON, PRIMARY } from '../../shared/styles';
import { LogFaces } from '../LogFaces';

/** A week on a page: what was cooked, landed, put right, thrown away, late, and what of the record stands out. */
export function WeekView({ opened }: { readonly opened: WeekOpened }) {
  const say = useSay();
  const show = useShow();
  const router = useRouter();
  const { week: w, currency } = opened;
  const money = (x: number): string => `${currency}${spaced(x, 2)}`;
  const go = (days: number) => router.push(`/log/week?day=${dayAfter(w.from, days)}`);
  const figures: readonly (readonly [string, string, string])[] = [
    [say('Batches'), String(w.batches), say('{ml} made', { ml: volumeWords(w.madeMl, show) })],
    [
      say('Landed the first time'),
      say('{n} of {of}', { n: w.landedFirst, of: w.measured }),
      say('{n, plural, one {one not tested} other {# not tested}}', { n: w.batches - w.measured }),
    ],
    [say('Put right'), String(w.putRight), say('{cost} of what went in', { cost: money(w.rightCost) })],
    [say('Thrown away'), volumeWords(w.thrownMl, show), money(w.thrownCost)],
    [say('Late'), say('{n} of {of}', { n: w.late, of: w.wanted }), say('more than five minutes')],
    [say('Stands out in the record'), String(w.limitsMissed), say('missed, late or missing')],
    [say('Cost'), money(w.cost), say('of what is priced')],
    [say('Score'), w.score === null ? say('none') : spaced(w.score, 1), say('of 5, where somebody gave one')],
  ];
  return (
    <div className="flex h-full flex-col">
      <header className="shrink-0 border-ink border-b-2 bg-surface px-5 py-3 print:border-0">
        <div className="flex flex-wrap items-center gap-3 print:hidden">
          <h1 className="font-bold text-[27px] max-[720px]:w-full">{say('Log')}</h1>
          <LogFaces here="week" />
        </div>
        <p className="mt-2 text-[21px]">
          <b>
            {say('{kitchen}, {from} to {to}', {
              kitchen: opened.kitchen,
              from: shortDay(w.from),
              to: shortDay(w.to),
            })}
          </b>
        </p>
      </header>
      <Scroll label={say('The week')} className="flex-1 overflow-y-auto px-5 py-4">
        {w.batches === 0 ? (
          <p className="text-[21px]">{say('Nothing was finished in this week.')}</p>
        ) : (
          <>
            <dl className="grid grid-cols-2 gap-3 min-[1000px]:grid-cols-4">
              {figures.map(([what, figure, more]) => (
                <div key={what} className="rounded-sm border-2 border-ink bg-surface px-4 py-3">
                  <dt className="text-[16px]">{what}</dt>
                  <dd className="figures font-bold text-[30px] leading-tight">{figure}</dd>
                  <dd className="text-[15px] text-quiet">{more}</dd>
                </div>
              ))}
            </dl>
            <BySoup week={w} />
          </>
        )}
      </Scroll>
      <footer className="flex shrink-0 flex-wrap gap-3 border-ink border-t-2 bg-surface px-5 py-3 print:hidden">
        <button type="button" className={BUTTON} onClick={() => go(-7)}>
          {say('The week before')}
        </button>
        <button type="button" className={BUTTON} disabled={w.to >= opened.today} onClick={() => go(7)}>
          {say('The week after')}
        </button>
        <span className="flex-1" />
        <button type="button" className={BUTTON} onClick={() => window.print()}>
          {say('Print')}
        </button>
        <a className={PRIMARY} href={`/api/log/week?day=${w.from}&as=pdf`}>
          {say('Download as PDF')}
        </a>
      </footer>
    </div>
  );
}

/** The same by soup. */
function BySoup({ week: w }: Pick<WeekOpened, 'week'>) {
  const say = useSay();
  const show = useShow();
  return (
    <table className="mt-5 w-full text-left text-[18px]">
      <thead className="text-quiet">
        <tr>
          <th className="font-normal">{say('Soup')}</th>
          <th className="font-normal">{say('Batches')}</th>
          <th className="font-normal">{say('Made')}</th>
          <th className="font-normal">{say('Landed the first time')}</th>
          <th className="font-normal">{say('Put right')}</th>
        </tr>
      </thead>
      <tbody>
        {w.bySoup.map((s) => (
          <tr key={s.name} className="border-rule border-t">
            <td className="py-1.5 pr-3 font-bold">{s.name}</td>
            <td className="figures">{s.batches}</td>
            <td className="figures">{volumeWords(s.madeMl, show)}</td>
            <td className="figures">{say('{n} of {of}', { n: s.landedFirst, of: s.measured })}</td>
            <td className="figures">{s.putRight}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
