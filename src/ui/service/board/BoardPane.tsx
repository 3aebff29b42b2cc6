'use client';

import {
  DndContext,
  type DragEndEvent,
  type DragMoveEvent,
  PointerSensor,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import { type KeyboardEvent, type RefObject, useRef, useState } from 'react';
import type { House } from '../../../core/kitchen/house';
import type { Bar, Board } from '../../../core/service/board';
import { type BoardPlace, clockOf, type Service } from '../../../core/service/service';
import { useSay } from '../../shared/hooks/useSay';
import { Scroll } from '../../shared/Scroll';
import { barWords } from './BarBlock';
import { BAR, BurnerRow, GAP } from './BurnerRow';
import { Hands, OvenRow, ToolRows } from './Counts';
import { across, hoursOf, type LaneSpan } from './lanes';
import { Legend } from './Marks';
import { PASS_STEP, PassTags, passOf, timesOf } from './PassTags';

type Props = {
  readonly service: Service;
  /** With what is being dragged where it is now; and as it lay before. */
  readonly board: Board;
  readonly base: Board;
  readonly house: House;
  readonly now: number | null;
  readonly nameOf: (key: string) => string;
  /** The board as it would lie with this batch there. */
  readonly onPass: (from: number, to: number) => void;
  readonly onMove: (key: string, to: Partial<BoardPlace>) => void;
  readonly onTry: (moved: { readonly key: string; readonly to: Partial<BoardPlace> } | null) => void;
  readonly onOpen: (key: string) => void;
};

/** Minutes from a time on the pass within which an hour is not written. */
const CROWDED = 24;

const NOTHING = (): undefined => undefined;
const SILENT = { onDragStart: NOTHING, onDragOver: NOTHING, onDragEnd: NOTHING, onDragCancel: NOTHING };

/** Minutes an arrow moves a bar, and with Shift. */
const ARROW = 5;
const FINE = 1;
/** px a finger moves before it drags. */
const SLACK = 6;

type DragStart = Pick<DragMoveEvent, 'active'>;

/** A bar under a finger: where it would lie, to the minute and on the burner under it; and a time on the pass that is moved. */
function useDragging({ base, house, onTry, onMove, onPass }: Props, scale: RefObject<HTMLDivElement | null>) {
  const [dragged, setDragged] = useState<string | null>(null);
  const justDragged = useRef(false);
  const span = { from: base.from, to: base.to };
  /** Where a bar dragged so far would lie: to the minute, and on the burner under it. */
  const placeAt = ({
    active,
    delta,
  }: Pick<DragMoveEvent, 'active' | 'delta'>): Partial<BoardPlace> | null => {
    const bar = from.current;
    const width = scale.current?.getBoundingClientRect().width ?? 0;
    if (!bar || bar.batch.key !== active.id || width === 0) return null;
    const by = Math.round((delta.x / width) * (began.current.to - began.current.from));
    const rowsDown = Math.round(delta.y / (BAR + 2 * GAP));
    const at = house.burners.findIndex((b) => b.id === bar.place.burnerId);
    const burner = house.burners[Math.min(house.burners.length - 1, Math.max(0, at + rowsDown))];
    return { lightAt: bar.place.lightAt + by, ...(burner && { burnerId: burner.id }) };
  };
  const from = useRef<Bar | null>(null);
  const began = useRef(span);
  const frame = useRef(0);
  const handlers = {
    onDragStart: ({ active }: DragStart) => {
      from.current = base.bars.find((b) => b.batch.key === active.id) ?? null;
      began.current = span;
      setDragged(String(active.id));
    },
    onDragMove: (e: DragMoveEvent) => {
      cancelAnimationFrame(frame.current);
      frame.current = requestAnimationFrame(() => {
        const to = placeAt(e);
        if (to) onTry({ key: String(e.active.id), to });
      });
    },
    onDragCancel: () => {
      cancelAnimationFrame(frame.current);
      setDragged(null);
      onTry(null);
    },
    onDragEnd: (e: DragEndEvent) => {
      cancelAnimationFrame(frame.current);
      const pass = passOf(String(e.active.id));
      if (pass !== null) {
        const width = scale.current?.getBoundingClientRect().width ?? 1;
        const minutes = (e.delta.x / width) * (span.to - span.from);
        onPass(pass, pass + Math.round(minutes / PASS_STEP) * PASS_STEP);
        return;
      }
      const to = placeAt(e);
      setDragged(null);
      onTry(null);
      justDragged.current = true;
      setTimeout(() => {
        justDragged.current = false;
      }, 50);
      if (to) onMove(String(e.active.id), to);
    },
  };
  return { dragged, justDragged, handlers };
}

/** Where an arrow puts a bar; null where it means nothing. */
function arrowed(bar: Bar, { burners }: House, e: KeyboardEvent): Partial<BoardPlace> | null {
  const by = e.shiftKey ? FINE : ARROW;
  const at = burners.findIndex((b) => b.id === bar.place.burnerId);
  const other = burners[at + (e.key === 'ArrowDown' ? 1 : -1)];
  if (e.key === 'ArrowLeft') return { lightAt: bar.place.lightAt - by };
  if (e.key === 'ArrowRight') return { lightAt: bar.place.lightAt + by };
  return (e.key === 'ArrowUp' || e.key === 'ArrowDown') && other ? { burnerId: other.id } : null;
}

/** Burners down, time across, a bar for each batch; below them the hands and the tools they share. */
export function BoardPane(props: Props) {
  const { service, board, base, house, now, nameOf, onPass, onMove, onOpen } = props;
  const say = useSay();
  const scale = useRef<HTMLDivElement>(null);
  const [said, setSaid] = useState('');
  const { dragged, justDragged, handlers } = useDragging(props, scale);
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: SLACK } }));
  const span = { from: base.from, to: base.to };
  const clashing = new Set(board.clashes.flatMap((c) => c.keys));
  const potOf = (id: string) => house.vessels.find((v) => v.id === id)?.name ?? id;
  const onKey = (bar: Bar) => (e: KeyboardEvent) => {
    const to = bar.live ? null : arrowed(bar, house, e);
    if (!to) return;
    e.preventDefault();
    onMove(bar.batch.key, to);
    setSaid(bar.batch.key);
  };

  return (
    <Scroll
      label={say('The board')}
      className="relative overflow-auto min-[1100px]:min-h-0 min-[1100px]:flex-1"
    >
      <Heard board={board} house={house} nameOf={nameOf} moved={said} potOf={potOf} />
      <DndContext
        id="board"
        sensors={sensors}
        accessibility={{
          screenReaderInstructions: {
            draggable: say(
              'Left and right move it in time, with Shift by a minute; up and down put it on another burner; Enter opens it.',
            ),
          },
          // What a move means is said by the board itself.
          announcements: SILENT,
        }}
        {...handlers}
      >
        <section
          aria-label={say('Batches on the burners')}
          className="grid min-w-190 grid-cols-[140px_1fr] pr-6 max-[720px]:grid-cols-[104px_1fr]"
        >
          <div className="sticky left-0 z-20 bg-ground" />
          <Scale at={scale} service={service} span={span} now={now} onPass={onPass} />
          {house.burners.map((burner, n) => (
            <BurnerRow
              key={burner.id}
              burner={burner}
              first={n === 0}
              bars={board.bars}
              span={span}
              now={now}
              clashing={clashing}
              dragged={base.bars.find((b) => b.batch.key === dragged) ?? null}
              nameOf={nameOf}
              potOf={potOf}
              onKey={onKey}
              onOpen={(key) => justDragged.current || onOpen(key)}
            />
          ))}
          <OvenRow bars={board.bars} trays={house.kitchen.stands?.trays ?? 0} span={span} nameOf={nameOf} />
          <Hands levels={board.hands} hands={service.hands} span={span} />
          <ToolRows bars={board.bars} service={service} span={span} />
        </section>
      </DndContext>
      <Legend />
    </Scroll>
  );
}

