'use client';

import { clsx } from 'clsx';
import { useRef, useState } from 'react';
import { groupedBy, stationOf } from '../../core/compare/shopping';
import type { House } from '../../core/kitchen/house';
import { term } from '../../core/message/term';
import type { Board } from '../../core/service/board';
import { clockOf } from '../../core/service/service';
import { type DayTask, shoppingOf, summed, todayOf } from '../../core/service/today';
import { fetchedWords, volumeWords } from '../../core/units/shown/show';
import { useRole } from '../device/useRole';
import { Segments } from '../shared/form/Segments';
import { useSay } from '../shared/hooks/useSay';
import { Scroll } from '../shared/Scroll';

type Props = {
  readonly board: Board;
  /** How long each takes is known. */
  readonly ready: boolean;
  readonly house: House;
  readonly now: number | null;
  readonly nameOf: (key: string) => string;
};

/** Minutes a thing that should have been done by now is still shown. */
const PAST = 5;

/** What is to be done next over all soups, what to weigh for all of them, what to fetch. */
export function Side({ board, ready, house, now, nameOf }: Props) {
  const say = useSay();
  const [role] = useRole();
  const [shown, setShown] = useState<'next' | 'weigh' | 'fetch'>('next');
  const [whose, setWhose] = useState<'all' | 'mine'>('all');
  const burnerName = (id: string) => house.burners.find((b) => b.id === id)?.name ?? id;
  // One after the other, as their times are worked out, they would push each other about under the finger.
  const known = useRef(ready);
  if (ready) known.current = true;
  const tasks = (known.current ? todayOf(board, burnerName) : []).filter(
    (t) => whose === 'all' || t.role === '' || t.role === role,
  );
  const open = now === null ? tasks : tasks.filter((t) => t.at + Math.max(t.minutes, PAST) > now);
  const at = open.findIndex((t) => now !== null && t.at <= now);
  return (
    <section
      aria-label={say('Now and next')}
      className="flex min-h-0 flex-col border-ink bg-surface max-[1100px]:h-100 min-[1100px]:border-l-2 max-[1100px]:border-t-2"
    >
      <div className="flex shrink-0 flex-wrap gap-2 border-rule border-b p-2">
        <Segments
          label={say('What is listed')}
          value={shown}
          onChange={setShown}
          options={[
            { value: 'next', words: say('Next') },
            { value: 'weigh', words: say('Weigh') },
            { value: 'fetch', words: say('Fetch') },
          ]}
        />
        {shown === 'next' && role && (
          <Segments
            label={say('For')}
            value={whose}
            onChange={setWhose}
            options={[
              { value: 'all', words: say('All') },
              { value: 'mine', words: role },
            ]}
          />
        )}
      </div>
      <Scroll label={say('List of the service')} className="min-h-0 flex-1 overflow-y-auto">
        {shown === 'next' && (
          <ol>
            {open.map((t, n) => (
              <TaskLine key={t.id} task={t} soup={nameOf(t.key)} here={n === (at === -1 ? 0 : at)} />
            ))}
            {open.length === 0 && (
              <li className="p-3 text-quiet">
                {known.current ? say('Nothing more to do.') : say('Working out how long each takes …')}
              </li>
            )}
          </ol>
        )}
        {shown === 'weigh' && <Weigh board={board} nameOf={nameOf} />}
        {shown === 'fetch' && <Fetch board={board} house={house} />}
      </Scroll>
    </section>
  );
}

function TaskLine({ task, soup, here }: { task: DayTask; soup: string; here: boolean }) {
  const say = useSay();
  return (
    <li
      className={clsx(
        'flex gap-3 border-rule border-b px-3 py-2 leading-tight',
        here && 'bg-butter text-on-butter',
      )}
    >
      <span className="figures w-15 shrink-0 font-bold text-[19px]">{clockOf(task.at)}</span>
      <span className="min-w-0">
        <span className="block font-bold">{say(task.does)}</span>
        <span className={clsx('block text-[15px]', !here && 'text-quiet')}>
          {soup}
          {task.minutes > 0 && `, ${task.minutes} min`}
          {task.role && `, ${task.role}`}
        </span>
      </span>
    </li>
  );
}

/** What all pots take together, by where it is fetched from, each thing once. */
function Weigh({ board, nameOf }: { board: Board; nameOf: (key: string) => string }) {
  const say = useSay();
  const groups = groupedBy(summed(board), (l) => stationOf(l.ingredient));
  return (
    <>
      {groups.map(({ key, lines }) => (
        <div key={key}>
          <h3 className="bg-ground px-3 py-1 font-bold text-[15px]">{say(term(key))}</h3>
          <ul>
            {lines.map((l) => (
              <li key={l.ingredient} className="border-rule border-b px-3 py-1.5 leading-tight">
                <span className="flex justify-between gap-2">
                  <span className="min-w-0 font-bold">{say(term(l.name))}</span>
                  <span className="figures shrink-0 font-bold">
                    {l.ml === null ? fetchedWords(l.g, say.reader) : volumeWords(l.ml, say.reader)}
                  </span>
                </span>
                {l.of.length > 1 && (
                  <span className="block text-[15px] text-quiet">
                    {l.of
                      .map(
                        (o) =>
                          `${nameOf(o.key)} ${o.ml === null ? fetchedWords(o.g, say.reader) : volumeWords(o.ml, say.reader)}`,
                      )
                      .join(', ')}
                  </span>
                )}
              </li>
            ))}
          </ul>
        </div>
      ))}
    </>
  );
}

function Fetch({ board, house }: { board: Board; house: House }) {
  const say = useSay();
  const { lines, total, unpriced } = shoppingOf(board, house.kitchen);
  return (
    <>
      <ul>
        {lines.map((l) => (
          <li
            key={l.ingredient}
            className="flex justify-between gap-2 border-rule border-b px-3 py-2 leading-tight"
          >
            <span className="min-w-0">
              <span className="block font-bold">{say(term(l.name))}</span>
              <span className="block text-[15px] text-quiet">{say(term(l.station))}</span>
            </span>
            <span className="figures shrink-0 text-right font-bold">
              {fetchedWords(l.g, say.reader)}
              {l.packs && (
                <span className="block font-normal text-[15px]">
                  {say('{count, plural, one {# pack} other {# packs}}', { count: l.packs.count })}
                </span>
              )}
            </span>
          </li>
        ))}
      </ul>
      {house.currency && (
        <p className="px-3 py-2 font-bold">
          {house.currency}
          {total.toFixed(2)}
          {unpriced > 0 &&
            ` ${say('{count, plural, one {and # thing without a price} other {and # things without a price}}', { count: unpriced })}`}
        </p>
      )}
    </>
  );
}
