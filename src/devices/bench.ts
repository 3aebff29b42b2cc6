import type { BatchEvent } from '../core/batch/events';
import type { Batch } from '../core/batch/record';
import { batchState } from '../core/batch/state';
import type { FlowTest } from '../core/flow/readings/reading';
import { lotState } from '../core/keep/safe/fold';
import { normals, seeded } from '../core/maths/random';
import { type KeptThing, keptCelsius } from './keptTruth';
import { flowAt, nextOnScale, type Real, really, watched } from './truth';

/** A device as the bridge lists it: protocol `panache.devices/1`, see docs/formats.md. */
export type BenchDevice = {
  readonly id: string;
  readonly kind: 'thermometer' | 'scale' | 'flow timer';
  readonly name: string;
  readonly unit: '°C' | 'g' | 's';
};

export const DEVICES: readonly BenchDevice[] = [
  { id: 'probe-1', kind: 'thermometer', name: 'Probe 1', unit: '°C' },
  { id: 'probe-2', kind: 'thermometer', name: 'Probe 2', unit: '°C' },
  { id: 'scale-1', kind: 'scale', name: 'Bench scale', unit: 'g' },
  { id: 'flow-1', kind: 'flow timer', name: 'Flow timer', unit: 's' },
];

export const FAULTS = ['none', 'lost', 'rubbish', 'flood'] as const;
export type DeviceFault = (typeof FAULTS)[number];

/** A probe in the air of the kitchen, °C. */
const ROOM = 24;

/** Standard deviation of one look at a probe, °C. */
const NOISE = 0.25;

type Pairs = ReturnType<typeof batchState>['paired'];

/** A batch that is followed, and what is paired with it. */
type Followed1 = Real & { readonly paired: Pairs };

/**
 * The simulated bench: probes that follow the pots they are paired with, a scale on which the next thing
 * to weigh stands, a flow timer that times what really is in the pot. No network, no clock of its own.
 */
export function simulatedBench() {
  const normal = normals(seeded(7));
  const batches = new Map<string, Followed1>();
  const faults = new Map<string, DeviceFault>();
  let tare = 0;
  const celsiusNow = watched();
  /** What is kept that a probe stands in, by the probe. */
  const kept = new Map<string, KeptThing>();
  const pairedWith = (device: BenchDevice): Followed1 | null =>
    [...batches.values()].findLast((b) => b.paired[device.kind]?.device === device.id) ?? null;
  const put = (batch: Batch): void => {
    const real = really(batch, batches.get(batch.id));
    batches.set(batch.id, { ...real, paired: (real.known?.state ?? batchState(batch)).paired });
  };

  return {
    /** The batch as it now stands. */
    put,
    /** Something was tapped; false where the batch is not known here. */
    tap(id: string, event: BatchEvent): boolean {
      const batch = batches.get(id)?.batch;
      if (batch && !batch.events.some((e) => e.id === event.id))
        put({ ...batch, events: [...batch.events, event] });
      return batch !== undefined;
    },
    has: (id: string): boolean => batches.has(id),
    forget(keep: ReadonlySet<string>): void {
      for (const id of batches.keys()) if (!keep.has(id)) batches.delete(id);
    },
    /** What is kept, as it now stands. */
    keep(things: readonly KeptThing[]): void {
      kept.clear();
      for (const thing of things) {
        const device = lotState(thing.lot, thing.house.keeping)?.paired?.device;
        if (device) kept.set(device, thing);
      }
    },
    setFault: (device: string, fault: DeviceFault) => faults.set(device, fault),
    faultOf: (device: string): DeviceFault => faults.get(device) ?? 'none',
    tare(): void {
      tare = 1;
    },
    /** What a probe or the scale shows at `now`, ms; null when it shows nothing. */
    read(device: BenchDevice, now: number): number | null {
      const paired = pairedWith(device);
      if (device.kind === 'thermometer') {
        const thing = kept.get(device.id);
        const celsius =
          (thing && keptCelsius(thing, now)) ?? (paired?.pot ? celsiusNow(paired.pot, now) : ROOM);
        return Math.round((celsius + normal() * NOISE) * 10) / 10;
      }
      if (device.kind !== 'scale') return null;
      const g = paired ? nextOnScale(paired.batch) : null;
      if (g !== null) tare = 0;
      return tare ? 0 : (g ?? 0);
    },
    /** s, mm or g a flow test would show; null when nothing is paired, or the test cannot tell it. */
    flow(device: BenchDevice, test: FlowTest, celsius: number, now: number): number | null {
      const paired = pairedWith(device);
      if (!paired?.pot) return null;
      try {
        return flowAt(paired.pot, now, test, celsius) * Math.exp(normal() * 0.03);
      } catch (error) {
        if (error instanceof RangeError) return null;
        throw error;
      }
    },
  };
}
export type SimulatedBench = ReturnType<typeof simulatedBench>;
