import { useState } from 'react';
import type { EventBody } from '../../core/batch/events';
import { dueStep } from '../../core/batch/follow/pansNow';
import { askedAbout } from '../../core/batch/plausible';
import type { Batch } from '../../core/batch/record';
import { batchState, type StepState } from '../../core/batch/state';
import type { Step } from '../../core/pot/step';
import { type Devices, pairedDevice, useDevices } from '../device/devices';
import { tapWords } from '../device/undo/taps';
import { useBatch } from '../device/useBatch';
import { type Going, useFollow } from '../device/useFollow';
import { useNow } from '../device/useNow';
import { useReally } from '../shared/hooks/useReally';

/** A step as the model has it done now: its amounts solved anew, or as they are to be; null when it is words only. */
export const doneNow = (going: Going | null, step: StepState | undefined): Step | null =>
  step ? (going?.followed.solved.get(step.key) ?? going?.to.steps.get(step.key) ?? step.does) : null;

/** What a device shows, while that is fresh. */
const fresh = <D extends { value: number | null }>(d: D | null) =>
  d && d.value !== null ? { ...d, value: d.value } : null;

/** Writes down what is tapped; what is unusual is asked about first, on the sheet. */
function useAsked(going: Going | null, steps: readonly StepState[], write: (body: EventBody) => void) {
  const { really, sheet } = useReally();
  const asked = (body: EventBody, then = () => {}) => {
    const about =
      going &&
      askedAbout(body, {
        pot: going.pot,
        kitchen: going.followed.kitchen,
        doesOf: (key) =>
          doneNow(
            going,
            steps.find((s) => s.key === key),
          ),
      });
    really(about, () => {
      write(body);
      then();
    });
  };
  return { asked, question: sheet };
}

/** The devices that read this pot: as they stand, and what they show while it is fresh. */
function readBy(devices: Devices, paired: ReturnType<typeof batchState>['paired'], now: number | null) {
  const probe = pairedDevice(paired.thermometer, devices, now);
  return {
    devices,
    probe,
    probeShows: fresh(probe),
    scaleShows: fresh(pairedDevice(paired.scale, devices, now)),
  };
}

/** A batch at its stove: its record, the pot the model has of it, the step at hand and the one that is shown, and what reads it. */
export function useStove(initial: Batch) {
  const { batch, unsent, refused, write } = useBatch(initial);
  const now = useNow();
  const { going, lost } = useFollow(batch, now);
  const devices = useDevices();
  /** Place of a step that is only looked at. */
  const [looking, setLooking] = useState<number | null>(null);
  const state = going?.followed.state ?? batchState(batch);
  const { steps, current, since } = state;
  const due = going && now !== null ? dueStep(going.followed, going.pans, now) : current;
  const place = looking ?? due;
  const panEnd = going?.pans.find((p) => p.step === place)?.endsAt;
  const endsAt =
    panEnd ?? (going && steps[current]?.does ? going.endsAt : since + (steps[current]?.seconds ?? 0) * 1000);
  return {
    batch,
    unsent,
    refused,
    write,
    now,
    going,
    lost,
    state,
    /** Place of the step that fills the screen by itself, and of the one that does. */
    due,
    place,
    looking,
    setLooking,
    /** Watching what goes by itself, what is at hand comes next. */
    next:
      due === current
        ? steps.find((s, n) => n > current && !s.done && !s.skipped && s.begun === null)
        : steps[current],
    /** The last line that was tapped: what is taken back first. */
    last: state.events.findLast((e) => tapWords(e.body) !== null),
    /** Seconds the step shown still takes. */
    left: now === null ? null : (endsAt - now) / 1000,
    ...readBy(devices, state.paired, now),
    ...useAsked(going, steps, write),
  };
}
export type Stove = ReturnType<typeof useStove>;
