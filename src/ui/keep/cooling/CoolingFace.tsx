'use client';

import { clsx } from 'clsx';
import { Check, Eye, TriangleAlert } from 'lucide-react';
import { Suspense, useEffect, useMemo, useState } from 'react';
import { type CoolingWay, rankedWays } from '../../../core/keep/cool/ways';
import { JUST, type LotState } from '../../../core/keep/lot';
import { limitsNow } from '../../../core/keep/safe/judged';
import { type Alarm, alarmRead, nextReading, rulesIn } from '../../../core/keep/standing';
import type { House } from '../../../core/kitchen/house';
import { type Message, message } from '../../../core/message/message';
import type { Limit, LimitAnswer } from '../../../core/safety/course';
import { timeOfDay } from '../../../core/units/clock';
import type { CoolingFound } from '../../../workers/keeper';
import { useSay } from '../../shared/hooks/useSay';
import { lazily } from '../../shared/lazily';
import { chanceWords } from '../keepWords';
import type { CoolingAnswers } from '../useKeeper';
import { Pans } from './Pans';
import { WaysList } from './WaysList';

/** Charts are loaded when one is looked at. */
const CoolingChart = lazily(async () => (await import('./CoolingChart')).default);

type Props = {
  readonly house: House;
  readonly state: LotState;
  readonly now: number;
  readonly answers: CoolingAnswers | null;
  readonly onWay: (way: CoolingWay) => void;
  readonly onReheat: () => void;
};

/** One thing that cools: its course, its limits, its chance, and what else could be done. */
export function CoolingFace({ house, state, now, answers, onWay, onReheat }: Props) {
  const say = useSay();
  const rule = rulesIn(house);
  const found = answers?.found ?? null;
  const ways = useMemo(() => rankedWays(answers?.ways ?? []), [answers?.ways]);
  const asIs = ways.find((t) => t.way.into.kind === 'pot' && !t.way.stirEvery && !t.way.wands) ?? null;
  const here = state.way;
  const inPot = here?.into.kind === 'pot' && !here.stirEvery;
  const best = ways.find((t) => t.forecast.chance > 0.5);
  const beside =
    found && answers
      ? inPot
        ? best && { at: answers.at, forecast: best.forecast, words: say('the first way of the list') }
        : asIs && { at: answers.at, forecast: asIs.forecast, words: say('in the pot as it is') }
      : null;
  const readings = state.readings.filter((r) => r.at >= (state.coolingFrom ?? 0) - JUST);
  const limits = useMemo(() => limitsNow(state, now), [state, now]);
  const [shown, setShown] = useState(false);
  useEffect(() => setShown(true), []);
  return (
    <>
      <section
        aria-label={say('Along the clock')}
        className="flex min-h-0 flex-col max-[1100px]:min-h-[420px]"
      >
        <div className="px-5 pt-3">
          <h2 className="font-bold text-[19px]">{say('Temperature of the thickest middle')}</h2>
          <p className="text-[15px] text-quiet">
            {say('thick line what will be, band 8 in 10, red steps the limit')}
            {beside && say('; dashed {words}', { words: beside.words })}
          </p>
        </div>
        <div className="min-h-0 flex-1">
          {found && shown && (
            <Suspense>
              <CoolingChart
                forecast={found.forecast}
                at={found.at}
                readings={readings}
                beside={beside ?? null}
                now={now}
                fromRule={rule.cooling.from}
                limits={limits}
              />
            </Suspense>
          )}
          {!found && <p className="p-6 text-quiet">{say('Working out how it cools …')}</p>}
        </div>
        {found && <Pans house={house} state={state} mm={found.mm} />}
      </section>
      <section
        aria-label={say('Its chance, and what else could be done')}
        className="flex min-h-0 flex-col border-ink max-[1100px]:contents min-[1100px]:border-l-2"
      >
        <Chance found={found} limits={limits} {...(state.reheats === 0 && { onReheat })} />
        <WaysList
          house={house}
          ways={ways}
          working={answers?.working ?? true}
          at={answers?.at ?? now}
          now={here}
          onPick={onWay}
        />
        <p className="border-rule border-t px-5 py-3">
          {say.rich('Next reading <b>{at}</b>', {
            b: (text) => <b className="figures text-[22px]">{text}</b>,
            at: timeOfDay(new Date(nextReading(state, rule, house.keeping.probeEvery) ?? now)),
          })}
          <span className="block text-[14px] text-quiet">
            {say('{name} {of}, {source}, from memory; the local code decides.', {
              name: rule.name,
              of: rule.of,
              source: rule.cooling.source,
            })}
          </span>
        </p>
      </section>
    </>
  );
}

