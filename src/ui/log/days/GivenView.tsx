'use client';

import { useRouter } from 'next/navigation';
import type { GivenOpened } from '../../../contract/log';
import { dayAfter } from '../../../core/service/service';
import { shortDay } from '../../../core/service/words/dayWords';
import { spaced } from '../../../core/units/shown/format';
import { volumeWords } from '../../../core/units/shown/show';
import { useSay } from '../../shared/hooks/useSay';
import { useShow } from '../../shared/hooks/useShow';
import { Scroll } from '../../shared/Scroll';
import { BUTTON } from '../../shared/styles';
import { LogFaces } from '../LogFaces';

type Props = { readonly opened: GivenOpened; readonly currency: string };

/** What was given out, by day and soup, and what tomorrow may want by the same weekday before. */
export function GivenView({ opened, currency }: Props) {
  const say = useSay();
  const show = useShow();
  const router = useRouter();
  return (
    <div className="flex h-full flex-col">
      <header className="shrink-0 border-ink border-b-2 bg-surface px-5 py-3">
        <div className="flex flex-wrap items-center gap-3">
          <h1 className="font-bold text-[27px] max-[720px]:w-full">{say('Log')}</h1>
          <LogFaces here="given" />
        </div>
        <p className="mt-2 text-[21px] leading-snug">
          {opened.proposed.length === 0
            ? say('Three days of the same weekday are needed before tomorrow can be told anything.')
            : say('{day}, by the same weekday before: {soups}. It is yours to take.', {
                day: shortDay(opened.tomorrow),
                soups: {
                  listed: opened.proposed.slice(0, 4).map((p) =>
                    say('{name} {ml} ({low} to {high}, {n} days)', {
                      name: p.name,
                      ml: volumeWords(p.ml, show),
                      low: volumeWords(p.low, show),
                      high: volumeWords(p.high, show),
                      n: p.days,
                    }),
                  ),
                },
              })}
        </p>
      </header>
      <Scroll label={say('What was given out')} className="flex-1 overflow-auto px-5 py-3">
        {opened.given.length === 0 && (
          <p className="text-[21px]">
            {say('Nothing was planned or made from {from} to {to}.', {
              from: shortDay(opened.from),
              to: shortDay(opened.to),
            })}
          </p>
        )}
        <GivenTable opened={opened} currency={currency} />
      </Scroll>
      <footer className="flex shrink-0 flex-wrap gap-3 border-ink border-t-2 bg-surface px-5 py-3">
        <button
          type="button"
          className={BUTTON}
          onClick={() => router.push(`/log/given?until=${dayAfter(opened.from, -1)}`)}
        >
          {say('The week before')}
        </button>
        <button
          type="button"
          className={BUTTON}
          disabled={opened.to >= opened.today}
          onClick={() => router.push(`/log/given?until=${dayAfter(opened.to, 7)}`)}
        >
          {say('The week after')}
        </button>
        <span className="flex-1" />
        <a className={BUTTON} href={`/api/log/given?until=${opened.to}&as=csv`}>
          {say('CSV')}
        </a>
      </footer>
    </div>
  );
}

/** By day, the newest first, a row a soup. */
function GivenTable({ opened, currency }: Props) {
  const say = useSay();
  const show = useShow();
  const ml = (v: number): string => (v > 0 ? volumeWords(v, show) : '–');
  const days = [...new Set(opened.given.map((g) => g.day))].toReversed();
  return (
    <table className="w-full min-w-[760px] text-left text-[18px]">
      {days.length > 0 && (
        <thead className="text-quiet">
          <tr>
            <th className="font-normal">{say('Soup')}</th>
            <th className="font-normal">{say('Planned')}</th>
            <th className="font-normal">{say('Made')}</th>
            <th className="font-normal">{say('Served')}</th>
            <th className="font-normal">{say('Kept')}</th>
            <th className="font-normal">{say('Thrown away')}</th>
            <th className="font-normal">{say('Cost')}</th>
            <th className="font-normal">{say('of it thrown away')}</th>
          </tr>
        </thead>
      )}
      {days.map((day) => (
        <tbody key={day}>
          <tr className="border-ink border-t-2">
            <th colSpan={8} scope="rowgroup" className="pt-2 font-bold text-[19px]">
              {say(shortDay(day))}
            </th>
          </tr>
          {opened.given
            .filter((g) => g.day === day)
            .map((g) => (
              <tr key={g.recipeId} className="border-rule border-t">
                <td className="py-1.5 pr-3">{g.name}</td>
                <td className="figures pr-3">{ml(g.plannedMl)}</td>
                <td className="figures pr-3">{ml(g.madeMl)}</td>
                <td className="figures pr-3 font-bold">{ml(g.servedMl)}</td>
                <td className="figures pr-3">{ml(g.keptMl)}</td>
                <td className={`figures pr-3 ${g.thrownMl > 0 ? 'font-bold text-tomato' : ''}`}>
                  {ml(g.thrownMl)}
                </td>
                <td className="figures pr-3">
                  {g.cost > 0 ? `${currency}${spaced(g.cost, 2)}` : g.unpriced > 0 ? say('no price') : '–'}
                </td>
                <td className="figures">
                  {g.thrownCost > 0 ? `${currency}${spaced(g.thrownCost, 2)}` : '–'}
                </td>
              </tr>
            ))}
        </tbody>
      ))}
    </table>
  );
}
