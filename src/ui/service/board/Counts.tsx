'use client';

import { clsx } from 'clsx';
import { term } from '../../../core/message/term';
import { type Bar, type Level, panBarsOf } from '../../../core/service/board';
import { type Service, TOOLS } from '../../../core/service/service';
import { toolIn } from '../../../core/service/timetable';
import { useSay } from '../../shared/hooks/useSay';
import { type LaneSpan, lanesOf, stretchStyle } from './lanes';

/** px of one pair of hands. */
const HAND = 15;

/** How many pairs of hands are at work, against how many there are. */
export function Hands({ levels, hands, span }: { levels: readonly Level[]; hands: number; span: LaneSpan }) {
  const say = useSay();
  const most = Math.max(hands, ...levels.map((l) => l.count));
  const height = most * HAND + 8;
  return (
    <div className="contents">
      <div className="sticky left-0 z-20 border-ink border-t-2 bg-ground px-3 py-1 leading-tight">
        <span className="block font-bold">{say('Hands')}</span>
        <span className="block text-[15px] text-quiet">
          {say('{most, plural, other {# at most}}', { most: hands })}
        </span>
      </div>
      <div
        className="relative border-ink border-t-2"
        style={{ height: Math.max(52, height) }}
        role="img"
        aria-label={say(
          '{most, plural, one {One pair of hands} other {# pairs of hands}} at work at once at most, of {there}',
          {
            most: Math.max(0, ...levels.map((l) => l.count)),
            there: hands,
          },
        )}
      >
        {levels.map((l) => (
          <span
            key={l.from}
            className={clsx('absolute bottom-0', l.count > hands ? 'bg-tomato' : 'bg-ink')}
            style={{ ...stretchStyle(span, l.from, l.to), height: l.count * HAND }}
          />
        ))}
        <span
          className="absolute inset-x-0 border-tomato border-t-2 border-dashed"
          style={{ bottom: hands * HAND }}
        />
      </div>
    </div>
  );
}

/** What is in the oven and when, by how many trays, against how many it takes; no row where nothing is roasted. */
export function OvenRow({
  bars,
  trays,
  span,
  nameOf,
}: {
  bars: readonly Bar[];
  trays: number;
  span: LaneSpan;
  nameOf: (key: string) => string;
}) {
  const say = useSay();
  const taken = panBarsOf(bars).filter((p) => p.trays > 0);
  if (taken.length === 0) return null;
  const { lane, count } = lanesOf(taken);
  const wanted = (one: { from: number; to: number }): number =>
    taken.filter((o) => o.from < one.to && o.to > one.from).reduce((sum, o) => sum + o.trays, 0);
  return (
    <div className="contents">
      <div className="sticky left-0 z-20 border-quiet border-t bg-ground px-3 py-1 leading-tight">
        <span className="block font-bold">{say('Oven')}</span>
        <span className="block text-[15px] text-quiet">
          {say('{trays, plural, =0 {no trays} one {# tray} other {# trays}}', { trays })}
        </span>
      </div>
      <div className="relative border-quiet border-t" style={{ height: Math.max(52, count * 48 + 6) }}>
        {taken.map((p) => (
          <span
            key={p.key}
            className={clsx(
              'absolute overflow-hidden rounded-sm border-2 bg-surface px-1.5 text-[15px] leading-tight',
              wanted(p) > trays ? 'border-tomato' : 'border-quiet',
            )}
            style={{ ...stretchStyle(span, p.from, p.to), top: 4 + (lane.get(p.key) ?? 0) * 48, height: 44 }}
          >
            <span className="block truncate font-bold">{nameOf(p.batch)}</span>
            <span className="block truncate text-quiet">
              {say('{trays, plural, one {# tray} other {# trays}}', { trays: p.trays })}
            </span>
          </span>
        ))}
      </div>
    </div>
  );
}

/** When each tool is wanted, a row for each that is. */
export function ToolRows({
  bars,
  service,
  span,
}: {
  bars: readonly Bar[];
  service: Service;
  span: LaneSpan;
}) {
  const say = useSay();
  return TOOLS.map((tool) => {
    const taken = bars.flatMap((bar) =>
      bar.table && !bar.live?.over
        ? toolIn(bar.table, tool).map((s) => ({
            key: `${bar.batch.key} ${s.from}`,
            from: s.from + bar.readyAt - (bar.table?.minutes ?? 0),
            to: s.to + bar.readyAt - (bar.table?.minutes ?? 0),
          }))
        : [],
    );
    if (taken.length === 0) return null;
    const crowded = (one: { from: number; to: number }) =>
      taken.filter((o) => o.from < one.to && o.to > one.from).length > service.tools[tool];
    return (
      <div key={tool} className="contents">
        <div className="sticky left-0 z-20 truncate border-rule border-t bg-ground px-3 text-[15px] leading-[26px]">
          {say('{tool}', { tool: { opening: term(tool) } })}
        </div>
        <div className="relative h-[26px] border-rule border-t">
          {taken.map((s) => (
            <span
              key={s.key}
              className={clsx('absolute inset-y-1.5 rounded-[2px]', crowded(s) ? 'bg-tomato' : 'bg-quiet')}
              style={stretchStyle(span, s.from, s.to)}
            />
          ))}
        </div>
      </div>
    );
  });
}
