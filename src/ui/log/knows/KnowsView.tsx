'use client';

import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import type { HouseKnows, NamedNumber } from '../../../contract/log';
import { kindOf, type NumberKind, thingOf } from '../../../core/learn/own/laws';
import { numberSays, numberTitle } from '../../../core/log/numberWords';
import { type Message, message } from '../../../core/message/message';
import { shortDay } from '../../../core/service/words/dayWords';
import { useSay } from '../../shared/hooks/useSay';
import { Scroll } from '../../shared/Scroll';
import { LogFaces } from '../LogFaces';
import { Noticing } from '../Noticing';
import { NumberRuler } from './NumberRuler';
import { NumberSheet } from './NumberSheet';
import { WorthReading } from './WorthReading';

/** Kinds in the order they are looked at, under what they are called. */
const GROUPS: readonly { readonly words: Message; readonly kinds: readonly NumberKind[] }[] = [
  { words: message('Flours and starches'), kinds: ['flour'] },
  { words: message('Burners'), kinds: ['burner'] },
  { words: message('Pots'), kinds: ['waterLoss'] },
  { words: message('Soups'), kinds: ['soup'] },
  { words: message('Vegetables'), kinds: ['puree', 'leaching', 'juices', 'softening'] },
  { words: message('Tests'), kinds: ['instrument'] },
  { words: message('Work'), kinds: ['work'] },
  { words: message('Who weighs'), kinds: ['pouring'] },
];

/** Spread of a room’s film before anybody has read it, in ln: as the forecast of cooling has it. */
const FILM_BEFORE = 0.35;

/** Known so far: it has readings of its own, or was set by hand. */
const isKnown = (n: NamedNumber): boolean => n.fixed === true || n.spread < 0.9 * n.before;

type Props = {
  readonly knows: HouseKnows;
  readonly soups: Readonly<Record<string, string>>;
  readonly open: string | null;
};

/** What the house has learned of itself: each number a ruler about the book’s, and what would narrow it most. */
export function KnowsView({ knows, soups, open }: Props) {
  const say = useSay();
  const [picked, setPicked] = useState<string | null>(open);
  const [all, setAll] = useState(false);
  const later = useLater();
  const shown = knows.numbers.filter((n) => all || isKnown(n));
  const names = Object.fromEntries(knows.numbers.map((n) => [n.key, n.of]));
  const number = knows.numbers.find((n) => n.key === picked) ?? null;
  return (
    <div className="flex h-full flex-col">
      <header className="shrink-0 border-ink border-b-2 bg-surface px-5 py-3">
        <div className="flex flex-wrap items-center gap-3">
          <h1 className="font-bold text-[27px] max-[720px]:w-full">{say('Log')}</h1>
          <LogFaces here="knows" />
        </div>
        <p className="mt-2 text-[21px] leading-snug">
          {knows.lessons === 0
            ? say(
                'Nothing yet: each batch that is finished with a level, a temperature or a flow test teaches.',
              )
            : say(
                '{n, plural, one {One batch has} other {# batches have}} taught it. In the middle is the book; the bar is where eight in ten would lie, and every plan counts with it.',
                { n: knows.lessons },
              )}
          {knows.left > 0 && (
            <span className="text-quiet"> {say('{left} more are being read.', { left: knows.left })}</span>
          )}
        </p>
        <Noticing noticed={knows.noticed} names={names} />
      </header>
      <div className="grid min-h-0 flex-1 grid-cols-1 overflow-y-auto min-[1100px]:grid-cols-[1fr_360px] min-[1100px]:overflow-hidden">
        <div className="px-5 py-3 min-[1100px]:overflow-y-auto">
          {GROUPS.map(({ words, kinds }) => {
            const here = shown.filter((n) => kinds.includes(kindOf(n.key)));
            if (here.length === 0) return null;
            return (
              <section key={words.text} className="pb-4">
                <h2 className="font-bold text-[21px]">{say(words)}</h2>
                <ul className="grid grid-cols-1 gap-x-8 min-[760px]:grid-cols-2">
                  {here.map((n) => (
                    <NumberRow key={n.key} number={n} onOpen={() => setPicked(n.key)} />
                  ))}
                </ul>
              </section>
            );
          })}
          <Places places={knows.places} />
          {knows.numbers.length > shown.length && (
            <button type="button" className="min-h-12 underline" onClick={() => setAll(true)}>
              {say('Show {n} more, of which next to nothing was read', {
                n: knows.numbers.length - shown.length,
              })}
            </button>
          )}
        </div>
        <Scroll
          label={say('Worth reading next')}
          className="border-ink px-5 py-3 min-[1100px]:overflow-y-auto min-[1100px]:border-l-2"
        >
          <WorthReading worth={knows.worth} soups={soups} />
          <Tied tied={knows.tied} names={names} />
        </Scroll>
      </div>
      {number && (
        <NumberSheet key={number.key} number={number} onClose={() => setPicked(null)} onActed={later} />
      )}
    </div>
  );
}

