'use client';

import { clsx } from 'clsx';
import { useState } from 'react';
import { differencesOf } from '../../core/batch/differences';
import type { BodyOf, EventBody, GoesTo } from '../../core/batch/events';
import type { Batch } from '../../core/batch/record';
import type { BatchState } from '../../core/batch/state';
import { LIMITS } from '../../core/safety/cautions';
import { timeOfDay } from '../../core/units/clock';
import { duration, litres, mPas } from '../../core/units/format';
import { degrees, inDegrees, type Show } from '../../core/units/show';
import { parseNumber } from '../../core/units/typed/parse';
import { Field } from '../shared/form/Field';
import { measuredMark } from '../shared/marks';
import { BUTTON, PRIMARY } from '../shared/styles';
import type { Going } from '../station/useFollow';

type Props = {
  readonly batch: Batch;
  readonly state: BatchState;
  readonly going: Going | null;
  readonly now: number | null;
  readonly show: Show;
  readonly write: (body: EventBody) => void;
  readonly onRead: () => void;
  /** Back to the steps that are left; absent when there are none. */
  readonly onBack?: () => void;
};

const GOES: readonly { value: GoesTo; words: string; aside: string }[] = [
  { value: 'pass', words: 'All served', aside: 'straight from the pot' },
  { value: 'hold', words: 'Hold it hot', aside: `never under ${LIMITS.hotHold.atLeast} °C` },
  {
    value: 'cool',
    words: 'Cool it',
    aside: `${LIMITS.cooling.through} °C in 2 h, ${LIMITS.cooling.to} °C in 6 h`,
  },
  { value: 'bin', words: 'Throw it away', aside: 'it cannot be served' },
];

/** The end of a batch: what came of it, what went otherwise than planned, how it tasted, and where it goes. */
export function EndView({ batch, state, going, now, show, write, onRead, onBack }: Props) {
  const { finished, stage } = state;
  const level = going?.seen.volumeMl ?? null;
  const yieldMl = finished?.yieldMl ?? level;
  const differences = differencesOf(batch, state, yieldMl);
  const measured = measuredMark(state.events, going?.seen.fatFraction ?? 0);
  const from = Date.parse(batch.startedAt);
  const last = state.steps.map((s) => Date.parse(s.done?.at ?? '')).filter((t) => !Number.isNaN(t));
  const took = (Math.max(from, ...last) - from) / 1000;
  return (
    <div className="grid h-full min-[1100px]:grid-cols-[1fr_460px]">
      <section
        aria-label="End of the batch"
        className="bg-surface px-5 py-4 min-[1100px]:overflow-y-auto min-[1100px]:px-9"
      >
        <p className="text-[19px] text-quiet">
          {batch.plan.recipeName} · begun {timeOfDay(new Date(from))}, {duration(took)} on the stove,{' '}
          {duration(batch.plan.seconds)} planned
        </p>
        {onBack && !finished && (
          <p className="mt-2 flex flex-wrap items-center gap-3 bg-butter/30 px-3 py-1">
            <b>Steps are left.</b>
            <button type="button" onClick={onBack} className={BUTTON}>
              Back to the step at hand
            </button>
          </p>
        )}
        {finished ? (
          <Finished
            finished={finished}
            stage={stage}
            now={now}
            show={show}
            write={write}
            onRead={onRead}
            state={state}
          />
        ) : (
          <Finish level={level} show={show} write={write} />
        )}
      </section>
      <section
        aria-label="How it went"
        className="border-ink bg-ground px-5 py-4 max-[1100px]:border-t-2 min-[1100px]:overflow-y-auto min-[1100px]:border-l-2"
      >
        <h2 className="font-bold text-[22px]">How it came out</h2>
        <dl className="mt-2 grid grid-cols-[1fr_auto_auto] items-baseline gap-x-4 gap-y-1">
          <dt className="col-start-2 text-right text-[15px] text-quiet">planned</dt>
          <dd className="text-right text-[15px] text-quiet">{measured ? 'measured' : 'by the model'}</dd>
          <dt className="font-bold">Consistency, mPa·s</dt>
          <dd className="figures text-right text-[24px]">
            {mPas(batch.plan.cooked?.target ?? batch.plan.viscosity)}
          </dd>
          <dd className="figures text-right font-bold text-[24px]">
            {measured ? mPas(measured.at) : going ? mPas(going.seen.bowlViscosity) : '–'}
          </dd>
          <dt className="font-bold">Volume, L</dt>
          <dd className="figures text-right text-[24px]">{litres(batch.plan.litres * 1000)}</dd>
          <dd className="figures text-right font-bold text-[24px]">
            {yieldMl === null ? '–' : litres(yieldMl)}
          </dd>
        </dl>
        <h2 className="mt-5 font-bold text-[22px]">What differed from the plan</h2>
        {differences.length === 0 ? (
          <p className="mt-1">Nothing to speak of.</p>
        ) : (
          <ul className="mt-1">
            {differences.map((d, n) => (
              <li key={`${d.what} ${n.toString()}`} className="border-rule border-b py-2 leading-tight">
                <b>{inDegrees(d.what, show)}</b>
                <span className="block">
                  {d.was} <span className="text-quiet">instead of {d.planned}</span>
                </span>
              </li>
            ))}
          </ul>
        )}
      </section>
    </div>
  );
}

