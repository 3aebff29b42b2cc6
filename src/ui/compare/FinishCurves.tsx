'use client';

import { useCallback } from 'react';
import type { Finished, RichPoint } from '../../core/compare/beside/finished';
import { spaced } from '../../core/units/shown/format';
import { finishName } from '../order/finishWords';
import Chart, { type Palette } from '../shared/draw/Chart';
import { useSay } from '../shared/hooks/useSay';
import { Scroll } from '../shared/Scroll';

type Props = {
  readonly all: readonly Finished[];
  readonly picked: string | undefined;
  readonly currency: string;
  readonly onPick: (one: Finished) => void;
};

const axis = (c: Palette) => ({
  type: 'value' as const,
  scale: true,
  nameLocation: 'middle' as const,
  nameTextStyle: { color: c.ink, fontSize: 15 },
  axisLine: { show: true, lineStyle: { color: c.ink, width: 2 } },
  axisLabel: { color: c.ink, fontSize: 15, formatter: (v: number) => spaced(v) },
  splitLine: { show: false },
});

/** What a richness asks of the thickener, and what it costs: a line a finish, the picked one in ink. */
export function FinishCurves({ all, picked, currency, onPick }: Props) {
  const say = useSay();
  const drawn = useCallback(
    (name: string, of: (p: RichPoint) => number | null) => (c: Palette) => ({
      grid: { left: 64, right: 18, top: 18, bottom: 46 },
      tooltip: { trigger: 'item' as const },
      xAxis: { ...axis(c), name: say('% of fat'), nameGap: 28, min: 0, max: 16 },
      yAxis: { ...axis(c), name, nameGap: 48 },
      series: all
        .toSorted((a, b) => Number(a.finish.id === picked) - Number(b.finish.id === picked))
        .map((f) => {
          const on = f.finish.id === picked;
          return {
            type: 'line' as const,
            name: say(finishName(f.finish)),
            showSymbol: on,
            data: f.curve.flatMap((p) => {
              const y = of(p);
              return y === null ? [] : [[p.rich, y]];
            }),
            lineStyle: { color: on ? c.ink : c.quiet, width: on ? 4 : 1.5, opacity: on ? 1 : 0.55 },
            itemStyle: { color: on ? c.ink : c.quiet },
          };
        }),
    }),
    [all, picked, say],
  );
  const doses = useCallback((c: Palette) => drawn(say('g of thickener'), (p) => p.dose)(c), [drawn, say]);
  const costs = useCallback((c: Palette) => drawn(currency, (p) => p.cost)(c), [drawn, currency]);
  const says = (of: (p: RichPoint) => number | null, decimals: number): string =>
    all
      .map((f) => {
        const points = f.curve.map((p) =>
          say('{rich} % {figure}', { rich: p.rich, figure: spaced(of(p) ?? 0, decimals) }),
        );
        return `${say(finishName(f.finish))}: ${points.join(', ')}`;
      })
      .join('. ');
  return (
    <div className="grid min-h-0 flex-1 grid-cols-[230px_1fr_1fr] max-[1100px]:grid-cols-1">
      <Scroll label={say('Finishes')} className="overflow-y-auto border-ink border-r-2">
        {all.map((f) => (
          <button
            key={f.finish.id}
            type="button"
            aria-pressed={f.finish.id === picked}
            disabled={f.curve.length === 0}
            onClick={() => onPick(f)}
            className={`block min-h-12 w-full border-rule border-b px-4 py-1 text-left font-bold leading-tight disabled:text-quiet ${f.finish.id === picked ? 'bg-butter text-on-butter' : ''}`}
          >
            {say('{name}', { name: { opening: finishName(f.finish) } })}
          </button>
        ))}
      </Scroll>
      <figure className="flex min-h-90 flex-col p-4">
        <figcaption className="font-bold">{say('What the thickener has to do')}</figcaption>
        <Chart
          option={doses}
          className="min-h-0 flex-1"
          says={say('Grams of thickener by richness. {says}', { says: says((p) => p.dose, 0) })}
        />
      </figure>
      <figure className="flex min-h-90 flex-col p-4">
        <figcaption className="font-bold">{say('What it costs')}</figcaption>
        <Chart
          option={costs}
          className="min-h-0 flex-1"
          says={say('Cost by richness. {says}', { says: says((p) => p.cost, 2) })}
        />
      </figure>
    </div>
  );
}
