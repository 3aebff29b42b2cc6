'use client';

import { Suspense, useEffect, useState } from 'react';
import { BANDS } from '../../../core/flow/bands';
import type { KeepBody } from '../../../core/keep/events';
import type { Lot, LotState } from '../../../core/keep/lot';
import type { HotForecast } from '../../../core/keep/soup/hot';
import { nextReading, rulesIn, underLimit } from '../../../core/keep/standing';
import type { House } from '../../../core/kitchen/house';
import { term } from '../../../core/message/term';
import { timeOfDay } from '../../../core/units/clock';
import { exactDegrees } from '../../../core/units/shown/show';
import { useSay } from '../../shared/hooks/useSay';
import { useShow } from '../../shared/hooks/useShow';
import { useAsked } from '../../shared/hooks/useWorker';
import { lazily } from '../../shared/lazily';
import { BUTTON } from '../../shared/styles';
import { type KeeperHere, keptKey } from '../useKeeper';

const HotChart = lazily(async () => (await import('./HotChart')).default);

type Props = {
  readonly house: House;
  readonly lot: Lot;
  readonly state: LotState;
  readonly now: number;
  readonly working: KeeperHere;
  readonly servedPerHour: number;
  readonly onWrite: (body: KeepBody) => void;
};

/** One thing kept hot: how thick it will be and when, what to stir in, and how long it may. */
export function HotFace({ house, lot, state, now, working, servedPerHour, onWrite }: Props) {
  const say = useSay();
  const show = useShow();
  const rule = rulesIn(house);
  const { keeper, known } = working;
  const answered = useAsked(keeper, 'hot', keptKey(lot, known, now, servedPerHour), () => ({
    lot,
    now,
    servedPerHour,
  }));
  const found = answered.question?.lot.id === lot.id && answered.pieces.length > 0;
  const forecast = (found && answered.pieces[0]) || null;
  const at = answered.question?.now ?? now;
  return (
    <>
      <Along house={house} forecast={forecast} found={found} at={at} />
      <section
        aria-label={say('What to do')}
        className="flex min-h-0 flex-col border-ink max-[1100px]:border-t-2 min-[1100px]:overflow-y-auto min-[1100px]:border-l-2"
      >
        <ProbeBy house={house} state={state} now={now} />
        {forecast && (
          <Foreseen
            forecast={forecast}
            at={at}
            state={state}
            now={now}
            servedPerHour={servedPerHour}
            onWrite={onWrite}
          />
        )}
        <p className="px-5 py-3 text-[14px] text-quiet">
          {say('{name} {of}, {source}, from memory; the local code decides.', {
            name: rule.name,
            of: rule.of,
            source: rule.hot.source,
          })}{' '}
          {state.readings.length > 0 &&
            say('Last read {celsius} at {at}.', {
              celsius: exactDegrees(state.readings.at(-1)?.celsius ?? 0, show),
              at: timeOfDay(new Date(state.readings.at(-1)?.at ?? now)),
            })}
        </p>
      </section>
    </>
  );
}

const clockAt = (at: number, minutes: number): string => timeOfDay(new Date(at + minutes * 60_000));

type AlongProps = Pick<Props, 'house'> & {
  readonly forecast: HotForecast | null;
  /** It was worked out, whatever came of it. */
  readonly found: boolean;
  /** ms it is worked out from. */
  readonly at: number;
};

/** How thick it will be, hour by hour. */
function Along({ house, forecast, found, at }: AlongProps) {
  const say = useSay();
  const [shown, setShown] = useState(false);
  useEffect(() => setShown(true), []);
  /** In two hours, or where it ends before. */
  const later = forecast?.points.find((p) => p.minutes >= 120) ?? forecast?.points.at(-1);
  return (
    <section aria-label={say('Along the clock')} className="flex min-h-0 flex-col max-[1100px]:min-h-[420px]">
      <div className="px-5 pt-3">
        <h2 className="font-bold text-[19px]">{say('How thick it will be, mPa·s in the bowl')}</h2>
        <p className="text-[15px] text-quiet">
          {say('thick line as it is kept, dashed with what is stirred in each half hour; bands across')}
        </p>
      </div>
      <div className="min-h-0 flex-1">
        {forecast && shown && (
          <Suspense>
            <HotChart
              forecast={forecast}
              at={at}
              limits={house.kitchen.bandLimits}
              bands={BANDS.map((b) => say(term(b)))}
            />
          </Suspense>
        )}
        {found && !forecast && (
          <p className="max-w-[34rem] p-6 text-[18px]">
            {say(
              'Nobody followed how this was cooked, so that its thickening cannot be foreseen. Its probe rounds and its limits hold all the same.',
            )}
          </p>
        )}
        {!found && <p className="p-6 text-quiet">{say('Working out how it keeps …')}</p>}
      </div>
      {forecast && (
        <p className="px-5 pb-3 text-[16px] text-quiet">
          {say(
            'Settles at {celsius}; {lost} of water gone by {at}{skin, select, no {} other {; a skin after {skin} min uncovered and still}}.',
            {
              celsius: { celsius: forecast.settles },
              lost: { g: later?.lost ?? 0 },
              at: clockAt(at, later?.minutes ?? 0),
              skin: forecast.skin === null ? 'no' : String(forecast.skin),
            },
          )}
        </p>
      )}
    </section>
  );
}

