'use client';

import { useCallback } from 'react';
import type { BandLimits } from '../../../core/flow/bands';
import type { HotForecast } from '../../../core/keep/soup/hot';
import { timeOfDay } from '../../../core/units/clock';
import { mPas, spaced } from '../../../core/units/shown/format';
import { axis, clockAxis, lineOf } from '../../shared/draw/axes';
import Chart, { type Palette } from '../../shared/draw/Chart';
import { useSay } from '../../shared/hooks/useSay';

type Props = {
  readonly forecast: HotForecast;
  /** ms of its first point. */
  readonly at: number;
  readonly limits: BandLimits;
  readonly bands: readonly string[];
};

/** Thickness on the pass over the hours, with the house's bands across. */
export default function HotChart({ forecast, at, limits, bands }: Props) {
  const say = useSay();
  const { points, letDown } = forecast;
  const first = points[0]?.viscosity ?? 100;
  const most = Math.max(...points.map((p) => p.viscosity)) * 1.25;
  const least = Math.min(...points.map((p) => p.viscosity)) * 0.6;
  const option = useCallback(
    (c: Palette) => {
      const ms = (minutes: number) => at + minutes * 60_000;
      return {
        grid: { left: 64, right: 18, top: 16, bottom: 34 },
        xAxis: clockAxis(c),
        yAxis: {
          type: 'value' as const,
          min: Math.max(0, Math.floor(least / 100) * 100),
          max: Math.ceil(most / 100) * 100,
          ...axis(c, { formatter: (v: number) => spaced(Math.round(v)) }),
          splitLine: { show: false },
        },
        series: [
          {
            ...lineOf(
              points.map((p) => [ms(p.minutes), p.viscosity]),
              c.ink,
            ),
            markLine: {
              silent: true,
              symbol: 'none',
              lineStyle: { color: c.quiet, type: 'solid' as const, width: 2 },
              data: limits
                .map((yAxis, n) => ({ yAxis, n }))
                .filter(({ yAxis }) => yAxis > least && yAxis < most)
                .map(({ yAxis, n }) => ({
                  yAxis,
                  label: {
                    show: true,
                    position: 'insideStartTop' as const,
                    formatter: `${bands[n + 1] ?? ''} ↑`,
                    color: c.ink,
                    fontSize: 15,
                  },
                })),
            },
          },
          ...(letDown > 0
            ? [
                lineOf(
                  [points[0], points.at(-1)].map((p) => [ms(p?.minutes ?? 0), first]),
                  c.chive,
                  3,
                  'dashed',
                ),
              ]
            : []),
        ],
      };
    },
    [points, letDown, at, limits, bands, first, least, most],
  );
  return (
    <Chart
      option={option}
      className="h-full w-full"
      says={say('mPa·s in the bowl: {points}', {
        points: points
          .filter((p) => p.minutes % 60 === 0)
          .map((p) =>
            say('{viscosity} at {at}', {
              viscosity: mPas(p.viscosity),
              at: timeOfDay(new Date(at + p.minutes * 60_000)),
            }),
          )
          .join(', '),
      })}
    />
  );
}
