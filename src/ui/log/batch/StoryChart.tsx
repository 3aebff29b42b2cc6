'use client';

import { useCallback } from 'react';
import type { Story, StoryPoint, StoryReading } from '../../../core/log/story';
import { duration, mPas } from '../../../core/units/shown/format';
import { degrees, volumeWords } from '../../../core/units/shown/show';
import { axis } from '../../shared/draw/axes';
import Chart, { type Palette } from '../../shared/draw/Chart';
import { useSay } from '../../shared/hooks/useSay';
import { useShow } from '../../shared/hooks/useShow';

type Of = StoryReading['what'];

type Props = {
  readonly story: Story;
  readonly of: Of;
  /** Seconds at the right end: two batches side by side share it. */
  readonly until: number;
  /** mPa·s that was asked for; drawn where the consistency is. */
  readonly target: number | null;
  readonly title: string;
};

/** Thinner than this, mPa·s, is water: the line begins where there is something to tell. */
const WATERY = 3;
/** Thicker than this is a paste in fat, not a soup yet. */
const PASTE = 4000;

/** One thing of the pot over its time: as planned, as believed, as read. */
export default function StoryChart({ story, of, until, target, title }: Props) {
  const say = useSay();
  const show = useShow();
  const option = useCallback(
    (c: Palette) => {
      const words = (v: number): string =>
        of === 'celsius' ? degrees(v, show) : of === 'volumeMl' ? volumeWords(v, show) : mPas(v);
      const thick = of === 'bowlViscosity';
      const line = (points: readonly StoryPoint[]) =>
        points.filter((p) => !thick || (p[of] > WATERY && p[of] < PASTE)).map((p) => [p.seconds / 60, p[of]]);
      const marks = story.marks.filter((m) => m.kind !== 'step' && m.seconds >= 0);
      return {
        grid: { left: 74, right: 18, top: 12, bottom: 28 },
        tooltip: {
          trigger: 'axis' as const,
          valueFormatter: (v: unknown) => (typeof v === 'number' ? words(v) : ''),
        },
        xAxis: {
          type: 'value' as const,
          min: 0,
          max: Math.ceil(until / 60),
          ...axis(c, { fontSize: 14, formatter: (v: number) => duration(v * 60) }),
          splitLine: { lineStyle: { color: c.rule } },
        },
        yAxis: {
          type: thick ? ('log' as const) : ('value' as const),
          ...(of === 'celsius' && { min: 0, max: 110 }),
          ...(of === 'volumeMl' && { min: 0 }),
          ...(thick && { min: 10, max: PASTE }),
          ...axis(c, { fontSize: 14, formatter: words }),
          splitLine: { lineStyle: { color: c.rule } },
        },
        series: [
          {
            name: say('planned'),
            type: 'line' as const,
            data: line(story.planned),
            symbol: 'none',
            lineStyle: { color: c.quiet, width: 2, type: 'dashed' as const },
            itemStyle: { color: c.quiet },
          },
          {
            name: say('as it went'),
            type: 'line' as const,
            data: line(story.happened),
            symbol: 'none',
            lineStyle: { color: c.ink, width: 3 },
            itemStyle: { color: c.ink },
            markLine: {
              silent: true,
              symbol: 'none',
              label: { show: false },
              data: [
                ...(thick && target !== null
                  ? [{ yAxis: target, lineStyle: { color: c.butter, width: 4, type: 'solid' as const } }]
                  : []),
                ...marks.map((m) => ({
                  xAxis: m.seconds / 60,
                  lineStyle: { color: c.tomato, width: 2, type: 'solid' as const },
                })),
              ],
            },
          },
          {
            name: say('read'),
            type: 'line' as const,
            data: story.readings.filter((r) => r.what === of).map((r) => [r.seconds / 60, r.value]),
            showSymbol: true,
            symbol: 'circle',
            symbolSize: 12,
            lineStyle: { opacity: 0 },
            itemStyle: { color: c.butter, borderColor: c.ink, borderWidth: 2 },
          },
        ],
      };
    },
    [story, of, until, target, say, show],
  );
  return <Chart option={option} says={title} className="h-44 w-full" />;
}
