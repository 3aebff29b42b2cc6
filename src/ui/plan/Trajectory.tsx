'use client';

import { useCallback } from 'react';
import type { Plan } from '../../core/plan/types';
import { timeOfDay } from '../../core/units/clock';
import { mPas, spaced } from '../../core/units/shown/format';
import type { Show } from '../../core/units/shown/show';
import { toFahrenheit } from '../../core/units/temperature';
import { titleAsMessage } from '../../core/words/steps';
import { axis } from '../shared/draw/axes';
import Chart, { type Palette } from '../shared/draw/Chart';
import { type Say, useSay } from '../shared/hooks/useSay';

type Props = { readonly plan: Plan; readonly lightAt: Date | null; readonly show: Show };

/** Where the three stand, one over the other. */
const GRIDS = [
  { left: 48, right: 20, top: 50, height: '18%' },
  { left: 48, right: 20, top: '42%', height: '17%' },
  { left: 48, right: 20, top: '70%', height: '21%' },
];

/** One of the three: its name stands over its line. */
const axisOf = (c: Palette, index: number, name: string, label: object = {}) => ({
  gridIndex: index,
  name,
  nameLocation: 'end' as const,
  nameGap: index === 0 ? 24 : 9,
  nameTextStyle: {
    color: c.ink,
    fontWeight: 'bold' as const,
    align: 'left' as const,
    fontSize: 15,
    padding: [0, 0, 0, -44],
  },
  ...axis(c, { fontSize: 14, ...label }),
  splitLine: { lineStyle: { color: c.rule } },
  splitNumber: 3,
});

/** Where each step begins, min; its number only where it stands clear of the one before. */
function stepMarks(plan: Plan, c: Palette) {
  const at = (seconds: number) => seconds / 60;
  const most = at(plan.seconds);
  let lastShown = Number.NEGATIVE_INFINITY;
  return plan.steps.map((s, n) => {
    const clear = at(s.startsAt) - lastShown > most / 28;
    if (clear) lastShown = at(s.startsAt);
    return {
      xAxis: at(s.startsAt),
      label: {
        formatter: clear ? String(n + 1) : '',
        color: c.quiet,
        fontSize: 14,
        position: 'end' as const,
      },
    };
  });
}

/** The three lines, the steps marked on each, their numbers on the first. */
function seriesOf(plan: Plan, show: Show, c: Palette) {
  const at = (seconds: number) => seconds / 60;
  const hot = (celsius: number) => (show.temperature === 'C' ? celsius : toFahrenheit(celsius));
  const steps = stepMarks(plan, c);
  const line = (
    index: number,
    color: string,
    data: readonly (readonly [number, number])[],
    marks: boolean,
  ) => ({
    type: 'line' as const,
    xAxisIndex: index,
    yAxisIndex: index,
    showSymbol: false,
    lineStyle: { color, width: 3 },
    data,
    markLine: {
      silent: true,
      symbol: 'none',
      lineStyle: { color: c.rule, type: 'solid' as const, width: 1 },
      label: { show: marks },
      data: steps,
    },
  });
  return [
    line(
      0,
      c.tomato,
      [
        [0, hot(plan.setup.kitchen.airCelsius)],
        ...plan.trace.map((s) => [at(s.seconds), hot(s.celsius)] as const),
      ],
      true,
    ),
    line(
      1,
      c.quiet,
      plan.trace.map((s) => [at(s.seconds), s.volumeMl / 1000] as const),
      false,
    ),
    line(
      2,
      c.ink,
      plan.trace
        .filter((s) => s.volumeMl > 300)
        .map((s) => [at(s.seconds), Math.max(1, s.bowlViscosity)] as const),
      false,
    ),
  ];
}

/** Its steps in words. */
const stepsSaid = (plan: Plan, say: Say): string =>
  plan.steps
    .map((s, n) =>
      say('{n}, {step}: {celsius}, {volume}', {
        n: n + 1,
        step: titleAsMessage(s.step, s.from),
        celsius: { celsius: s.celsius },
        volume: { ml: s.volumeMl },
      }),
    )
    .join('; ');

/** Temperature, volume and consistency along the plan's clock, its steps marked. */
export function Trajectory({ plan, lightAt, show }: Props) {
  const say = useSay();
  const light = lightAt?.getTime() ?? 0;
  const option = useCallback(
    (c: Palette) => {
      const at = (seconds: number) => seconds / 60;
      const clock = (minutes: number) =>
        light
          ? timeOfDay(new Date(light + minutes * 60_000))
          : say('{minutes} min', { minutes: Math.round(minutes) });
      const most = at(plan.seconds);
      return {
        grid: GRIDS,
        xAxis: GRIDS.map((_, n) => ({
          gridIndex: n,
          type: 'value' as const,
          min: 0,
          max: most,
          interval: most > 120 ? 30 : most > 50 ? 15 : 10,
          ...axis(c, { show: n === 2, fontSize: 14, formatter: clock, showMaxLabel: false }),
          splitLine: { show: false },
        })),
        yAxis: [
          axisOf(c, 0, show.temperature === 'C' ? say('°C in the pot') : say('°F in the pot')),
          { ...axisOf(c, 1, say('Litres')), min: 0 },
          {
            ...axisOf(c, 2, say('mPa·s, were it served now'), { formatter: (v: number) => spaced(v) }),
            type: 'log' as const,
            min: 1,
          },
        ],
        series: seriesOf(plan, show, c),
      };
    },
    [plan, light, show, say],
  );
  return (
    <Chart
      option={option}
      className="h-full min-h-80 w-full"
      says={say('Along the clock. {says}. On the pass {bowlViscosity} mPa·s.', {
        says: stepsSaid(plan, say),
        bowlViscosity: mPas(plan.found.bowlViscosity),
      })}
    />
  );
}
