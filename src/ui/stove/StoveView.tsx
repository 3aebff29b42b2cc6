'use client';

import { clsx } from 'clsx';
import { Check, CloudOff, TriangleAlert, Undo2 } from 'lucide-react';
import { useMemo } from 'react';
import type { Batch, RecordedStep } from '../../core/batch/record';
import { batchState } from '../../core/batch/state';
import { currentStepStarted } from '../../core/batch/ticket';
import { countdown, timeOfDay } from '../../core/units/clock';
import { duration, litres, mPas } from '../../core/units/format';
import { degrees, inDegrees, type Show } from '../../core/units/show';
import { useShortcut } from '../shared/Shortcuts';
import { useNow } from '../shared/useNow';
import { useShow } from '../shared/useShow';
import { useEvents } from './useEvents';

/** A step in the kitchen's own degrees. */
const shownIn = (s: RecordedStep, show: Show): RecordedStep => ({
  ...s,
  title: inDegrees(s.title, show),
  details: s.details.map((d) => inDegrees(d, show)),
  look: inDegrees(s.look, show),
  reason: inDegrees(s.reason, show),
  cautions: s.cautions?.map((c) => ({ ...c, says: inDegrees(c.says, show), do: inDegrees(c.do, show) })),
});

/** Leads a batch step by step: the one at hand fills the screen, all of them stand beside. */
export function StoveView({ batch }: { batch: Batch }) {
  const { events, unsent, refused, write } = useEvents(batch.id, batch.events);
  const show = useShow();
  const steps = useMemo(() => batch.plan.steps.map((s) => shownIn(s, show)), [batch, show]);
  const { done, current } = batchState(steps.length, events);
  const now = useNow();
  const step = steps[current];
  const next = steps[current + 1];
  const started = currentStepStarted({ ...batch, events });
  const left = now === null || !step ? null : step.seconds - (now - started.getTime()) / 1000;
  const lastDone = [...done.entries()].sort(([a], [b]) => b - a)[0]?.[1];

  const markDone = (n: number) => {
    if (n < steps.length && !done.has(n)) write({ kind: 'step-done', step: n });
  };
  const takeBack = () => {
    if (lastDone) write({ kind: 'withdrawn', event: lastDone.id });
  };
  useShortcut('n', () => markDone(current));
  useShortcut('u', takeBack);

  return (
    <div className="flex h-full flex-col overflow-y-auto min-[1100px]:grid min-[1100px]:grid-cols-[1fr_372px] min-[1100px]:grid-rows-[1fr_auto] min-[1100px]:overflow-hidden">
      <section
        aria-label="The step at hand"
        className="flex min-h-[60vh] shrink-0 flex-col bg-surface px-5 py-5 min-[1100px]:min-h-0 min-[1100px]:px-9"
      >
        <p className="text-quiet text-[19px]">
          {batch.plan.recipeName} · {litres(batch.plan.litres * 1000)} L in {batch.plan.vesselName}
          {step && (
            <>
              {' '}
              · step {current + 1} of {steps.length}
            </>
          )}
        </p>
        <Status unsent={unsent} refused={refused} />
        {step ? (
          <>
            <h1 className="mt-1 text-balance font-bold text-[clamp(34px,4.6vw,58px)] leading-[1.08]">
              {step.title}
            </h1>
            <ul className="mt-4 flex flex-col gap-1 text-[clamp(20px,2vw,26px)]">
              {step.details.map((d) => (
                <Detail key={d} text={d} />
              ))}
            </ul>
            {step.look && (
              <p className="mt-4 text-[21px]">
                <b>Look for</b> {step.look}.
              </p>
            )}
            {step.reason && <p className="mt-2 text-[18px] text-quiet">{step.reason}</p>}
            {step.cautions?.map((c) => (
              <p key={c.id} className="mt-3 flex items-start gap-3 border-2 border-ink px-3 py-2 text-[19px]">
                <TriangleAlert size={28} className="mt-0.5 shrink-0" aria-label="Caution" />
                <span>
                  <b>{c.says}</b> {c.do} <span className="text-[16px] text-quiet">{c.rule}.</span>
                </span>
              </p>
            ))}
            <div className="min-h-4 flex-1" />
            <div className="flex flex-wrap items-center gap-x-8 border-rule border-t-2 pt-3">
              <p
                role="timer"
                className={clsx(
                  'figures font-bold text-[clamp(64px,8vw,104px)] leading-none',
                  left !== null && left < 0 && 'bg-butter px-3 py-1 text-on-butter',
                )}
              >
                {left === null ? '··:··' : countdown(left)}
              </p>
              <p className="text-[19px]">
                {left !== null && left < 0 ? <b>past the planned time</b> : 'left by the plan'}
                <br />
                ends near <b>{degrees(step.celsius, show)}</b>, {litres(step.volumeMl)} L in the pot
              </p>
            </div>
          </>
        ) : (
          <>
            <h1 className="mt-1 font-bold text-[48px] leading-tight">Done: on the pass</h1>
            <p className="mt-3 text-[24px]">
              {litres(batch.plan.litres * 1000)} L, {batch.plan.band}, {mPas(batch.plan.viscosity)} mPa·s by
              the plan.
            </p>
          </>
        )}
      </section>

      <section
        aria-label="All steps"
        className="flex min-h-0 shrink-0 flex-col border-ink bg-ground max-[1100px]:border-t-2 min-[1100px]:border-l-2"
      >
        <h2 className="px-5 pt-4 pb-1 font-bold">All steps</h2>
        <ol className="min-h-0 flex-1 px-3 min-[1100px]:overflow-y-auto pb-2" aria-label="Steps">
          {steps.map((s, n) => {
            const event = done.get(n);
            const here = n === current;
            const id = `step-${n}`;
            return (
              <li
                key={id}
                aria-current={here ? 'step' : undefined}
                className={clsx(
                  'flex items-center gap-3 border-rule border-b px-2 py-1',
                  here && 'bg-surface',
                )}
              >
                <button
                  type="button"
                  onClick={() => markDone(n)}
                  aria-disabled={event !== undefined}
                  aria-label={event ? `${s.title}: done` : `Mark done: ${s.title}`}
                  className="grid size-14 shrink-0 place-items-center"
                >
                  <span
                    className={clsx(
                      'grid size-9 place-items-center rounded-sm border-2 border-ink',
                      event ? 'bg-ink text-surface' : 'bg-surface',
                    )}
                  >
                    {event ? (
                      <Check size={24} strokeWidth={3} aria-hidden />
                    ) : (
                      <span className="figures text-[17px]">{n + 1}</span>
                    )}
                  </span>
                </button>
                <span className="min-w-0 flex-1 leading-tight">
                  <span className={clsx('block', here && 'font-bold')}>{s.title}</span>
                  <span className="block text-[15px] text-quiet">
                    {event ? `done at ${timeOfDay(new Date(event.at))}` : duration(s.seconds)}
                  </span>
                </span>
              </li>
            );
          })}
        </ol>
      </section>

      <div className="flex min-w-0 items-center gap-4 border-ink border-t-2 bg-ground px-5 py-2 max-[1100px]:hidden">
        {next && (
          <p className="min-w-0 flex-1 truncate text-[20px]">
            <span className="text-quiet">Next</span> <b className="ml-2">{next.title}</b>{' '}
            <span className="ml-2">{next.details[0]}</span>
          </p>
        )}
      </div>
      <div className="sticky bottom-0 flex shrink-0 border-ink border-t-2 min-[1100px]:border-l-2">
        <button
          type="button"
          onClick={takeBack}
          disabled={!lastDone}
          className="flex min-h-24 w-28 shrink-0 flex-col items-center justify-center gap-1 bg-surface disabled:text-rule"
        >
          <Undo2 aria-hidden />
          Take back
        </button>
        <button
          type="button"
          onClick={() => markDone(current)}
          disabled={!step}
          className="min-h-24 flex-1 border-ink border-l-2 bg-butter font-bold text-[28px] text-on-butter disabled:bg-ground disabled:text-quiet"
        >
          {step ? (next ? 'Done, next' : 'Done, to the pass') : 'All done'}
        </button>
      </div>
    </div>
  );
}

/** A line of a step; a weight or volume it starts with is set large. */
function Detail({ text }: { text: string }) {
  const m = /^([\d\u00a0.]+ (?:g|L|mL)) (.*)$/.exec(text);
  if (!m) return <li>{text}</li>;
  return (
    <li>
      <b className="figures mr-3 inline-block min-w-32 bg-butter px-2 text-right text-[1.25em] text-on-butter leading-[1.25]">
        {m[1]}
      </b>
      {m[2]}
    </li>
  );
}

function Status({ unsent, refused }: { unsent: number; refused: string | null }) {
  if (refused) {
    return (
      <p role="alert" className="font-bold text-tomato">
        {refused}
      </p>
    );
  }
  if (unsent === 0) return null;
  return (
    <p role="status" className="flex items-center gap-2 font-bold">
      <CloudOff aria-hidden /> {unsent} waiting to be saved
    </p>
  );
}
