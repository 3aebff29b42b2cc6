'use client';

import { Printer } from 'lucide-react';
import type { Board } from '../../core/service/board';
import { clockOf, type Service } from '../../core/service/service';
import { todayOf } from '../../core/service/today';
import { longDay } from '../../core/service/words/dayWords';
import { askedVolume } from '../../core/units/shown/show';
import { useSay } from '../shared/hooks/useSay';
import { Scroll } from '../shared/Scroll';
import { PRIMARY } from '../shared/styles';

type Props = {
  readonly drawn: {
    readonly service: Service;
    readonly board: Board;
    readonly names: {
      readonly soups: Readonly<Record<string, string>>;
      readonly burners: Readonly<Record<string, string>>;
      readonly vessels: Readonly<Record<string, string>>;
    };
  };
};

/** The service for the wall: one page, dark on white, times to be read from across the room. */
export function PrintedService({ drawn }: Props) {
  const say = useSay();
  const { service, board, names } = drawn;
  const soup = (key: string) => names.soups[key] ?? key;
  const tasks = todayOf(board, (id) => names.burners[id] ?? id).filter(
    (t) => t.kind !== 'stir' && (t.kind !== 'step' || t.minutes >= 5),
  );
  return (
    <Scroll label={say('Service on paper')} className="paper h-full overflow-y-auto print:h-auto">
      <div className="mx-auto max-w-245 px-6 py-5 print:max-w-none print:p-0">
        <header className="flex items-start gap-4 border-ink border-b-2 pb-2">
          <div className="flex-1">
            <h1 className="font-bold text-[32px] leading-tight">{service.name}</h1>
            <p className="text-[18px]">
              {say('{day}. {hands, plural, one {One pair of hands} other {# pairs of hands}}.', {
                day: longDay(service.day),
                hands: service.hands,
              })}
              {board.firstFlame !== null && ` ${say('First flame {at}.', { at: clockOf(board.firstFlame) })}`}
            </p>
          </div>
          <button type="button" onClick={() => window.print()} className={`${PRIMARY} print:hidden`}>
            <Printer size={22} aria-hidden /> {say('Print')}
          </button>
        </header>
        <Pots drawn={drawn} />
        <ol className="mt-3 columns-2 gap-8 text-[16px]">
          {tasks.map((t) => (
            <li
              key={t.id}
              className="flex gap-2 border-rule border-b py-0.5 leading-tight print:break-inside-avoid"
            >
              <span aria-hidden className="mt-0.5 size-4 shrink-0 border-2 border-ink" />
              <span className="figures w-13 shrink-0 font-bold">{clockOf(t.at)}</span>
              <span className="min-w-0">
                <b>{say(t.does)}</b>, {soup(t.key)}
                {t.minutes > 0 && `, ${t.minutes} min`}
                {t.role && ` (${t.role})`}
              </span>
            </li>
          ))}
        </ol>
        <p className="mt-3 text-[14px]">
          {say(
            'Hot soup is kept at {hot} or above (FDA Food Code 2022, 3-501.16, from memory). The local code and licensed practice decide.',
            { hot: { celsius: 57 } },
          )}
        </p>
      </div>
    </Scroll>
  );
}

/** Every pot in the order it is lit. */
function Pots({ drawn: { board, names } }: Props) {
  const say = useSay();
  return (
    <table className="mt-3 w-full border-collapse text-left">
      <caption className="sr-only">{say('Pots of the service')}</caption>
      <thead>
        <tr className="border-ink border-b-2 text-[15px]">
          {[
            say('Lit'),
            say('Soup'),
            say('Litres'),
            say('Burner'),
            say('Pot'),
            say('Ready'),
            say('On the pass'),
          ].map((h) => (
            <th key={h} className="py-1 pr-2">
              {h}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {board.bars
          .toSorted((a, b) => a.lightAt - b.lightAt)
          .map((bar) => (
            <tr key={bar.batch.key} className="border-rule border-b text-[18px]">
              <td className="figures py-1 pr-2 font-bold text-[22px]">{clockOf(bar.lightAt)}</td>
              <td className="pr-2 font-bold">{names.soups[bar.batch.key] ?? bar.batch.key}</td>
              <td className="figures pr-2">{askedVolume(bar.batch.litres, say.reader)}</td>
              <td className="pr-2">{names.burners[bar.place.burnerId] ?? bar.place.burnerId}</td>
              <td className="pr-2">{names.vessels[bar.place.vesselId] ?? bar.place.vesselId}</td>
              <td className="figures pr-2">{clockOf(bar.readyAt)}</td>
              <td className="figures font-bold">
                {bar.batch.soup.draws
                  .filter((d) => !bar.batch.soup.fresh || d.at === bar.batch.due)
                  .map((d) => clockOf(d.at))
                  .join(', ')}
              </td>
            </tr>
          ))}
      </tbody>
    </table>
  );
}