/** What is said of how it stands. Only what keeps every limit is said to. */
const SAID: Readonly<Record<Alarm, Message>> = {
  none: message('Keeps every limit'),
  watch: message('May miss a limit: read it soon'),
  'will miss': message('Will miss the limit: change the way now'),
  unread: message('Nobody read it in time'),
  lost: message('Not cold in time'),
};

const MET: Readonly<Record<LimitAnswer, Message | null>> = {
  open: null,
  holds: message('{to} kept'),
  'will not': message('{to} missed'),
  'cannot be told': message('{to} cannot be told'),
};

/** How likely it keeps every limit, large; in words of a different shape where it will not, or nobody can tell. */
function Chance({
  found,
  limits,
  onReheat,
}: {
  found: CoolingFound | null;
  limits: readonly Limit[];
  onReheat?: () => void;
}) {
  const say = useSay();
  if (!found)
    return <p className="bg-surface px-5 py-4 text-quiet max-[1100px]:-order-1">{say('One moment …')}</p>;
  const { forecast, at } = found;
  // What was read counts at once; what will be is worked out anew when the worker is back.
  const alarm = alarmRead(limits) ?? found.alarm;
  const bad = alarm !== 'none' && alarm !== 'watch';
  const clock = (ms: number) => timeOfDay(new Date(ms));
  return (
    <div
      role={bad ? 'alert' : undefined}
      className={clsx(
        // Where one stands under the other it is said before it is drawn.
        'border-ink border-b-2 px-5 py-4 max-[1100px]:-order-1',
        bad ? 'bg-tomato text-surface' : 'bg-surface',
        alarm === 'none' && 'border-l-8 border-l-chive',
      )}
    >
      <p className="flex items-center gap-2 font-bold">
        {bad ? <TriangleAlert aria-hidden /> : alarm === 'none' ? <Check aria-hidden /> : <Eye aria-hidden />}
        {say(SAID[alarm])}
      </p>
      <p className="figures font-bold text-[46px] leading-none">
        {alarm === 'lost'
          ? say('throw it away')
          : alarm === 'unread'
            ? say('read it now')
            : say(chanceWords(forecast.chance))}
      </p>
      <p className="mt-1 text-[16px]">
        {forecast.verdict.stages
          .map((s, n) => {
            const limit = limits[n];
            const told = limit && MET[limit.answer];
            if (told) return say(told, { to: { celsius: s.to } });
            const by = limit ? clock(limit.by) : null;
            return Number.isFinite(s.met)
              ? say('{to} at {at}{by, select, none {} other {, due {by}}}', {
                  to: { celsius: s.to },
                  at: clock(at + s.met * 1000),
                  by: by ?? 'none',
                })
              : say('{to} never{by, select, none {} other {, due {by}}}', {
                  to: { celsius: s.to },
                  by: by ?? 'none',
                });
          })
          .join(' · ')}
      </p>
      {alarm === 'will miss' && onReheat && (
        <button
          type="button"
          onClick={onReheat}
          className="mt-2 min-h-12 rounded-sm border-2 border-current px-3 font-bold"
        >
          {say('Or reheat it, once, and begin again')}
        </button>
      )}
    </div>
  );
}
