'use client';

import { clsx } from 'clsx';
import type { KeyboardEvent } from 'react';
import type { Burner } from '../../../core/heat/burner';
import { type Bar, panBarsOf } from '../../../core/service/board';
import { clockOf } from '../../../core/service/service';
import { useSay } from '../../shared/hooks/useSay';
import { BarBlock } from './BarBlock';
import { across, type LaneSpan, lanesOf, stretchStyle } from './lanes';
import { Lines } from './Marks';

/** px a bar is high, and between two. */
export const BAR = 62;
export const GAP = 8;

type Props = {
  readonly burner: Burner;
  readonly first: boolean;
  /** Of the whole board. */
  readonly bars: readonly Bar[];
  readonly span: LaneSpan;
  readonly now: number | null;
  readonly clashing: ReadonlySet<string>;
  /** What is being dragged, where it lay: it stays there, pale, and where it would go is drawn. */
  readonly dragged: Bar | null;
  readonly nameOf: (key: string) => string;
  readonly potOf: (id: string) => string;
  readonly onKey: (bar: Bar) => (e: KeyboardEvent) => void;
  readonly onOpen: (key: string) => void;
};

/** Stocks made on a burner for soups that are not lit yet. */
const stocksOn = (burner: Burner, all: readonly Bar[]) =>
  all.flatMap((b) =>
    b.stock?.at.burnerId === burner.id && !b.live ? [{ key: `stock ${b.batch.key}`, stock: b.stock }] : [],
  );

/** One burner and what stands on it, in as many lanes as lie over each other. */
export function BurnerRow({ burner, first, bars: all, span, now, clashing, dragged, ...rest }: Props) {
  const { nameOf, potOf, onKey, onOpen } = rest;
  const isDragged = (b: Bar) => b.batch.key === dragged?.batch.key;
  const here = all.filter((b) => b.place.burnerId === burner.id);
  const ghost = here.find(isDragged);
  const bars = [
    ...here.filter((b) => !isDragged(b)),
    ...(dragged?.place.burnerId === burner.id ? [dragged] : []),
  ];
  const stocks = stocksOn(burner, all);
  const lying = all.map((b) => (isDragged(b) && dragged ? dragged : b));
  const pans = panBarsOf(lying).filter((p) => p.burnerId === burner.id);
  const { lane, count } = lanesOf([
    ...pans,
    ...bars.map((b) => ({ key: b.batch.key, from: b.lightAt, to: b.readyAt })),
    ...(ghost ? [{ key: 'ghost', from: ghost.lightAt, to: ghost.readyAt }] : []),
    ...stocks.map(({ key, stock }) => ({
      key,
      from: stock.at.lightAt,
      to: stock.at.lightAt + stock.table.minutes,
    })),
  ]);
  const topOf = (key: string) => GAP + (lane.get(key) ?? 0) * (BAR + GAP);
  /** How far it may write: up to the next in its lane. */
  const roomOf = (bar: Bar) =>
    Math.min(
      span.to,
      ...bars
        .filter((o) => lane.get(o.batch.key) === lane.get(bar.batch.key) && o.lightAt > bar.lightAt)
        .map((o) => o.lightAt),
    );
  return (
    <div className="contents">
      <div
        className={clsx(
          'sticky left-0 z-30 bg-ground px-3 pt-3 leading-tight',
          !first && 'border-quiet border-t',
        )}
      >
        <span className="block font-bold">{burner.name}</span>
        <span className="figures block text-[15px] text-quiet">
          {Math.round(burner.powerW / 100) / 10} kW
        </span>
      </div>
      <div
        className={clsx('relative', !first && 'border-quiet border-t')}
        style={{ height: count * (BAR + GAP) + GAP }}
      >
        <Lines span={span} now={now} />
        {bars.map((bar) => (
          <OneBar
            key={bar.batch.key}
            bar={bar}
            name={nameOf(bar.batch.key)}
            pot={potOf(bar.place.vesselId)}
            burner={burner.name}
            span={span}
            clashes={clashing.has(bar.batch.key)}
            top={topOf(bar.batch.key)}
            room={roomOf(bar)}
            dragging={isDragged(bar)}
            onKey={onKey(bar)}
            onOpen={() => onOpen(bar.batch.key)}
          />
        ))}
        {ghost && (
          <Ghost
            bar={ghost}
            name={nameOf(ghost.batch.key)}
            clashes={clashing.has(ghost.batch.key)}
            span={span}
            top={topOf('ghost')}
          />
        )}
        <Beside pans={pans} stocks={stocks} span={span} topOf={topOf} nameOf={nameOf} potOf={potOf} />
      </div>
    </div>
  );
}