/** By when it is probed; or, under its limit, what is done about that and by when. */
function ProbeBy({ house, state, now }: Pick<Props, 'house' | 'state' | 'now'>) {
  const say = useSay();
  const rule = rulesIn(house);
  const under = underLimit(state, rule, now);
  const due = nextReading(state, rule, house.keeping.probeEvery) ?? now;
  const late = due < now;
  return (
    <div
      role={under ? 'alert' : undefined}
      className={`border-ink border-b-2 px-5 py-4 ${under ? 'bg-tomato text-surface' : 'bg-surface'}`}
    >
      {under ? (
        <>
          <p className="font-bold">
            {say('{celsius}: under {limit} for {minutes} min', {
              celsius: { celsius: under.celsius, exact: true },
              limit: { celsius: rule.hot.atLeast },
              minutes: under.minutes,
            })}
          </p>
          <p className="figures font-bold text-[32px] leading-tight">
            {under.does === 'reheat'
              ? say('reheat to {to}', { to: { celsius: rule.reheat.to } })
              : under.does === 'throw away'
                ? say('throw it away')
                : say('serve or cool it')}
          </p>
          {under.does !== 'throw away' && (
            <p>{say('by {at}, once', { at: timeOfDay(new Date(under.by)) })}</p>
          )}
        </>
      ) : (
        <>
          <p className="font-bold">{late ? say('Probe it now: it was due') : say('Probe it by')}</p>
          <p className="figures font-bold text-[46px] leading-none">{timeOfDay(new Date(due))}</p>
          <p className="mt-1 text-[16px]">
            {say('every {every} min, never under {limit}', {
              every: house.keeping.probeEvery,
              limit: { celsius: rule.hot.atLeast },
            })}
          </p>
        </>
      )}
    </div>
  );
}

type ForeseenProps = Pick<Props, 'state' | 'now' | 'servedPerHour' | 'onWrite'> & {
  readonly forecast: HotForecast;
  readonly at: number;
};

/** When it leaves its band and what keeps it there, when it is ladled out, and when it is past its best. */
function Foreseen({ forecast, at, state, now, servedPerHour, onWrite }: ForeseenProps) {
  const say = useSay();
  const until = state.since + forecast.worst.minutes * 60_000;
  const clock = (minutes: number) => clockAt(at, minutes);
  return (
    <dl className="[&>div]:border-rule [&>div]:border-b [&>div]:px-5 [&>div]:py-3">
      <div>
        <dt className="font-bold">
          {forecast.leaves
            ? say('{band} by {at}', {
                band: term(forecast.leaves.band),
                at: clock(forecast.leaves.minutes),
              })
            : say('Stays in its band for four hours')}
        </dt>
        <dd className="text-[17px]">
          {forecast.letDown > 0
            ? say('Stir in {ml} of hot stock each half hour, and it stays as it is.', {
                ml: { millilitres: forecast.letDown },
              })
            : say('Nothing needs stirring in.')}
        </dd>
        {forecast.letDown > 0 && state.stage === 'hot' && (
          <dd className="mt-2">
            <button
              type="button"
              className={BUTTON}
              onClick={() => onWrite({ kind: 'let down', ml: forecast.letDown, ingredient: 'water' })}
            >
              {say('Stirred in {ml}', { ml: { millilitres: forecast.letDown } })}
            </button>
          </dd>
        )}
      </div>
      {forecast.lasts !== null && (
        <div>
          <dt className="font-bold">{say('Ladled out by {at}', { at: clock(forecast.lasts) })}</dt>
          <dd className="text-[17px]">{say('at {served} an hour', { served: { ml: servedPerHour } })}</dd>
        </div>
      )}
      <div>
        <dt className={until < now ? 'font-bold text-tomato' : 'font-bold'}>
          {until < now
            ? say('Past its best since {at}', { at: timeOfDay(new Date(until)) })
            : say('Best before {at}', { at: timeOfDay(new Date(until)) })}
        </dt>
        <dd className="text-[17px]">{say('{why}.', { why: { opening: forecast.worst.why } })}</dd>
      </div>
    </dl>
  );
}
