import { useState } from 'react';
import type { BatchEvent, EventBody } from '../../core/batch/events';
import type { Batch } from '../../core/batch/record';
import { type BatchState, mayGoAlone, type StepState } from '../../core/batch/state';
import { takenBack } from '../../core/record/counting';

type Props = {
  readonly batch: Batch;
  readonly state: BatchState;
  /** Places of the step that fills the screen by itself, and of the one somebody looks at. */
  readonly due: number;
  readonly looking: number | null;
  /** What the probe in the pot shows, fresh. */
  readonly probe: { readonly name: string; readonly value: number } | null;
  readonly write: (body: EventBody) => void;
  /** A step was ended or begun: the next is shown. */
  readonly onMoved: () => void;
};

/** What a probe in a pot can have read, °C. */
const READS = { least: -30, most: 200 };

/** Marked done before and taken back, with later steps done since: the line that said so; null where it was not so. */
function doneBefore({ events }: Batch, { steps }: BatchState, at: StepState): BatchEvent | null {
  const place = steps.indexOf(at);
  if (!steps.slice(place + 1).some((s) => s.done)) return null;
  const gone = takenBack(events);
  return (
    events.findLast((e) => e.body.kind === 'step-done' && e.body.step === at.key && gone.has(e.id)) ?? null
  );
}

/** The one large button: ends the step that is shown, or begins what then goes by itself. */
export function useDone({ batch, state, due, looking, probe, write, onMoved }: Props) {
  const { steps, current, stage } = state;
  const [again, setAgain] = useState<BatchEvent | null>(null);
  const begins = due === current && mayGoAlone(steps, current);
  const markDoneNow = (at: StepState) => {
    setAgain(null);
    // What the probe shows as a step of its pot ends is worth keeping: it costs no tap.
    const measured = at.does?.in === undefined ? probe : null;
    if (measured && measured.value >= READS.least && measured.value <= READS.most)
      write({ kind: 'temperature', celsius: measured.value, from: measured.name });
    write({ kind: 'step-done', step: at.key });
    onMoved();
  };
  const markDone = () => {
    const at = steps[looking !== null && steps[looking]?.begun != null ? looking : due];
    if (!at || stage !== 'cooking') return;
    if (begins && at === steps[current]) {
      write({ kind: 'step-begun', step: at.key });
      return onMoved();
    }
    const before = doneBefore(batch, state, at);
    if (before) setAgain(before);
    else markDoneNow(at);
  };
  const { body } = again ?? {};
  const asked = body?.kind === 'step-done' ? steps.find((s) => s.key === body.step) : undefined;
  return {
    begins,
    markDone,
    /** Was it done then, or is it only now? Null where nobody has to be asked. */
    again: again &&
      asked && {
        at: again.at,
        now: () => markDoneNow(asked),
        /** Makes the line that was taken back count again, with its old time. */
        asBefore: () => {
          const gone = takenBack(batch.events);
          const back = batch.events.findLast(
            (e) => e.body.kind === 'withdrawn' && e.body.event === again.id && !gone.has(e.id),
          );
          if (back) write({ kind: 'withdrawn', event: back.id });
          setAgain(null);
        },
        leave: () => setAgain(null),
      },
  };
}
