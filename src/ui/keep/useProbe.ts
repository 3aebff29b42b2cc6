'use client';

import type { KeepBodyOf, KeepEvent } from '../../core/keep/events';
import type { LotState } from '../../core/keep/lot';
import { type ProbeStanding, probeStanding } from '../../core/keep/probes';
import { pairedDevice, useDevices } from '../device/devices';

/** The probe that is in something kept, as it stands: what it shows put right by its last check, or why it does not count. */
export type ProbeNow = {
  readonly name: string;
  /** °C as written down, a tenth; null where nothing fresh is there or the probe is out. */
  readonly celsius: number | null;
  readonly standing: ProbeStanding;
  readonly body: KeepBodyOf<'temperature'> | null;
  readonly says: ReturnType<typeof pairedDevice>;
};

const tenth = (v: number): number => Math.round(v * 10) / 10;

export function useProbe(state: LotState | null, kitchenLines: readonly KeepEvent[], now: number | null) {
  const devices = useDevices();
  const there = pairedDevice(state?.paired ?? undefined, devices, now);
  if (!there || now === null) return { devices, probe: null };
  const standing = probeStanding(there.name, kitchenLines, now);
  const celsius = there.value === null || standing.out ? null : tenth(there.value + standing.correction);
  const probe: ProbeNow = {
    name: there.name,
    celsius,
    standing,
    says: there,
    body:
      celsius === null
        ? null
        : {
            kind: 'temperature',
            celsius,
            from: there.name,
            ...(standing.correction !== 0 && { correction: standing.correction }),
          },
  };
  return { devices, probe };
}
