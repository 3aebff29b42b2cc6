'use client';

import { differencesOf } from '../../../core/batch/differences';
import type { EventBody } from '../../../core/batch/events';
import type { Batch } from '../../../core/batch/record';
import type { BatchState } from '../../../core/batch/state';
import { term } from '../../../core/message/term';
import type { RuleSet } from '../../../core/safety/rules';
import { timeOfDay } from '../../../core/units/clock';
import { duration, mPas } from '../../../core/units/shown/format';
import type { Going } from '../../device/useFollow';
import { useSay } from '../../shared/hooks/useSay';
import { measuredMark } from '../../shared/marks';
import { BUTTON } from '../../shared/styles';
import { Finish } from './Finish';
import { Finished } from './Finished';

type Props = {
  readonly batch: Batch;
  readonly state: BatchState;
  readonly going: Going | null;
  readonly write: (body: EventBody) => void;
  readonly rules: RuleSet;
  /** Back to the steps that are left; absent when there are none. */
  readonly onBack?: () => void;
};

/** What was held back from the pot, and how it goes to the soup now. */
function Bowl({ garnish }: { garnish: NonNullable<Batch['plan']['garnish']> }) {
  const say = useSay();
  return (
    <section aria-label={say('For the bowl')} className="mt-2 border-ink border-2 bg-ground px-3 py-2">
      <h2 className="font-bold">{say('For the bowl')}</h2>
      <ul>
        {garnish.map((g) => (
          <li key={g.name} className="leading-tight">
            {say.rich('<b>{g} {name}</b>, {each} on each of {portions}: {how}.', {
              b: (text) => <b>{text}</b>,
              g: { g: g.g },
              name: { within: term(g.name) },
              each: { g: g.each },
              portions: g.portions,
              how: g.how,
            })}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** The end of a batch: what came of it, what went otherwise than planned, how it tasted, and where it goes. */
export function EndView({ batch, state, going, write, rules, onBack }: Props) {
  const say = useSay();
  const { finished, stage } = state;
  const level = going?.seen.volumeMl ?? null;
  const yieldMl = finished?.yieldMl ?? level;
  const from = Date.parse(batch.startedAt);
  const last = state.steps.map((s) => Date.parse(s.done?.at ?? '')).filter((t) => !Number.isNaN(t));
  const took = (Math.max(from, ...last) - from) / 1000;
  return (
    <div className="grid h-full min-[1100px]:grid-cols-[1fr_460px]">
      <section
        aria-label={say('End of the batch')}
        className="bg-surface px-5 py-4 min-[1100px]:overflow-y-auto min-[1100px]:px-9"
      >
        <p className="text-[19px] text-quiet">
          {say('{recipeName} · begun {timeOfDay}, {took} on the stove, {seconds} planned', {
            recipeName: batch.plan.recipeName,
            timeOfDay: timeOfDay(new Date(from)),
            took: duration(took),
            seconds: duration(batch.plan.seconds),
          })}
        </p>
        {onBack && !finished && (
          <p className="mt-2 flex flex-wrap items-center gap-3 bg-butter/30 px-3 py-1">
            <b>{say('Steps are left.')}</b>
            <button type="button" onClick={onBack} className={BUTTON}>
              {say('Back to the step at hand')}
            </button>
          </p>
        )}
        {batch.plan.garnish && batch.plan.garnish.length > 0 && <Bowl garnish={batch.plan.garnish} />}
        {finished ? (
          <Finished finished={finished} batchId={batch.id} kept={stage === 'hold' || stage === 'cool'} />
        ) : (
          <Finish level={level} rules={rules} write={write} />
        )}
      </section>
      <section
        aria-label={say('How it went')}
        className="border-ink bg-ground px-5 py-4 max-[1100px]:border-t-2 min-[1100px]:overflow-y-auto min-[1100px]:border-l-2"
      >
        <h2 className="font-bold text-[22px]">{say('How it came out')}</h2>
        <CameOut batch={batch} state={state} going={going} yieldMl={yieldMl} />
        <h2 className="mt-5 font-bold text-[22px]">{say('What differed from the plan')}</h2>
        <Differences differences={differencesOf(batch, state, yieldMl)} />
      </section>
    </div>
  );
}

type CameProps = Pick<Props, 'batch' | 'state' | 'going'> & { readonly yieldMl: number | null };

/** Consistency and volume, planned and as they came out. */
function CameOut({ batch, state, going, yieldMl }: CameProps) {
  const say = useSay();
  const measured = measuredMark(state.events, going?.seen.fatFraction ?? 0);
  return (
    <dl className="mt-2 grid grid-cols-[1fr_auto_auto] items-baseline gap-x-4 gap-y-1">
      <dt className="col-start-2 text-right text-[15px] text-quiet">{say('planned')}</dt>
      <dd className="text-right text-[15px] text-quiet">
        {measured ? say('measured') : say('by the model')}
      </dd>
      <dt className="font-bold">{say('Consistency, mPa·s')}</dt>
      <dd className="figures text-right text-[24px]">
        {mPas(batch.plan.cooked?.target ?? batch.plan.viscosity)}
      </dd>
      <dd className="figures text-right font-bold text-[24px]">
        {measured ? mPas(measured.at) : going ? mPas(going.seen.bowlViscosity) : '–'}
      </dd>
      <dt className="font-bold">{say('Volume')}</dt>
      <dd className="figures text-right text-[24px]">
        {say('{volume}', { volume: { ml: batch.plan.litres * 1000 } })}
      </dd>
      <dd className="figures text-right font-bold text-[24px]">
        {yieldMl === null ? '–' : say('{volume}', { volume: { ml: yieldMl } })}
      </dd>
    </dl>
  );
}

function Differences({ differences }: { readonly differences: ReturnType<typeof differencesOf> }) {
  const say = useSay();
  return differences.length === 0 ? (
    <p className="mt-1">{say('Nothing to speak of.')}</p>
  ) : (
    <ul className="mt-1">
      {differences.map((d, n) => (
        <li key={`${say.either(d.what)} ${n.toString()}`} className="border-rule border-b py-2 leading-tight">
          <b>{say.either(d.what)}</b>
          <span className="block">
            {say.either(d.was)}{' '}
            <span className="text-quiet">{say('instead of {planned}', { planned: d.planned })}</span>
          </span>
        </li>
      ))}
    </ul>
  );
}
