'use client';

import type { BodyOf } from '../../core/batch/events';
import type { BatchState } from '../../core/batch/state';
import { type Message, message } from '../../core/message/message';
import { type DeviceKind, type Devices, standingOf } from '../device/devices';
import { useSay } from '../shared/hooks/useSay';
import { BUTTON } from '../shared/styles';

type Props = {
  readonly devices: Devices;
  readonly paired: BatchState['paired'];
  readonly now: number;
  readonly write: (body: BodyOf<'paired'>) => void;
};

const KINDS: readonly (readonly [DeviceKind, Message])[] = [
  ['thermometer', message('Probe in this pot')],
  ['scale', message('Scale for this pot')],
  ['flow timer', message('Flow timer for this pot')],
];

/** Which of the kitchen's devices read this pot; every station sees the same. */
export function Pairing({ devices, paired, now, write }: Props) {
  const say = useSay();
  if (devices.bridge === 'none')
    return (
      <p className="p-4 text-[19px]">
        {say(
          'No device bridge is set up: measure by hand. Whoever runs Panache can connect one: DEVICES_URL, docs/formats.md.',
        )}
      </p>
    );
  return (
    <div className="grid gap-4 p-4">
      {devices.bridge === 'lost' && (
        <p role="alert" className="font-bold text-tomato">
          {say('The device bridge does not answer: measure by hand meanwhile.')}
        </p>
      )}
      {KINDS.map(([kind, title]) => {
        const here = paired[kind];
        return (
          <fieldset key={kind} className="grid gap-2">
            <legend className="mb-1 font-bold">{say(title)}</legend>
            {devices.all
              .filter((d) => d.kind === kind)
              .map((d) => {
                const on = here?.device === d.id;
                const { value, says } = standingOf(d, now);
                return (
                  <button
                    key={d.id}
                    type="button"
                    aria-pressed={on}
                    onClick={() =>
                      write({ kind: 'paired', what: kind, device: on ? null : d.id, name: d.name })
                    }
                    className={`${BUTTON} min-h-16 justify-between ${on ? 'bg-ink text-surface hover:bg-ink' : ''}`}
                  >
                    <span className="text-left leading-tight">
                      {d.name}
                      <span className="block font-normal text-[15px]">
                        {on ? say('reads this pot: tap to unpair') : say.either(says)}
                      </span>
                    </span>
                    {value !== null && kind !== 'flow timer' && (
                      <span className="figures text-[24px]">
                        {say(
                          kind === 'scale'
                            ? message('{value}', { value: { g: value } })
                            : message('{value}', { value: { celsius: value, exact: true } }),
                        )}
                      </span>
                    )}
                  </button>
                );
              })}
            {devices.all.every((d) => d.kind !== kind) && <p className="text-quiet">{say('None is on.')}</p>}
          </fieldset>
        );
      })}
    </div>
  );
}