type ScaleProps = Pick<Props, 'service' | 'now' | 'onPass'> & {
  readonly at: RefObject<HTMLDivElement | null>;
  readonly span: LaneSpan;
};

/** The hours across, the times on the pass, and now. */
function Scale({ at: box, service, span, now, onPass }: ScaleProps) {
  const times = timesOf(service);
  return (
    <div ref={box} className="relative h-12">
      <PassTags service={service} span={span} onPass={onPass} />
      {hoursOf(span)
        .filter((at) => times.every((t) => Math.abs(t.at - at) > CROWDED))
        .map((at) => (
          <span
            key={at}
            aria-hidden
            className={`figures absolute pt-1.5 font-bold text-[17px] ${across(span, at) < 4 ? '' : '-translate-x-1/2'}`}
            style={{ left: `${across(span, at)}%` }}
          >
            {clockOf(at)}
          </span>
        ))}
      {now !== null && now >= span.from && now <= span.to && (
        <span
          aria-hidden
          className="figures absolute top-0.5 z-30 -translate-x-1/2 rounded-sm bg-ink px-1.5 py-0.5 font-bold text-[17px] text-surface"
          style={{ left: `${across(span, now)}%` }}
        >
          {clockOf(now)}
        </span>
      )}
    </div>
  );
}

type HeardProps = Pick<Props, 'board' | 'house' | 'nameOf'> & {
  /** The batch that was moved last. */
  readonly moved: string;
  readonly potOf: (id: string) => string;
};

/** What a move by keys means, for who hears the board: where it lies now, and what that clashes with. */
function Heard({ board, house, nameOf, moved, potOf }: HeardProps) {
  const say = useSay();
  const burnerOf = (id: string) => house.burners.find((b) => b.id === id)?.name ?? id;
  const wordsOf = (bar: Bar) =>
    barWords(
      bar,
      { name: nameOf(bar.batch.key), pot: potOf(bar.place.vesselId), burner: burnerOf(bar.place.burnerId) },
      say,
    );

  const movedBar = board.bars.find((b) => b.batch.key === moved);
  return (
    <p aria-live="polite" className="sr-only">
      {movedBar &&
        `${wordsOf(movedBar)}. ${say(
          '{count, plural, =0 {Nothing clashes} one {One clash} other {# clashes}}',
          {
            count: board.clashes.filter((c) => c.keys.includes(moved)).length,
          },
        )}`}
    </p>
  );
}
