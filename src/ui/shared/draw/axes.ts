import { timeOfDay } from '../../../core/units/clock';
import type { Palette } from './Chart';

/** What every axis of the house's charts has: its line in ink, its words large enough to be read standing. */
export const axis = (c: Palette, label: object = {}) => ({
  axisLine: { show: true, lineStyle: { color: c.ink, width: 2 } },
  axisLabel: { color: c.ink, fontSize: 15, ...label },
});

/** Hours of the day along the foot, ms. */
export const clockAxis = (c: Palette) => ({
  type: 'time' as const,
  ...axis(c, {
    hideOverlap: true,
    formatter: (v: number) => timeOfDay(new Date(v)),
    showMaxLabel: false,
  }),
  splitLine: { show: true, lineStyle: { color: c.rule } },
});

type Dash = 'solid' | 'dashed';

/** A line without dots; one that is not to be seen has no colour. */
export const lineOf = <D>(data: readonly D[], color: string | null, width = 4, type: Dash = 'solid') => ({
  type: 'line' as const,
  data: [...data],
  symbol: 'none',
  silent: true,
  lineStyle: color === null ? { opacity: 0 } : { color, width, type },
});

/** What was read, as dots no line joins. */
export const dotsOf = <D>(data: readonly D[], c: Palette) => ({
  type: 'line' as const,
  data: [...data],
  symbol: 'circle',
  symbolSize: 15,
  lineStyle: { opacity: 0 },
  itemStyle: { color: c.ink, borderColor: c.surface, borderWidth: 2 },
  silent: true,
});