function Finish({ level, show, write }: { level: number | null; show: Show; write: Props['write'] }) {
  const [typed, setTyped] = useState<string | null>(null);
  const [score, setScore] = useState<number | null>(null);
  const [note, setNote] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const text = typed ?? (level === null ? '' : (level / 1000).toFixed(1));
  const finish = (goesTo: GoesTo) => {
    const l = parseNumber(text);
    if (text.trim() !== '' && !(l >= 0 && l <= 600)) {
      setProblem(`“${text}” cannot be: yield is a number from 0 to 600 L.`);
      document.getElementById('end-yield')?.focus();
      return;
    }
    write({
      kind: 'finished',
      goesTo,
      ...(text.trim() !== '' && { yieldMl: Math.round(l * 1000) }),
      ...(score !== null && { score }),
      ...(note.trim() && { note: note.trim() }),
    });
  };
  return (
    <>
      <h1 className="mt-1 font-bold text-[clamp(34px,4.2vw,52px)] leading-tight">
        On the pass: write it down
      </h1>
      <div className="mt-4 grid gap-5 min-[720px]:grid-cols-[14rem_1fr]">
        <Field
          id="end-yield"
          label="What came of it, L"
          inputMode="decimal"
          value={text}
          onChange={(e) => {
            setTyped(e.target.value);
            setProblem(null);
          }}
          problem={problem ?? undefined}
          hint={typed === null && level !== null ? 'by the model' : undefined}
          className="figures text-right font-bold text-[32px]"
        />
        <fieldset>
          <legend className="mb-1 font-bold">How it tastes, 1 poor to 5 as it should</legend>
          <div className="flex gap-2">
            {[1, 2, 3, 4, 5].map((n) => (
              <button
                key={n}
                type="button"
                aria-pressed={score === n}
                onClick={() => setScore(score === n ? null : n)}
                className={clsx(
                  'figures size-14 rounded-sm border-2 border-ink font-bold text-[26px]',
                  score === n ? 'bg-ink text-surface' : 'bg-surface',
                )}
              >
                {n}
              </button>
            ))}
          </div>
        </fieldset>
      </div>
      <label htmlFor="end-note" className="mt-4 mb-1 block font-bold">
        For whoever cooks it next
      </label>
      <textarea
        id="end-note"
        value={note}
        maxLength={1000}
        rows={3}
        onChange={(e) => setNote(e.target.value)}
        className="w-full rounded-sm border-2 border-ink bg-surface p-3"
      />
      <fieldset className="mt-4">
        <legend className="mb-1 font-bold">Where it goes now</legend>
        <div className="grid gap-2 min-[560px]:grid-cols-2">
          {GOES.map((g, n) => (
            <button
              key={g.value}
              type="button"
              onClick={() => finish(g.value)}
              className={`${n === 0 ? PRIMARY : BUTTON} min-h-20 justify-start text-left`}
            >
              <span>
                <span className="block text-[22px] leading-tight">{g.words}</span>
                <span className="block font-normal text-[16px]">{inDegrees(g.aside, show)}</span>
              </span>
            </button>
          ))}
        </div>
      </fieldset>
    </>
  );
}

