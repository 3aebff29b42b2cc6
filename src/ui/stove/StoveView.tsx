'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { beginsAt } from '../../core/batch/follow/pansNow';
import type { Batch } from '../../core/batch/record';
import { titleIn } from '../../core/batch/titleIn';
import type { RuleSet } from '../../core/safety/rules';
import { tapWords } from '../device/undo/taps';
import { useWakeLock } from '../device/useWakeLock';
import { useShortcut } from '../frame/keys/Shortcuts';
import { useKeptPage } from '../frame/useKeptPage';
import { useSay } from '../shared/hooks/useSay';
import { useShow } from '../shared/hooks/useShow';
import { Again } from './Again';
import { EndView } from './end/EndView';
import { HandPane } from './hand/HandPane';
import { StepBar } from './hand/StepBar';
import { peekOf, Status } from './hand/StepPane';
import { NoModel } from './NoModel';
import { NowPane } from './NowPane';
import { type Open, StoveSheets } from './StoveSheets';
import { useDone } from './useDone';
import { doneNow, type Stove, useStove } from './useStove';

const forPutIn = () => import('../shared/form/IngredientCombobox');

type Props = {
  readonly batch: Batch;
  /** What the house keeps hot, cools and reheats by. */
  readonly rules: RuleSet;
};

/** Leads a batch step by step: the one at hand fills the screen, the pot and the ladder stand beside it. */
export function StoveView({ batch: initial, rules }: Props) {
  const stove = useStove(initial);
  const { batch, state, going, due, looking, setLooking, last, write, asked } = stove;
  const router = useRouter();
  const [open, setOpen] = useState<Open>(null);
  const [ending, setEnding] = useState(false);
  const [pan, setPan] = useState<string | null>(null);
  useWakeLock();
  useKeptPage(forPutIn);
  const { begins, markDone, again } = useDone({
    batch,
    state,
    due,
    looking,
    probe: stove.probeShows,
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
  const sheets = (
    <>
      {stove.question}
      <Again again={again} />
      <StoveSheets
        stove={stove}
        open={open}
        onOpen={setOpen}
        pan={pan}
        onPan={setPan}
        onEnd={() => setEnding(true)}
      />
    </>
  );
  if (state.stage !== 'cooking' || ending)
    return (
      <>
        <EndView
          batch={batch}
          state={state}
          going={going}
          write={asked}
          rules={rules}
          {...(state.stage === 'cooking' && { onBack: () => setEnding(false) })}
        />
        <Status unsent={stove.unsent} refused={stove.refused} />
        {sheets}
      </>
    );
  return (
    <div className="flex h-full flex-col overflow-y-auto min-[1100px]:grid min-[1100px]:grid-cols-[1fr_384px] min-[1100px]:grid-rows-[minmax(0,1fr)_auto] min-[1100px]:overflow-hidden">
      <HandPane stove={stove} open={open} onOpen={setOpen} onPan={setPan} />
      <ThePot stove={stove} onOpen={setOpen} />
      <NextBar stove={stove} begins={begins} onOpen={setOpen} onTakeBack={takeBack} onDone={markDone} />
      {sheets}
    </div>
  );
}

type Part = { readonly stove: Stove; readonly onOpen: (open: Open) => void };

function ThePot({ stove: { batch, going, lost, now, probe }, onOpen }: Part) {
  const say = useSay();
  const show = useShow();
  return (
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
          onRead={onOpen}
          onDevices={() => onOpen('devices')}
        />
      ) : (
        <NoModel lost={lost} waits={now === null || Boolean(batch.plan.cooked)} />
      )}
    </section>
  );
}

type Bar = Part & { readonly begins: boolean; readonly onTakeBack: () => void; readonly onDone: () => void };

function NextBar({ stove, begins, onOpen, onTakeBack, onDone }: Bar) {
  const { batch, state, going, due, next, last } = stove;
  const show = useShow();
  return (
    <StepBar
      batchId={batch.id}
      onRead={going ? () => onOpen('temperature') : null}
      next={
        next && {
          title: titleIn(next, show),
          peek: peekOf(next, doneNow(going, next), show),
          pan: next.does?.in ?? '',
          at: going && due !== state.current ? beginsAt(going.followed, state.current) : null,
        }
      }
      takesBack={(last && tapWords(last.body)) ?? null}
      onSteps={() => onOpen('steps')}
      onTakeBack={onTakeBack}
      onDone={onDone}
      begins={begins}
    />
  );
}
