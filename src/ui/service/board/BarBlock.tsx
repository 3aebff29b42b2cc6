'use client';

import { useDraggable } from '@dnd-kit/core';
import { clsx } from 'clsx';
import { Flame, Pin, TriangleAlert } from 'lucide-react';
import type { KeyboardEvent } from 'react';
import type { Bar } from '../../../core/service/board';
import { clockOf } from '../../../core/service/service';
import { askedVolume } from '../../../core/units/shown/show';
import { useSay } from '../../shared/hooks/useSay';
import { type LaneSpan, stretchStyle } from './lanes';

type Props = {
  readonly bar: Bar;
  readonly name: string;
  readonly pot: string;
  readonly burner: string;
  readonly span: LaneSpan;
  readonly clashes: boolean;
  /** px from the top of its row, and how high it is. */
  readonly top: number;
  readonly height: number;
  /** Minute its name may run on to, where it is narrow. */
  readonly room: number;
  readonly dragging: boolean;
  readonly onKey: (e: KeyboardEvent) => void;
  readonly onOpen: () => void;
};

/** px of the strip that says how the batch goes. */
const STRIP = 18;

/** Where nobody stands at it: hatched. */
export const HATCHED = 'bg-[repeating-linear-gradient(-55deg,var(--ink)_0_1.5px,transparent_1.5px_7px)]';

/** What is said of a bar to who cannot see it. */
export function barWords(
  bar: Bar,
  { name, pot, burner }: Pick<Props, 'name' | 'pot' | 'burner'>,
  say: ReturnType<typeof useSay>,
): string {
  return say(
    '{soup}, {litres}, in {pot} on {burner}: lit {lit}, ready {ready}, {held, plural, =0 {straight to the pass} other {held hot # min}}',
    {
      soup: name,
      litres: askedVolume(bar.batch.litres, say.reader),
      pot,
      burner,
      lit: clockOf(bar.lightAt),
      ready: clockOf(bar.readyAt),
      held: Math.round(bar.held),
    },
  );
}

/**
 * A batch on the board: dragged or moved by arrows; solid where somebody stands at it, hatched where nobody does,
 * pale while it is kept hot.
 */
export function BarBlock(props: Props) {
  const { bar, name, pot, span, clashes, top, height, room, dragging, onKey, onOpen } = props;
  const say = useSay();
  const { batch, live } = bar;
  const fixed = live !== null;
  const { setNodeRef, listeners, attributes } = useDraggable({ id: batch.key, disabled: fixed });
  // One under way is not moved, and can be opened.
  const { 'aria-disabled': _still, ...named } = attributes;
  const last = Math.max(batch.last, bar.readyAt);
  const whole = { from: bar.lightAt, to: Math.max(bar.readyAt, bar.lightAt + 1) };
  const shift = bar.readyAt - (bar.table?.minutes ?? 0);
  return (
    <>
      {last > bar.readyAt && (
        <span
          aria-hidden
          className="absolute z-0 border-2 border-ink border-l-0 bg-soup"
          style={{ ...stretchStyle(span, bar.readyAt, last), top: top + height - STRIP, height: STRIP }}
        />
      )}
      <button
        type="button"
        ref={setNodeRef}
        {...named}
        {...listeners}
        aria-roledescription={say('batch on the board')}
        aria-label={`${barWords(bar, props, say)}${clashes ? `. ${say('It clashes')}` : ''}${bar.place.pinned ? `. ${say('Pinned')}` : ''}`}
        onKeyDown={onKey}
        onClick={onOpen}
        className={clsx(
          'absolute touch-none rounded-sm border-2 bg-surface',
          clashes ? 'border-tomato outline-2 outline-tomato' : 'border-ink',
          dragging ? 'z-10 cursor-grabbing opacity-40' : 'z-10',
          fixed ? 'cursor-pointer' : 'cursor-grab',
          live?.over && 'opacity-60',
        )}
        style={{ ...stretchStyle(span, bar.lightAt, whole.to), top, height }}
      >
        <span
          aria-hidden
          className="absolute inset-x-0 bottom-0 block overflow-hidden border-ink border-t"
          style={{ height: STRIP }}
        >
          {bar.table?.stretches.map((s) => (
            <span
              key={`${s.step} ${s.from}`}
              className={clsx('absolute inset-y-0', s.hands ? 'bg-ink' : HATCHED)}
              style={stretchStyle(whole, s.from + shift, s.to + shift)}
            />
          ))}
        </span>
      </button>
      <span
        aria-hidden
        className={clsx(
          'pointer-events-none absolute flex items-start gap-1 overflow-hidden px-2 pt-1 leading-[1.15]',
          dragging ? 'z-20 opacity-40' : 'z-20',
        )}
        style={{
          ...stretchStyle(span, bar.lightAt, Math.max(room, bar.readyAt)),
          top,
          height: height - STRIP,
        }}
      >
        {clashes && <TriangleAlert size={18} className="mt-0.5 shrink-0 text-tomato" />}
        {live && !live.finished && <Flame size={18} className="mt-0.5 shrink-0" />}
        {bar.place.pinned && !live && <Pin size={16} className="mt-0.5 shrink-0" />}
        <span className="min-w-0">
          {/* Where it runs on beyond its bar it keeps the bar's ground, so that no line goes through it. */}
          <span className="block w-fit max-w-full truncate rounded-[2px] bg-surface pr-1 font-bold text-[16px]">
            {name} {askedVolume(batch.litres, say.reader)}
          </span>
          <span className="block w-fit max-w-full truncate rounded-[2px] bg-surface pr-1 text-[15px] text-quiet">
            {live?.over ? say('done') : live?.finished ? say('ready, kept hot') : pot}
          </span>
        </span>
      </span>
    </>
  );
}
