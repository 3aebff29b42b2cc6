'use client';

import type { KeepBody, KeepEvent } from '../../../core/keep/events';
import type { LotState } from '../../../core/keep/lot';
import { probeStanding } from '../../../core/keep/probes';
import { type Devices, standingOf } from '../../device/devices';
import { useSay } from '../../shared/hooks/useSay';
import { Sheet } from '../../shared/Sheet';
import { BUTTON } from '../../shared/styles';

type Props = {
  readonly state: LotState;
  readonly devices: Devices;
  readonly kitchenLines: readonly KeepEvent[];
  readonly now: number;
  readonly onTake: (body: KeepBody) => void;
  readonly onClose: () => void;
};

/** Which probe of the kitchen stands in it. */
export function ProbePick({ state, devices, kitchenLines, now, onTake, onClose }: Props) {
  const say = useSay();
  const probes = devices.all.filter((d) => d.kind === 'thermometer');
  return (
    <Sheet open onOpenChange={(open) => open || onClose()} title={say('Probe in it')}>
      <div className="grid gap-3 p-4">
        {probes.length === 0 && <p>{say('No probe is there: read by hand.')}</p>}
        {probes.map((d) => {
          const on = state.paired?.device === d.id;
          const { out, due } = probeStanding(d.name, kitchenLines, now);
          const { value, says } = standingOf(d, now);
          return (
            <button
              key={d.id}
              type="button"
              aria-pressed={on}
              disabled={out}
              onClick={() => onTake({ kind: 'paired', device: on ? null : d.id, name: d.name })}
              className={`${BUTTON} min-h-16 justify-between ${on ? 'bg-ink text-surface' : ''}`}
            >
              <span className="text-left leading-tight">
                {d.name}
                <span className="block font-normal text-[15px]">
                  {out
                    ? say('out by more than a degree: put it right first')
                    : due
                      ? say('not checked this week')
                      : say.either(says)}
                </span>
              </span>
              <span className="figures text-[24px]">
                {value === null ? '–' : say('{value}', { value: { celsius: value, exact: true } })}
              </span>
            </button>
          );
        })}
      </div>
    </Sheet>
  );
}
