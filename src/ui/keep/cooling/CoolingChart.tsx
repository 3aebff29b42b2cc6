'use client';

import { useCallback, useMemo } from 'react';
import type { Forecast } from '../../../core/keep/cool/forecast';
import type { Limit } from '../../../core/safety/course';
import { timeOfDay } from '../../../core/units/clock';
import { degrees } from '../../../core/units/shown/show';
import { axis, clockAxis, dotsOf, lineOf } from '../../shared/draw/axes';
import Chart, { type Palette } from '../../shared/draw/Chart';
import { type Say, useSay } from '../../shared/hooks/useSay';
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

/** The rule’s clock is that of what was read, not of the course worked out from here. */
const judgedBy = ({ verdict }: Forecast, limits: readonly Limit[], at: number) => ({
  ...verdict,
  stages: verdict.stages.map((s, n) => {
    const limit = limits[n];
    return limit ? { ...s, by: (limit.by - at) / 1000 } : s;
  }),
});
type Judged = ReturnType<typeof judgedBy>;

/** The rule as steps nothing may cross, and what each says. */
function stepsOf({ began, stages }: Judged, at: number, from: number, c: Palette, say: Say) {
  const ms = (seconds: number) => at + seconds * 1000;
  const steps: [number, number][] = [[ms(Math.max(began, -1e7)), from]];
  let level = from;
  for (const s of stages) {
    steps.push([ms(s.by), level], [ms(s.by), s.to]);
    level = s.to;
  }
  const labels = stages.map((s, n) => ({
    value: [ms(s.by), s.to],
    label: {
      show: true,
      formatter: say('{to} by {at}', { to: { celsius: s.to }, at: timeOfDay(new Date(ms(s.by))) }),
      position: n === stages.length - 1 ? ('left' as const) : ('right' as const),
      offset: n === stages.length - 1 ? [-6, -26] : [6, -16],
      color: c.tomato,
      fontSize: 15,
      fontWeight: 'bold' as const,
    },
  }));
  return [
    lineOf(steps, c.tomato),
    { ...lineOf(labels, null), symbol: 'circle', showSymbol: true, symbolSize: 1 },
  ];
}

/** A band between two lines, filled. */
function bandOf(band: Forecast['band'], ms: (seconds: number) => number, c: Palette) {
  const stacked = { stack: 'band', stackStrategy: 'all' };
  return [
    {
      ...lineOf(
        band.map((b) => [ms(b.seconds), b.low]),
        null,
      ),
      ...stacked,
    },
    {
      ...lineOf(
        band.map((b) => [ms(b.seconds), b.high - b.low]),
        null,
      ),
      ...stacked,
      areaStyle: { color: c.water, opacity: 1 },
    },
  ];
}

const nowMark = (now: number, c: Palette, words: string) => ({
  silent: true,
  symbol: 'none',
  label: {
    show: true,
    formatter: words,
    color: c.ink,
    fontSize: 15,
    position: 'insideEndTop' as const,
  },
  lineStyle: { color: c.butter, width: 3, type: 'solid' as const },
  data: [{ xAxis: now }],
});

/** The warmest of it over the hours, its bracket, and the rule as steps nothing may cross. */
export default function CoolingChart({ forecast, at, readings, beside, now, fromRule, limits }: Props) {
  const say = useSay();
  const show = useShow();
  const { points, band } = forecast;
  const verdict = useMemo(() => judgedBy(forecast, limits, at), [forecast, limits, at]);
  const last = verdict.stages.at(-1)?.by ?? 21_600;
  const end = Math.min(points.at(-1)?.seconds ?? last, last + AFTER);
  const first = Math.min(at, ...readings.map((r) => r.at));
  const option = useCallback(
    (c: Palette) => {
      const ms = (seconds: number) => at + seconds * 1000;
      const within = points.filter((p) => p.seconds <= end);
      const other = beside?.forecast.points
        .map((p) => [beside.at + p.seconds * 1000, p.warmest])
        .filter(([x]) => (x ?? 0) <= ms(end));
      return {
        grid: { left: 64, right: 16, top: 14, bottom: 34 },
        xAxis: { ...clockAxis(c), min: first, max: ms(end), splitNumber: 6 },
        yAxis: {
          type: 'value' as const,
          min: Math.min(0, Math.floor((points.at(-1)?.warmest ?? 0) / 10) * 10),
          max: 100,
          interval: 20,
          ...axis(c, { formatter: (v: number) => degrees(v, show) }),
          splitLine: { lineStyle: { color: c.rule } },
        },
        series: [
          ...bandOf(
            band.filter((b) => b.seconds <= end),
            ms,
            c,
          ),
          ...(other ? [lineOf(other, c.quiet, 3, 'dashed')] : []),
          ...stepsOf(verdict, at, fromRule, c, say),
          {
            ...lineOf(
              within.map((p) => [ms(p.seconds), p.warmest]),
              c.ink,
            ),
            markLine: nowMark(now, c, say('now')),
          },
          dotsOf(
            readings.map((r) => [r.at, r.celsius]),
            c,
          ),
        ],
      };
    },
    [points, band, verdict, end, first, at, readings, beside, now, fromRule, say, show],
  );
  return <Chart option={option} className="h-full w-full" says={stagesIn(verdict, at, say)} />;
}

/** The chart in words. */
const stagesIn = ({ stages }: Judged, at: number, say: Say): string =>
  say('Temperature of the warmest part. {stages}', {
    stages: stages
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
  });
