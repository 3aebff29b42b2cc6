'use client';

import { LineChart } from 'echarts/charts';
import {
  AriaComponent,
  GridComponent,
  LegendComponent,
  MarkLineComponent,
  TooltipComponent,
} from 'echarts/components';
import { type EChartsCoreOption, init, use } from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';
import { useEffect, useRef } from 'react';
import { useTheme } from '../hooks/useTheme';

use([
  LineChart,
  AriaComponent,
  GridComponent,
  LegendComponent,
  MarkLineComponent,
  TooltipComponent,
  SVGRenderer,
]);

/** The theme's colours as they are on the page now. */
export type Palette = Readonly<
  Record<'ink' | 'quiet' | 'rule' | 'surface' | 'tomato' | 'chive' | 'butter' | 'water', string>
>;

const NAMES = ['ink', 'quiet', 'rule', 'surface', 'tomato', 'chive', 'butter', 'water'] as const;

function palette(): Palette {
  const style = getComputedStyle(document.documentElement);
  return Object.fromEntries(NAMES.map((n) => [n, style.getPropertyValue(`--${n}`).trim()])) as Palette;
}

type Props = {
  readonly option: (colours: Palette) => EChartsCoreOption;
  /** What the chart shows, in words, for those who cannot see it. */
  readonly says: string;
  readonly className?: string;
};

/** A line chart in the house's colours, drawn anew with its theme, and with its size. */
export default function Chart(props: Props) {
  const [theme] = useTheme();
  return <Drawn key={theme} {...props} />;
}

function Drawn({ option, says, className }: Props) {
  const box = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (!box.current) return;
    const chart = init(box.current, null, { renderer: 'svg' });
    const colours = palette();
    chart.setOption({
      animation: false,
      textStyle: { fontFamily: getComputedStyle(document.body).fontFamily, fontSize: 15, color: colours.ink },
      ...option(colours),
    });
    const watch = new ResizeObserver(() => chart.resize());
    watch.observe(box.current);
    return () => {
      watch.disconnect();
      chart.dispose();
    };
  }, [option]);
  return (
    <figure className={className}>
      <div ref={box} className="h-full w-full" aria-hidden="true" />
      <figcaption className="sr-only">{says}</figcaption>
    </figure>
  );
}
