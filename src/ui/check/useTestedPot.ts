'use client';

import type { EventBody } from '../../core/batch/events';
import { askedAbout } from '../../core/batch/plausible';
import type { Batch } from '../../core/batch/record';
import { USUAL_FAT } from '../../core/flow/readings/repeated';
import { BOWL_CELSIUS, equivalentsFor } from '../../core/flow/viscosity';
import type { Message } from '../../core/message/message';
import { standingOf, useDevices } from '../device/devices';
import { useBatch } from '../device/useBatch';
import { useFollow } from '../device/useFollow';
import { useNow } from '../device/useNow';

/** The pot on the stove a test is of: what it should be, what is known of it, and where the test is written down. */
export type TestedPot = {
  readonly name: string;
  readonly target: number;
  readonly fat: number;
  readonly equivalents: number;
  /** °C the probe shows, or the model's. */
  readonly celsius: number;
  readonly probe: string | null;
  readonly flowTimer: {
    readonly id: string;
    readonly name: string;
    readonly at: number | null;
    readonly value: number | null;
  } | null;
  readonly write: (test: EventBody) => void;
  /** What is asked about a reading before it is written down. */
  readonly asks: (test: EventBody) => Message | null;
};

/** What is known of a batch that is tested; null until the clock runs. */
export function useTestedPot(initial: Batch): TestedPot | null {
  const { batch, write } = useBatch(initial);
  const now = useNow();
  const { going } = useFollow(batch, now);
  const devices = useDevices();
  const paired = going?.followed.state.paired;
  const probe = paired?.thermometer && {
    name: paired.thermometer.name,
    ...standingOf(
      devices.all.find((d) => d.id === paired.thermometer?.device),
      now ?? 0,
    ),
  };
  const timer =
    devices.all.find((d) => d.kind === 'flow timer' && d.id === paired?.['flow timer']?.device && d.here) ??
    null;
  const target = batch.plan.cooked?.target ?? batch.plan.viscosity;
  if (now === null) return null;
  return {
    name: batch.plan.recipeName,
    target,
    fat: going?.seen.fatFraction ?? USUAL_FAT,
    equivalents: equivalentsFor(target, going?.seen.fatFraction ?? USUAL_FAT),
    celsius: probe?.value ?? going?.seen.celsius ?? BOWL_CELSIUS,
    probe: probe && probe.value !== null ? probe.name : null,
    flowTimer: timer && { id: timer.id, name: timer.name, at: timer.at, value: timer.value },
    write,
    asks: (test) =>
      going
        ? askedAbout(test, { pot: going.pot, kitchen: going.followed.kitchen, doesOf: () => null })
        : null,
  };
}
