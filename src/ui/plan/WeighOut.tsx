'use client';

import { clsx } from 'clsx';
import type { WeighLine } from '../../core/plan/types';
import { litres, spaced } from '../../core/units/format';

/** The figure to read and its unit: grams on the scale, litres for what is poured. */
export function figureOf(line: WeighLine): readonly [string, string] {
  if (line.ml !== null && line.ml >= 995) return [litres(line.ml), 'L'];
  if (line.ml !== null) return [spaced(Math.round(line.ml / 5) * 5), 'mL'];
  return [spaced(line.g, line.g < 10 ? 1 : 0), 'g'];
}

function asideOf(line: WeighLine): string {
  if (line.asPurchased > line.g * 1.02) return `${spaced(line.asPurchased)} g untrimmed`;
  return line.ml === null ? line.measure : `${spaced(line.g)} g`;
}

type Props = {
  readonly lines: readonly WeighLine[];
  /** Line → grams it was ticked at; a tick lapses when the amount moves on. */
  readonly ticks: Readonly<Record<string, number>>;
  readonly onTick: (line: WeighLine, ticked: boolean) => void;
};

export const isTicked = (line: WeighLine, ticks: Props['ticks']): boolean => ticks[line.id] === line.g;

/** What to put on the scale, in the order it is needed, ticked as it is weighed. */
export function WeighOut({ lines, ticks, onTick }: Props) {
  const done = lines.filter((l) => isTicked(l, ticks)).length;
  const next = lines.find((l) => !isTicked(l, ticks));
  return (
    <section aria-label="Weigh-out" className="flex h-full min-h-0 flex-col">
      <h2 className="flex justify-between gap-3 pb-2">
        <span className="font-bold">Weigh out, in the order you need it</span>
        <span className="text-quiet">
          {done} of {lines.length}
        </span>
      </h2>
      <ul
        className="min-h-0 flex-1 border-ink border-t min-[1100px]:overflow-y-auto"
        aria-label="Things to weigh"
      >
        {lines.map((line) => {
          const [figure, unit] = figureOf(line);
          const ticked = isTicked(line, ticks);
          return (
            <li key={line.id} className="border-rule border-b">
              <label
                htmlFor={`weigh-${line.id}`}
                className="flex min-h-14 cursor-pointer items-center gap-3 py-1"
              >
                <input
                  type="checkbox"
                  id={`weigh-${line.id}`}
                  checked={ticked}
                  onChange={(e) => onTick(line, e.target.checked)}
                  aria-label={`${line.name}, ${figure} ${unit}`}
                  className="tick size-8 shrink-0 rounded-sm border-2 border-ink bg-surface"
                />
                <span
                  className={clsx(
                    'figures w-34 shrink-0 whitespace-nowrap px-1 text-right font-bold text-[32px] leading-none',
                    line === next && 'bg-butter py-2 text-on-butter',
                  )}
                >
                  {figure}
                  <span className="ml-0.5 text-[17px]">{unit}</span>
                </span>
                <span className={clsx('min-w-0 flex-1 leading-tight', ticked && 'text-quiet line-through')}>
                  <span className="block">
                    {line.name}
                    {line.solved === 'thickness' && <b> (the dose)</b>}
                  </span>
                  <span className="block text-[15px] text-quiet">
                    {[line.prep, asideOf(line)].filter(Boolean).join(' · ')}
                  </span>
                </span>
              </label>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
