'use client';

import { useCallback } from 'react';
import type { Compared } from '../../core/compare/compare';
import { BANDS, type BandLimits, LADDER_RANGE } from '../../core/flow/bands';
import { term } from '../../core/message/term';
import { mPas, spaced } from '../../core/units/shown/format';
import { axis } from '../shared/draw/axes';
import Chart, { type Palette } from '../shared/draw/Chart';
import { useSay } from '../shared/hooks/useSay';

type Props = {
  readonly all: readonly Compared[];
  readonly picked: string;
  readonly target: number;
  readonly limits: BandLimits;
};

/** Dose against consistency for every way, the picked one in ink; the house's bands across. */
export function Curves({ all, picked, target, limits }: Props) {
  const say = useSay();
  const option = useCallback(
    (c: Palette) => {
      const shown = all.filter((w) => w.curve.length > 1 && w.blend === null);
      const chosen = shown.find((w) => w.way.id === picked);
      const most = Math.max(...shown.map((w) => (w.curve[4]?.dose ?? 0) * 1.5), 1);
      return {
        grid: { left: 56, right: 18, top: 18, bottom: 42 },
        xAxis: {
          type: 'value' as const,
          min: 0,
          max: Math.min(most, (chosen?.curve[4]?.dose ?? most) * 2.2),
          name: say('g of thickener'),
          nameLocation: 'middle' as const,
          nameGap: 26,
          nameTextStyle: { color: c.ink, fontSize: 15 },
          ...axis(c, { showMaxLabel: false, formatter: (v: number) => spaced(v) }),
          splitLine: { show: false },
          splitNumber: 5,
        },
        yAxis: {
          type: 'log' as const,
          min: LADDER_RANGE[0],
          max: 1500,
          ...axis(c, { showMaxLabel: false, showMinLabel: false, formatter: (v: number) => spaced(v) }),
          splitLine: { show: false },
        },
        series: shown
          .toSorted((a, b) => Number(a.way.id === picked) - Number(b.way.id === picked))
          .map((w, n) => ({
            type: 'line' as const,
            smooth: true,
            showSymbol: false,
            data: w.curve.map((p) => [p.dose, Math.max(LADDER_RANGE[0], p.viscosity)]),
            lineStyle: {
              color: w.way.id === picked ? c.ink : c.quiet,
              width: w.way.id === picked ? 4 : 1.5,
              opacity: w.way.id === picked ? 1 : 0.55,
            },
            ...(n === 0 && {
              markLine: {
                silent: true,
                symbol: 'none',
                label: { show: false },
                lineStyle: { color: c.rule, type: 'solid' as const, width: 2 },
                data: [
                  ...limits.map((yAxis, i) => ({
                    yAxis,
                    label: {
                      show: true,
                      position: 'insideStartTop' as const,
                      formatter: say('{band} ↑', { band: term(BANDS[i + 1] ?? '') }),
                      color: c.quiet,
                      fontSize: 15,
                    },
                  })),
                  { yAxis: target, lineStyle: { color: c.tomato, type: 'dashed' as const, width: 2 } },
                ],
              },
            }),
          })),
      };
    },
    [all, picked, target, limits, say],
  );
  const says = all
    .map(
      (w) =>
        `${say(term(w.way.words))}: ${w.curve.map((p) => say('{dose} gives {viscosity}', { dose: spaced(p.dose), viscosity: mPas(p.viscosity) })).join(', ')}`,
    )
    .join('. ');
  return (
    <Chart
      option={option}
      className="h-full w-full"
      says={say('Dose against mPa·s in the bowl. {says}', { says })}
    />
  );
}
