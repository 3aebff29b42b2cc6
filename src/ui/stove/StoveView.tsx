'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { EventBody } from '../../core/batch/events';
import { beginsAt, dueStep } from '../../core/batch/follow/pansNow';
import { askedAbout } from '../../core/batch/plausible';
import type { Batch } from '../../core/batch/record';
import { batchState, type StepState } from '../../core/batch/state';
import { titleIn } from '../../core/batch/titleIn';
import type { RuleSet } from '../../core/safety/rules';
import { timeOfDay } from '../../core/units/clock';
import { pairedDevice, useDevices } from '../device/devices';
import { tapWords } from '../device/undo/taps';
import { useBatch } from '../device/useBatch';
import { useFollow } from '../device/useFollow';
import { useNow } from '../device/useNow';
import { useWakeLock } from '../device/useWakeLock';
import { Faces } from '../frame/Faces';
import { useShortcut } from '../frame/keys/Shortcuts';
import { useKeptPage } from '../frame/useKeptPage';
import { useReally } from '../shared/hooks/useReally';
import { useSay } from '../shared/hooks/useSay';
import { useShow } from '../shared/hooks/useShow';
import { Scroll } from '../shared/Scroll';
import { Sheet } from '../shared/Sheet';
import { BUTTON } from '../shared/styles';
import { Again } from './Again';
import { Announced } from './Announced';
import { EndView } from './EndView';
import { NoModel } from './NoModel';
import { NowPane } from './NowPane';
import { Pairing } from './Pairing';
import { PanSheet } from './pans/PanSheet';
import { PanStrip } from './pans/PanStrip';
import { type ReadingKind, ReadingSheet } from './readings/ReadingSheet';
import { StepBar } from './StepBar';
import { peekOf, Status, StepPane } from './StepPane';
import { StepsSheet } from './steps/StepsSheet';
import { TimeLeft } from './TimeLeft';
import { Timers } from './Timers';
import { useDone } from './useDone';

type Open = 'steps' | 'devices' | 'timer' | ReadingKind | null;

const forPutIn = () => import('../shared/form/IngredientCombobox');

type Props = {
  readonly batch: Batch;
  /** What the house keeps hot, cools and reheats by. */
  readonly rules: RuleSet;
};

/** What a timer of a step is offered as: its title, with its pan. */
const timerName = (step: StepState | undefined): string | undefined =>
  step?.does?.in ? `${step.does.in}: ${step.title}`.slice(0, 60) : step?.title;