/** One number: what, what it says, on how many readings it rests, and its ruler. */
function NumberRow({ number: n, onOpen }: { readonly number: NamedNumber; readonly onOpen: () => void }) {
  const say = useSay();
  return (
    <li className="border-rule border-b">
      <button type="button" onClick={onOpen} className="block w-full py-2 text-left hover:bg-butter/25">
        <span className="flex flex-wrap items-baseline gap-x-3">
          <b className="text-[19px]">{say(numberTitle(n.key, n.of))}</b>
          {n.epoch.lot && <span>{say('lot {lot}', { lot: n.epoch.lot })}</span>}
        </span>
        <span className="block text-[16px] text-quiet">
          {say(numberSays(n.key, n.by))}
          {n.fixed
            ? say(' · set by hand')
            : say(' · {n, plural, one {one reading} other {# readings}}', { n: n.rests.readings })}
          {n.day && say(', since {day}', { day: shortDay(n.day) })}
        </span>
        <NumberRuler by={n.by} spread={n.spread} before={n.before} />
      </button>
    </li>
  );
}

/** How freely heat leaves soup in each place, by what cooled there. */
function Places({ places }: Pick<HouseKnows, 'places'>) {
  const say = useSay();
  if (places.length === 0) return null;
  return (
    <section className="pb-4">
      <h2 className="font-bold text-[21px]">{say('Where soup cools')}</h2>
      <ul className="grid grid-cols-1 gap-x-8 min-[760px]:grid-cols-2">
        {places.map((p) => (
          <li key={p.name} className="border-rule border-b py-2">
            <b className="text-[19px]">{p.name}</b>
            <span className="block text-[16px] text-quiet">
              {say('cools {percent} % {more, select, yes {faster} other {more slowly}} than the book', {
                percent: Math.round(Math.abs(p.by - 1) * 100),
                more: p.by > 1 ? 'yes' : 'no',
              })}
            </span>
            <NumberRuler by={p.by} spread={p.spread} before={FILM_BEFORE} />
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Numbers that are known together and not each. */
function Tied({
  tied,
  names,
}: Pick<HouseKnows, 'tied'> & { readonly names: Readonly<Record<string, string>> }) {
  const say = useSay();
  if (tied.length === 0) return null;
  return (
    <section className="pt-4">
      <h2 className="font-bold text-[21px]">{say('Not to be told apart')}</h2>
      <p className="text-quiet">
        {say('Known together and not each: a test that moves only one of them tells.')}
      </p>
      <ul className="pt-1">
        {tied.map((t) => (
          <li key={t.keys.join()} className="border-rule border-b py-2">
            {say(
              '{what}: together {percent} % {more, select, yes {over} other {under}} the book, sure to {sure} %',
              {
                what: { listed: t.keys.map((key) => numberTitle(key, names[key] ?? thingOf(key))) },
                percent: Math.round(Math.abs(t.by - 1) * 100),
                more: t.by > 1 ? 'yes' : 'no',
                sure: Math.max(1, Math.round(Math.expm1(1.2816 * t.spread) * 100)),
              },
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What somebody did is worked out in a thread of its own: the page comes again some moments later. */
function useLater(): () => void {
  const router = useRouter();
  const [due, setDue] = useState(0);
  useEffect(() => {
    if (due === 0) return;
    const timers = [700, 2500, 6000].map((ms) => setTimeout(() => router.refresh(), ms));
    return () => timers.forEach(clearTimeout);
  }, [due, router]);
  return () => setDue((n) => n + 1);
}