/** A bar with what is weighed out before it and the times it is drawn from. */
function OneBar(block: Omit<Parameters<typeof BarBlock>[0], 'height'>) {
  const say = useSay();
  const { bar, span, top } = block;
  return (
    <div className="contents">
      {!bar.live && bar.mise.to > bar.mise.from && (
        <span
          aria-hidden
          title={say('weigh out')}
          className="absolute z-0 h-4 rounded-l-sm border-2 border-ink border-r-0 border-dashed"
          style={{ ...stretchStyle(span, bar.mise.from, bar.mise.to), top: top + BAR - 16 }}
        />
      )}
      <BarBlock {...block} height={BAR} />
      {bar.batch.soup.draws
        .filter((d) => !bar.batch.soup.fresh || d.at === bar.batch.due)
        .map((d) => (
          <span
            key={d.at}
            aria-hidden
            className="pointer-events-none absolute z-20 -translate-x-1/2 text-[18px] text-butter leading-none [-webkit-text-stroke:1.5px_var(--ink)]"
            style={{ left: `${across(span, d.at)}%`, top: top - 11 }}
          >
            ▼
          </span>
        ))}
    </div>
  );
}

type GhostProps = {
  readonly bar: Bar;
  readonly name: string;
  readonly clashes: boolean;
  readonly span: LaneSpan;
  readonly top: number;
};

/** Where what is dragged would lie. */
function Ghost({ bar, name, clashes, span, top }: GhostProps) {
  return (
    <span
      aria-hidden
      className={clsx(
        'pointer-events-none absolute z-40 overflow-hidden rounded-sm border-4 bg-butter px-1 text-on-butter leading-tight',
        clashes ? 'border-tomato' : 'border-ink',
      )}
      style={{ ...stretchStyle(span, bar.lightAt, bar.readyAt), top, height: BAR }}
    >
      <span className="figures block font-bold">
        {clockOf(bar.lightAt)}–{clockOf(bar.readyAt)}
      </span>
      <span className="block truncate font-bold text-[15px]">{name}</span>
    </span>
  );
}

type BesideProps = Pick<Props, 'span' | 'nameOf' | 'potOf'> & {
  readonly pans: ReturnType<typeof panBarsOf>;
  readonly stocks: readonly { readonly key: string; readonly stock: NonNullable<Bar['stock']> }[];
  readonly topOf: (key: string) => number;
};

/** Pans beside a pot, and stocks made for one. */
function Beside({ pans, stocks, span, topOf, nameOf, potOf }: BesideProps) {
  return (
    <>
      {pans.map((p) => (
        <span
          key={p.key}
          className="absolute z-10 overflow-hidden rounded-sm border-2 border-quiet bg-surface px-1.5 text-[15px] leading-tight"
          style={{ ...stretchStyle(span, p.from, p.to), top: topOf(p.key), height: BAR }}
        >
          <span className="block truncate font-bold">{p.name}</span>
          <span className="block truncate text-quiet">{nameOf(p.batch)}</span>
          {p.vesselId && <span className="block truncate text-quiet">{potOf(p.vesselId)}</span>}
        </span>
      ))}
      {stocks.map(({ key, stock }) => (
        <span
          key={key}
          className="absolute z-10 overflow-hidden rounded-sm border-2 border-ink border-dashed bg-water px-1.5 text-[15px] leading-tight"
          style={{
            ...stretchStyle(span, stock.at.lightAt, stock.at.lightAt + stock.table.minutes),
            top: topOf(key),
            height: BAR,
          }}
        >
          <span className="block truncate font-bold">{stock.name}</span>
          <span className="block truncate">{potOf(stock.at.vesselId)}</span>
        </span>
      ))}
    </>
  );
}
