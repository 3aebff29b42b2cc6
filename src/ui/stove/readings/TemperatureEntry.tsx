'use client';

import type { Show } from '../../../core/units/shown/show';
import { toCelsius, toFahrenheit } from '../../../core/units/temperature';
import { NumberEntry, nearby } from '../../shared/form/NumberEntry';
import { useSay } from '../../shared/hooks/useSay';

const round = (value: number, to: number): number => Math.round(value / to) * to;

type Props = {
  readonly show: Show;
  /** °C by the model: what is offered lies about it. */
  readonly near: number;
  readonly probe: { readonly name: string; readonly value: number } | null;
  /** °C, and the probe it was taken from where it was. */
  readonly onTake: (celsius: number, from: string | null) => void;
};

/** A temperature in two taps, in the degrees of the page: what the probe shows, one near what is expected, or typed. */
export function TemperatureEntry({ show, near, probe, onTake }: Props) {
  const say = useSay();
  const f = show.temperature === 'F';
  const shown = (c: number): number => (f ? toFahrenheit(c) : c);
  const [from, to] = [Math.ceil(shown(-30)), Math.floor(shown(200))];
  return (
    <NumberEntry
      asked={{
        what: say('Temperature'),
        unit: f ? '°F' : '°C',
        from,
        to,
        decimals: 0,
        // Soup goes no higher than its boil; fat and flour do.
        near: probe ? [] : nearby(shown(near), f ? 4 : 2, from, Math.floor(shown(Math.max(101, near + 10)))),
        device: probe && { name: probe.name, value: round(shown(probe.value), 1) },
      }}
      onTake={(v) =>
        onTake(
          f ? round(toCelsius(v), 0.1) : v,
          probe && v === round(shown(probe.value), 1) ? probe.name : null,
        )
      }
    />
  );
}
