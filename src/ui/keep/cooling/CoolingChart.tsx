'use client';

import { useCallback, useMemo } from 'react';
import type { Forecast } from '../../../core/keep/cool/forecast';
import type { Limit } from '../../../core/safety/course';
import { timeOfDay } from '../../../core/units/clock';
import { degrees } from '../../../core/units/shown/show';
import Chart, { type Palette } from '../../shared/draw/Chart';
import { useSay } from '../../shared/hooks/useSay';
import { useShow } from '../../shared/hooks/useShow';

type Props = {
  readonly forecast: Forecast;
  /** ms the phase began. */
  readonly at: number;
  readonly readings: readonly { readonly at: number; readonly celsius: number }[];
  /** Another way beside it, from its own start, dashed. */
  readonly beside: { readonly at: number; readonly forecast: Forecast; readonly words: string } | null;
  readonly now: number;
  readonly fromRule: number;
  /** The rule’s limits by what was read; none while its clock does not run. */
  readonly limits: readonly Limit[];
};

/** Minutes after the last limit that are still shown. */
const AFTER = 30 * 60;

/** The warmest of it over the hours, its bracket, and the rule as steps nothing may cross. */
export default function CoolingChart({ forecast, at, readings, beside, now, fromRule, limits }: Props) {
  const say = useSay();
  const show = useShow();
  const { points, band } = forecast;
  // The rule’s clock is that of what was read, not of the course worked out from here.
  const verdict = useMemo(
    () => ({
      ...forecast.verdict,
      stages: forecast.verdict.stages.map((s, n) => {
        const limit = limits[n];
        return limit ? { ...s, by: (limit.by - at) / 1000 } : s;
      }),
    }),
    [forecast.verdict, limits, at],
  );
  const last = verdict.stages.at(-1)?.by ?? 21_600;
  const end = Math.min(points.at(-1)?.seconds ?? last, last + AFTER);
  const first = Math.min(at, ...readings.map((r) => r.at));
  const option = useCallback(
    (c: Palette) => {
      const ms = (seconds: number) => at + seconds * 1000;
      const within = points.filter((p) => p.seconds <= end);
      const bands = band.filter((b) => b.seconds <= end);
      const steps: [number, number][] = [];
      let level = fromRule;
      steps.push([ms(Math.max(verdict.began, -1e7)), level]);
      for (const s of verdict.stages) {
        steps.push([ms(s.by), level], [ms(s.by), s.to]);
        level = s.to;
      }
      const labels = verdict.stages.map((s, n) => ({
        value: [ms(s.by), s.to],
        label: {
          show: true,
          formatter: say('{to} by {at}', { to: { celsius: s.to }, at: timeOfDay(new Date(ms(s.by))) }),
          position: n === verdict.stages.length - 1 ? ('left' as const) : ('right' as const),
          offset: n === verdict.stages.length - 1 ? [-6, -26] : [6, -16],
          color: c.tomato,
          fontSize: 15,
          fontWeight: 'bold' as const,
        },
      }));
      return {
        grid: { left: 64, right: 16, top: 14, bottom: 34 },
        xAxis: {
          type: 'time' as const,
          min: first,
          max: ms(end),
          axisLine: { lineStyle: { color: c.ink, width: 2 } },
          axisLabel: {
            color: c.ink,
            fontSize: 15,
            hideOverlap: true,
            formatter: (v: number) => timeOfDay(new Date(v)),
            showMaxLabel: false,
          },
          splitLine: { show: true, lineStyle: { color: c.rule } },
          splitNumber: 6,
        },
        yAxis: {
          type: 'value' as const,
          min: Math.min(0, Math.floor((points.at(-1)?.warmest ?? 0) / 10) * 10),
          max: 100,
          interval: 20,
          axisLine: { show: true, lineStyle: { color: c.ink, width: 2 } },
          axisLabel: { color: c.ink, fontSize: 15, formatter: (v: number) => degrees(v, show) },
          splitLine: { lineStyle: { color: c.rule } },
        },
        series: [
          {
            type: 'line' as const,
            data: bands.map((b) => [ms(b.seconds), b.low]),
            stack: 'band',
            stackStrategy: 'all',
            symbol: 'none',
            lineStyle: { opacity: 0 },
            silent: true,
          },
          {
            type: 'line' as const,
            data: bands.map((b) => [ms(b.seconds), b.high - b.low]),
            stack: 'band',
            stackStrategy: 'all',
            symbol: 'none',
            lineStyle: { opacity: 0 },
            areaStyle: { color: c.water, opacity: 1 },
            silent: true,
          },
          ...(beside
            ? [
                {
                  type: 'line' as const,
                  data: beside.forecast.points
                    .map((p) => [beside.at + p.seconds * 1000, p.warmest])
                    .filter(([x]) => (x ?? 0) <= ms(end)),
                  symbol: 'none',
                  lineStyle: { color: c.quiet, width: 3, type: 'dashed' as const },
                  silent: true,
                },
              ]
            : []),
          {
            type: 'line' as const,
            data: steps,
            symbol: 'none',
            lineStyle: { color: c.tomato, width: 4 },
            silent: true,
          },
          {
            type: 'line' as const,
            data: labels,
            symbol: 'none',
            lineStyle: { opacity: 0 },
            silent: true,
            showSymbol: true,
            symbolSize: 1,
          },
          {
            type: 'line' as const,
            data: within.map((p) => [ms(p.seconds), p.warmest]),
            symbol: 'none',
            lineStyle: { color: c.ink, width: 4 },
            silent: true,
            markLine: {
              silent: true,
              symbol: 'none',
              label: {
                show: true,
                formatter: say('now'),
                color: c.ink,
                fontSize: 15,
                position: 'insideEndTop' as const,
              },
              lineStyle: { color: c.butter, width: 3, type: 'solid' as const },
              data: [{ xAxis: now }],
            },
          },
          {
            type: 'line' as const,
            data: readings.map((r) => [r.at, r.celsius]),
            symbol: 'circle',
            symbolSize: 15,
            lineStyle: { opacity: 0 },
            itemStyle: { color: c.ink, borderColor: c.surface, borderWidth: 2 },
            silent: true,
          },
        ],
      };
    },
    [points, band, verdict, end, first, at, readings, beside, now, fromRule, say, show],
  );
  return (
    <Chart
      option={option}
      className="h-full w-full"
      says={say('Temperature of the warmest part. {stages}', {
        stages: verdict.stages
          .map((s) =>
            Number.isFinite(s.met)
              ? say('{to} at {met}, due by {by}', {
                  to: { celsius: s.to },
                  met: timeOfDay(new Date(at + s.met * 1000)),
                  by: timeOfDay(new Date(at + s.by * 1000)),
                })
              : say('{to} is never reached, due by {by}', {
                  to: { celsius: s.to },
                  by: timeOfDay(new Date(at + s.by * 1000)),
                }),
          )
          .join('; '),
      })}
    />
  );
}
