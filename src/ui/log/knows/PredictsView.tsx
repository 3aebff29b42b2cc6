'use client';

import { useCallback } from 'react';
import type { PredictsOpened } from '../../../contract/log';
import type { BracketsHeld } from '../../../core/log/calibration';
import Chart, { type Palette } from '../../shared/draw/Chart';
import { useSay } from '../../shared/hooks/useSay';
import { Scroll } from '../../shared/Scroll';
import { LogFaces } from '../LogFaces';

/** How well it predicts: whether brackets hold what they are meant to, and how far off it is, with and without what was learned. */
export function PredictsView({ predicts }: { readonly predicts: PredictsOpened }) {
  const say = useSay();
  const { viscosity, litres } = predicts.all;
  return (
    <div className="flex h-full flex-col">
      <header className="shrink-0 border-ink border-b-2 bg-surface px-5 py-3">
        <div className="flex flex-wrap items-center gap-3">
          <h1 className="font-bold text-[27px] max-[720px]:w-full">{say('Log')}</h1>
          <LogFaces here="predicts" />
        </div>
        <p className="mt-2 text-[21px] leading-snug">
          {viscosity.n === 0
            ? say(
                'Nothing to judge by yet: a flow test of a soup nobody has corrected is held against what was foreseen.',
              )
            : say(
                'Of {n} soups foreseen and tested, {held} lay in brackets meant to hold {meant}. {verdict, select, well {That is as it should be.} narrow {Its brackets are too narrow: it is surer than it may be.} other {Its brackets are too wide: it could be surer.}}',
                {
                  n: viscosity.n,
                  held: viscosity.held,
                  meant: Math.round(viscosity.n * 0.8),
                  verdict: verdictOf(viscosity),
                },
              )}
        </p>
      </header>
      {viscosity.n > 0 && (
        <Scroll
          label={say('How well it predicts')}
          className="grid flex-1 grid-cols-1 gap-6 overflow-y-auto px-5 py-4 min-[1000px]:grid-cols-2"
        >
          <section>
            <h2 className="font-bold text-[21px]">{say('Do brackets hold what they are meant to?')}</h2>
            <Calibrated predicts={predicts} />
          </section>
          <section>
            <h2 className="font-bold text-[21px]">{say('How far off, as a rule')}</h2>
            <table className="w-full text-left text-[18px]">
              <thead className="text-quiet">
                <tr>
                  <th className="font-normal">{say('What')}</th>
                  <th className="font-normal">{say('Tested')}</th>
                  <th className="font-normal">{say('8 in 10 held')}</th>
                  <th className="font-normal">{say('Off by')}</th>
                  <th className="font-normal">{say('By the book alone')}</th>
                </tr>
              </thead>
              <tbody>
                <Row name={say('Consistency')} held={viscosity} />
                <Row name={say('Litres')} held={litres} />
                {predicts.minutes && (
                  <tr className="border-rule border-t">
                    <td className="py-1.5 pr-3 font-bold">{say('Minutes')}</td>
                    <td className="figures pr-3">{predicts.minutes.n}</td>
                    <td />
                    <td className="figures pr-3 font-bold">
                      {Math.round(Math.expm1(predicts.minutes.error) * 100)} %
                    </td>
                    <td />
                  </tr>
                )}
                {[...predicts.soups, ...predicts.schools].map((s) => (
                  <Row key={s.name} name={s.name} held={s.calibration.viscosity} />
                ))}
              </tbody>
            </table>
            <p className="pt-2 text-[15px] text-quiet">
              {say(
                'Off by: the root of the mean square of what was read over what was foreseen. By the book: the same batches, had nothing been learned.',
              )}
            </p>
          </section>
        </Scroll>
      )}
    </div>
  );
}

/** Whether so many of so many may have been meant to be eight in ten: two standard deviations either way. */
function verdictOf({ n, held }: BracketsHeld): 'well' | 'narrow' | 'wide' {
  const off = (held - 0.8 * n) / Math.sqrt(0.16 * n);
  return off < -2 ? 'narrow' : off > 2 ? 'wide' : 'well';
}

function Row({ name, held: h }: { readonly name: string; readonly held: BracketsHeld }) {
  const say = useSay();
  if (h.n === 0) return null;
  const percent = (x: number): string => `${Math.round(Math.expm1(x) * 100)} %`;
  return (
    <tr className="border-rule border-t">
      <td className="py-1.5 pr-3 font-bold">{name}</td>
      <td className="figures whitespace-nowrap pr-3">{h.n}</td>
      <td className="figures whitespace-nowrap pr-3">{say('{held} of {n}', { held: h.held, n: h.n })}</td>
      <td className="figures whitespace-nowrap pr-3 font-bold">{percent(h.error)}</td>
      <td className="figures whitespace-nowrap">{percent(h.errorUnlearned)}</td>
    </tr>
  );
}

/** What brackets were meant to hold, across, and what they held, up: on the line it is as it should be. */
function Calibrated({ predicts }: { readonly predicts: PredictsOpened }) {
  const say = useSay();
  const { curve } = predicts.all;
  const option = useCallback(
    (c: Palette) => {
      const axis = {
        type: 'value' as const,
        min: 0,
        max: 100,
        axisLine: { show: true, lineStyle: { color: c.ink, width: 2 } },
        axisLabel: { color: c.ink, fontSize: 15, formatter: (v: number) => `${v} %` },
        splitLine: { lineStyle: { color: c.rule } },
      };
      const line = (of: 'held' | 'heldUnlearned') => curve.map((p) => [p.meant * 100, p[of] * 100]);
      return {
        grid: { left: 62, right: 24, top: 44, bottom: 36 },
        legend: { top: 4, left: 60, textStyle: { color: c.ink, fontSize: 15 } },
        xAxis: axis,
        yAxis: axis,
        series: [
          {
            name: say('as it should be'),
            type: 'line' as const,
            data: [
              [0, 0],
              [100, 100],
            ],
            symbol: 'none',
            lineStyle: { color: c.butter, width: 6 },
            itemStyle: { color: c.butter },
          },
          {
            name: say('by the book alone'),
            type: 'line' as const,
            data: line('heldUnlearned'),
            symbol: 'none',
            lineStyle: { color: c.quiet, width: 2, type: 'dashed' as const },
            itemStyle: { color: c.quiet },
          },
          {
            name: say('with what was learned'),
            type: 'line' as const,
            data: line('held'),
            symbol: 'circle',
            symbolSize: 10,
            lineStyle: { color: c.ink, width: 3 },
            itemStyle: { color: c.ink },
          },
        ],
      };
    },
    [curve, say],
  );
  return (
    <Chart
      option={option}
      className="h-80 w-full"
      says={curve
        .map((p) =>
          say('meant to hold {meant} %, held {held} %', {
            meant: Math.round(p.meant * 100),
            held: Math.round(p.held * 100),
          }),
        )
        .join('; ')}
    />
  );
}