const SAID: Readonly<Record<GoesTo, string>> = {
  pass: 'Served',
  hold: 'Held hot',
  cool: 'Cooling',
  bin: 'Thrown away',
};

function Finished({
  finished,
  stage,
  state,
  now,
  show,
  write,
  onRead,
}: Pick<Props, 'state' | 'now' | 'show' | 'write' | 'onRead'> & {
  finished: BodyOf<'finished'> & { at: string };
  stage: BatchState['stage'];
}) {
  const kept = stage === 'hold' || stage === 'cool';
  const probed = state.events.filter((e) => e.body.kind === 'temperature' && e.at >= finished.at);
  const last = probed.at(-1);
  const celsius = last?.body.kind === 'temperature' ? last.body.celsius : null;
  const cold = stage === 'hold' && celsius !== null && celsius < LIMITS.hotHold.atLeast;
  return (
    <>
      <h1 className="mt-1 font-bold text-[clamp(34px,4.2vw,52px)] leading-tight">
        {SAID[finished.goesTo]} {kept ? 'since' : 'at'} {timeOfDay(new Date(finished.at))}
      </h1>
      <p className="mt-2 text-[21px]">
        {finished.yieldMl !== undefined && `${litres(finished.yieldMl)} L. `}
        {finished.score !== undefined && `Tasted ${finished.score} of 5. `}
        {finished.note}
      </p>
      {kept && (
        <>
          <p className="mt-4 text-[21px]">
            {stage === 'hold'
              ? inDegrees(
                  `Never under ${LIMITS.hotHold.atLeast} °C: probe every hour and write it down.`,
                  show,
                )
              : inDegrees(
                  `${LIMITS.cooling.from} to ${LIMITS.cooling.through} °C within 2 h, to ${LIMITS.cooling.to} °C within 6 h in all.`,
                  show,
                )}{' '}
            <span className="text-[16px] text-quiet">
              FDA Food Code 2022, {stage === 'hold' ? LIMITS.hotHold.section : LIMITS.cooling.section} (from
              memory); the local code decides.
            </span>
          </p>
          {celsius !== null && last && (
            <p className={clsx('mt-3 text-[21px]', cold && 'font-bold text-tomato')}>
              Probed at {timeOfDay(new Date(last.at))}:{' '}
              <b className="figures text-[28px]">{degrees(celsius, show)}</b>
              {cold && ' is too cold: reheat it to 74 °C within 2 h, or throw it away.'}
            </p>
          )}
          {now !== null && (
            <p className="figures mt-3 font-bold text-[clamp(48px,6vw,80px)] leading-none">
              {duration((now - Date.parse(finished.at)) / 1000)}
            </p>
          )}
          <div className="mt-5 flex flex-wrap gap-3">
            <button type="button" className={`${PRIMARY} min-h-20 text-[22px]`} onClick={onRead}>
              Probe it
            </button>
            <button type="button" className={`${BUTTON} min-h-20`} onClick={() => write({ kind: 'cleared' })}>
              {stage === 'hold' ? 'The pot is empty' : 'It is cold and put away'}
            </button>
          </div>
        </>
      )}
    </>
  );
}
