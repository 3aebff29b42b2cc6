'use client';

import { clsx } from 'clsx';
import type { ReactNode } from 'react';
import { groupedBy, STATIONS, stationOf } from '../../../core/compare/shopping';
import { asideOf, figureOf } from '../../../core/formats/sheet';
import { type Message, message } from '../../../core/message/message';
import { term } from '../../../core/message/term';
import type { PlanStep, WeighLine } from '../../../core/plan/types';
import { panName } from '../../../core/words/pans';
import { titleAsMessage } from '../../../core/words/steps';
import { useSay } from '../../shared/hooks/useSay';
import { useShow } from '../../shared/hooks/useShow';
import { Pan } from '../../shared/Pan';
import { Scroll } from '../../shared/Scroll';
import { Weight } from './Weight';

type Props = {
  readonly lines: readonly WeighLine[];
  /** Line → grams it was ticked at; a tick lapses when the amount moves on. */
  readonly ticks: Readonly<Record<string, number>>;
  readonly onTick: (line: WeighLine, ticked: boolean) => void;
  readonly steps: readonly PlanStep[];
  readonly by: Grouping;
  /** What comes before it. */
  readonly first?: ReactNode;
  /** What comes after it. */
  readonly last?: ReactNode;
};

const GROUPS = [
  { value: 'order', words: message('in order') },
  { value: 'step', words: message('by step') },
  { value: 'station', words: message('by station') },
  { value: 'pan', words: message('by pan') },
] as const;
export type Grouping = (typeof GROUPS)[number]['value'];

/** How the weigh-out is laid out. */
export function Grouped({
  by,
  pans,
  onChange,
}: {
  readonly by: Grouping;
  /** Whether there is more than one pan. */
  readonly pans: boolean;
  readonly onChange: (by: Grouping) => void;
}) {
  const say = useSay();
  return (
    <select
      aria-label={say('Weigh-out laid out')}
      value={by}
      onChange={(e) => onChange(GROUPS.find((g) => g.value === e.target.value)?.value ?? 'order')}
      className="min-h-12 cursor-pointer bg-ground pr-1 font-bold text-ink"
    >
      {GROUPS.filter((g) => pans || g.value !== 'pan').map((g) => (
        <option key={g.value} value={g.value}>
          {say(g.words)}
        </option>
      ))}
    </select>
  );
}

type Group = { readonly key: string; readonly head: Message | null; readonly lines: readonly WeighLine[] };

function grouped(lines: readonly WeighLine[], by: Grouping, steps: readonly PlanStep[]): readonly Group[] {
  if (by === 'order') return [{ key: 'all', head: null, lines }];
  if (by === 'step') {
    return groupedBy(lines, (l) => l.step).map(({ key, lines: of }) => ({
      key: String(key),
      head: steps[key] ? titleAsMessage(steps[key].step) : null,
      lines: of,
    }));
  }
  if (by === 'pan')
    return groupedBy(lines, (l) => l.pan).map(({ key, lines: of }) => ({
      key,
      head: message('for {pan}', { pan: panName(key) }),
      lines: of,
    }));
  return groupedBy(lines, (l) => stationOf(l.ingredient))
    .map(({ key, lines: of }) => ({ key, head: term(key), lines: of }))
    .sort((a, b) => STATIONS.indexOf(a.key) - STATIONS.indexOf(b.key));
}

export const isTicked = (line: WeighLine, ticks: Props['ticks']): boolean => ticks[line.id] === line.g;

/** What to put on the scale, in the order it is needed or under headings, ticked as it is weighed. */
export function WeighOut({ lines, ticks, onTick, steps, by, first, last }: Props) {
  const say = useSay();
  const next = lines.find((l) => !isTicked(l, ticks));
  return (
    <section aria-label={say('Weigh-out')} className="flex min-h-0 flex-1 flex-col">
      <Scroll
        label={say('Things to weigh')}
        className="flex-1 border-ink border-t min-[1100px]:overflow-y-auto"
      >
        {first}
        {grouped(lines, by, steps).map((g) => (
          <section key={g.key} aria-label={g.head ? say(g.head) : say('In the order you need it')}>
            {g.head && <h3 className="border-rule border-b pt-3 pb-1 font-bold text-quiet">{say(g.head)}</h3>}
            <ul>
              {g.lines.map((line) => (
                <Line
                  key={line.id}
                  line={line}
                  next={line === next}
                  ticked={isTicked(line, ticks)}
                  onTick={onTick}
                />
              ))}
            </ul>
          </section>
        ))}
        {last}
      </Scroll>
    </section>
  );
}

type LineProps = Pick<Props, 'onTick'> & {
  readonly line: WeighLine;
  readonly next: boolean;
  readonly ticked: boolean;
};

function Line({ line, next, ticked, onTick }: LineProps) {
  const say = useSay();
  const [figure, unit] = figureOf(line, useShow());
  return (
    <li className="border-rule border-b">
      <label htmlFor={`weigh-${line.id}`} className="flex min-h-14 cursor-pointer items-center gap-3 py-1">
        <input
          type="checkbox"
          id={`weigh-${line.id}`}
          checked={ticked}
          onChange={(e) => onTick(line, e.target.checked)}
          aria-label={`${say(term(line.name))}, ${figure} ${unit}`}
          className="tick size-8 shrink-0 rounded-sm border-2 border-ink bg-surface"
        />
        <span
          className={clsx(
            'figures w-34 shrink-0 whitespace-nowrap px-1 text-right font-bold text-[32px] leading-none',
            next && 'bg-butter py-2 text-on-butter',
          )}
        >
          <Weight figure={figure} unit={unit} large />
        </span>
        <span className={clsx('min-w-0 flex-1 leading-tight', ticked && 'text-quiet line-through')}>
          <span className="block">
            {line.pan && <Pan name={line.pan} />}
            {say(term(line.name))}
            {line.solved === 'thickness' && <b> {say('(the dose)')}</b>}
          </span>
          <span className="block text-[15px] text-quiet">
            {[line.prep, asideOf(line, say)].filter(Boolean).join(' · ')}
          </span>
        </span>
      </label>
    </li>
  );
}