/** Leads a batch step by step: the one at hand fills the screen, the pot and the ladder stand beside it. */
export function StoveView({ batch: initial, rules }: Props) {
  const say = useSay();
  const { batch, unsent, refused, write } = useBatch(initial);
  const now = useNow();
  const { going, lost } = useFollow(batch, now);
  const show = useShow();
  const router = useRouter();
  const devices = useDevices();
  const [open, setOpen] = useState<Open>(null);
  const [looking, setLooking] = useState<number | null>(null);
  const [ending, setEnding] = useState(false);
  const [pan, setPan] = useState<string | null>(null);
  useWakeLock();
  useKeptPage(forPutIn);

  const state = going?.followed.state ?? batchState(batch);
  const { steps, current, since, stage, timers, paired } = state;
  const due = going && now !== null ? dueStep(going.followed, going.pans, now) : current;
  const place = looking ?? due;
  const step = steps[place];
  // Watching what goes by itself, what is at hand comes next.
  const next =
    due === current
      ? steps.find((s, n) => n > current && !s.done && !s.skipped && s.begun === null)
      : steps[current];
  /** The last line that was tapped: what is taken back first. */
  const last = state.events.findLast((e) => tapWords(e.body) !== null);

  const probe = pairedDevice(paired.thermometer, devices, now);
  const scale = pairedDevice(paired.scale, devices, now);
  const fresh = <D extends { value: number | null }>(d: D | null) =>
    d && d.value !== null ? { ...d, value: d.value } : null;

  const { really, sheet: question } = useReally();
  /** Writes it down; what is unusual is asked about first. */
  const asked = (body: EventBody, then = () => {}) => {
    const about = going
      ? askedAbout(body, {
          pot: going.pot,
          kitchen: going.followed.kitchen,
          doesOf: (key) => doesOf(steps.find((s) => s.key === key)),
        })
      : null;
    really(about, () => {
      write(body);
      then();
    });
  };
  const take = (body: EventBody) => asked(body, () => setOpen(null));
  const doesOf = (s: StepState | undefined) =>
    s ? (going?.followed.solved.get(s.key) ?? going?.to.steps.get(s.key) ?? s.does) : null;
  const { begins, markDone, again } = useDone({
    batch,
    state,
    due,
    looking,
    probe: fresh(probe),
    write,
    onMoved: () => setLooking(null),
  });
  const takeBack = () => {
    if (last) write({ kind: 'withdrawn', event: last.id });
    setLooking(null);
  };
  useShortcut('step-done', markDone);
  useShortcut('step-back', takeBack);
  useShortcut('wrong', () => router.push(`/fix?batch=${batch.id}`));
  useShortcut('timer', () => setOpen('timer'));
  useShortcut('temperature', () => setOpen(going ? 'temperature' : null));

  const panEnd = going?.pans.find((p) => p.step === place)?.endsAt;
  const endsAt =
    panEnd ?? (going && steps[current]?.does ? going.endsAt : since + (steps[current]?.seconds ?? 0) * 1000);
  const left = now === null ? null : (endsAt - now) / 1000;
  const shownPan = pan === null ? undefined : going?.pans.find((p) => p.name === pan);
  const sheets = (
    <>
      {question}
      <Sheet
        open={open === 'steps'}
        onOpenChange={(o) => setOpen(o ? 'steps' : null)}
        title={say('All steps')}
      >
        <StepsSheet
          events={batch.events}
          state={state}
          unreadable={batch.unreadable ?? []}
          write={write}
          onEnd={() => {
            setEnding(true);
            setOpen(null);
          }}
          onLook={(n) => {
            setLooking(n === current ? null : n);
            setOpen(null);
          }}
        />
      </Sheet>
      <Sheet
        open={open === 'devices'}
        onOpenChange={(o) => setOpen(o ? 'devices' : null)}
        title={say('Devices')}
      >
        <Pairing devices={devices} paired={paired} now={now ?? 0} write={write} />
      </Sheet>
      <Again again={again} />
      <Sheet open={pan !== null} onOpenChange={(o) => o || setPan(null)} title={pan || batch.plan.vesselName}>
        {shownPan && (
          <PanSheet
            pan={shownPan}
            place={batch.plan.cooked?.beside?.[shownPan.name]}
            steps={steps}
            show={show}
            write={(body) => {
              write(body);
              setPan(null);
            }}
            onLook={(n) => {
              setLooking(n === due ? null : n);
              setPan(null);
            }}
          />
        )}
      </Sheet>
      {going && open && open !== 'steps' && open !== 'devices' && open !== 'timer' && (
        <ReadingSheet
          kind={open}
          going={going}
          show={show}
          probe={fresh(probe)}
          scale={fresh(scale)}
          onTake={take}
          onClose={() => setOpen(null)}
        />
      )}
    </>
  );
  if (stage !== 'cooking' || ending)
    return (
      <>
        <EndView
          batch={batch}
          state={state}
          going={going}
          write={asked}
          rules={rules}
          {...(stage === 'cooking' && { onBack: () => setEnding(false) })}
        />
        <Status unsent={unsent} refused={refused} />
        {sheets}
      </>
    );

  return (
    <div className="flex h-full flex-col overflow-y-auto min-[1100px]:grid min-[1100px]:grid-cols-[1fr_384px] min-[1100px]:grid-rows-[minmax(0,1fr)_auto] min-[1100px]:overflow-hidden">
      <section
        aria-label={say('The step at hand')}
        className="flex min-h-[44vh] shrink-0 flex-col bg-surface px-5 pt-4 min-[1100px]:min-h-0 min-[1100px]:px-9"
      >
        <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
          <p className="min-w-0 flex-1 basis-64 text-[18px] text-quiet">
            {say(
              '{recipeName} · {litres} in {vesselName} · step {place} of {count}{now, select, none {} other { · {now}}}',
              {
                recipeName: batch.plan.recipeName,
                litres: { ml: batch.plan.litres * 1000 },
                vesselName: batch.plan.vesselName,
                place: place + 1,
                count: steps.length,
                now: now === null ? 'none' : timeOfDay(new Date(now)),
              },
            )}
          </p>
          <div className="w-full min-[720px]:w-84">
            <Faces batchId={batch.id} />
          </div>
        </div>
        <Status unsent={unsent} refused={refused} />
        {going && going.pans.length > 0 && (
          <PanStrip
            pans={going.pans}
            steps={steps}
            here={step?.does?.in ?? ''}
            now={now}
            show={show}
            onPan={setPan}
          />
        )}
        <Announced step={steps[due] ? titleIn(steps[due], show) : ''} timers={timers} now={now} />
        <Scroll label={say('What to do')} className="flex-1 pb-2 min-[1100px]:overflow-y-auto">
          {looking !== null && (
            <p className="flex flex-wrap items-center gap-3 bg-butter/30 px-3 py-1">
              <b>
                {step?.done
                  ? say('Done already')
                  : step?.begun != null
                    ? say('It goes by itself')
                    : say('Not at hand yet')}
              </b>
              <button type="button" onClick={() => setLooking(null)} className={BUTTON}>
                {say('Back to the step at hand')}
              </button>
            </p>
          )}
          {step && (
            <StepPane
              step={step}
              does={doesOf(step)}
              going={going}
              here={looking === null || step.begun !== null}
              colour={
                step.does?.kind === 'roux' && step.does !== step.planned?.does ? step.does.colour : null
              }
              scale={fresh(scale)}
              show={show}
              write={asked}
            />
          )}
        </Scroll>
        <div className="flex shrink-0 flex-wrap items-center gap-x-6 gap-y-1 border-rule border-t-2 py-2">
          <TimeLeft
            left={left}
            going={going}
            now={now}
            endsNear={steps[due]?.planned?.celsius ?? null}
            serveAt={batch.serveAt}
          />
          <Timers
            timers={timers}
            name={timerName(steps[due]) ?? batch.plan.recipeName}
            now={now}
            open={open === 'timer'}
            onOpen={(o) => setOpen(o ? 'timer' : null)}
            write={write}
          />
        </div>
      </section>

      <section
        aria-label={say('The pot')}
        className="flex min-h-0 shrink-0 flex-col border-ink bg-ground max-[1100px]:border-t-2 min-[1100px]:border-l-2"
      >
        {going ? (
          <NowPane
            batchId={batch.id}
            going={going}
            probe={probe}
            show={show}
            onRead={setOpen}
            onDevices={() => setOpen('devices')}
          />
        ) : (
          <NoModel lost={lost} waits={now === null || Boolean(batch.plan.cooked)} />
        )}
      </section>

      <StepBar
        batchId={batch.id}
        onRead={going ? () => setOpen('temperature') : null}
        next={
          next && {
            title: titleIn(next, show),
            peek: peekOf(next, doesOf(next), show),
            pan: next.does?.in ?? '',
            at: going && due !== current ? beginsAt(going.followed, current) : null,
          }
        }
        takesBack={(last && tapWords(last.body)) ?? null}
        onSteps={() => setOpen('steps')}
        onTakeBack={takeBack}
        onDone={markDone}
        begins={begins}
      />
      {sheets}
    </div>
  );
}
