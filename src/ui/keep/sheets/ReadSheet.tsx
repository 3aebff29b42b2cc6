'use client';

import type { KeepBody } from '../../../core/keep/events';
import { toCelsius, toFahrenheit } from '../../../core/units/temperature';
import { NumberEntry, nearby } from '../../shared/form/NumberEntry';
import { useSay } from '../../shared/hooks/useSay';
import { useShow } from '../../shared/hooks/useShow';
import { Sheet } from '../../shared/Sheet';

type Props = {
  /** °C about which it is looked for. */
  readonly near: number;
  readonly onTake: (body: KeepBody) => void;
  readonly onClose: () => void;
};

/** A temperature read by hand, in two taps. */
export function ReadSheet({ near, onTake, onClose }: Props) {
  const say = useSay();
  const show = useShow();
  const f = show.temperature === 'F';
  const shown = (c: number): number => Math.round(f ? toFahrenheit(c) : c);
  const [from, to] = [shown(-40), shown(110)];
  return (
    <Sheet open onOpenChange={(open) => open || onClose()} title={say('Temperature in the thickest middle')}>
      <NumberEntry
        asked={{
          what: say('Temperature'),
          unit: f ? '°F' : '°C',
          from,
          to,
          decimals: 0,
          near: nearby(shown(near), f ? 4 : 2, from, to),
        }}
        onTake={(v) => onTake({ kind: 'temperature', celsius: f ? Math.round(toCelsius(v) * 10) / 10 : v })}
      />
    </Sheet>
  );
}
