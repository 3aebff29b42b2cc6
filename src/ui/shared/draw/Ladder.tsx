'use client';

import { clsx } from 'clsx';
import { type KeyboardEvent, type PointerEvent, useRef } from 'react';
import {
  BANDS,
  type Band,
  type BandLimits,
  bandOf,
  LADDER_RANGE,
  middleOf,
  rangeOf,
} from '../../../core/flow/bands';
import { term } from '../../../core/message/term';
import { mPas } from '../../../core/units/shown/format';
import { useSay } from '../hooks/useSay';
import { fromTop, height } from './Scale';
import { Spoon } from './Spoon';

const [LOW, HIGH] = LADDER_RANGE;
const valueAt = (share: number): number =>
  LOW * Math.exp(Math.min(1, Math.max(0, share)) * Math.log(HIGH / LOW));

type Props = {
  readonly target: number;
  /** Where 8 in 10 batches would land. */
  readonly bracket: readonly [number, number] | null;
  readonly limits: BandLimits;
  readonly onTarget: (viscosity: number) => void;
};

/** Where a key puts a target; null where it means nothing. */
function keyed(key: string, target: number): number | null {
  const by = {
    ArrowUp: 1.05,
    ArrowRight: 1.05,
    ArrowDown: 1 / 1.05,
    ArrowLeft: 1 / 1.05,
    PageUp: 1.3,
    PageDown: 1 / 1.3,
  }[key];
  return by ? target * by : key === 'Home' ? LOW : key === 'End' ? HIGH : null;
}

/** The vertical scale of consistency: bands in words, a spoon for each, a target to drag, the prediction's bracket. */
export function Ladder({ target, bracket, limits, onTarget }: Props) {
  const say = useSay();
  const track = useRef<HTMLDivElement>(null);
  const dragging = useRef(false);
  const chosen = bandOf(target, limits);

  const moveTo = (clientY: number) => {
    const box = track.current?.getBoundingClientRect();
    if (box) onTarget(valueAt(1 - (clientY - box.top) / box.height));
  };
  const onPointerDown = (e: PointerEvent<HTMLDivElement>) => {
    e.currentTarget.setPointerCapture(e.pointerId);
    dragging.current = true;
    moveTo(e.clientY);
  };
  const onPointerMove = (e: PointerEvent) => {
    if (dragging.current) moveTo(e.clientY);
  };
  const stop = () => {
    dragging.current = false;
  };
  const onKeyDown = (e: KeyboardEvent) => {
    const to = keyed(e.key, target);
    if (to === null) return;
    e.preventDefault();
    onTarget(Math.min(HIGH, Math.max(LOW, to)));
  };

  return (
    <div className="relative flex h-full min-h-72 touch-none select-none">
      <div
        ref={track}
        role="slider"
        tabIndex={0}
        aria-label={say('Target consistency in the bowl')}
        aria-orientation="vertical"
        aria-valuemin={LOW}
        aria-valuemax={HIGH}
        aria-valuenow={Math.round(target)}
        aria-valuetext={say('{chosen}, {target} millipascal seconds', { chosen, target: mPas(target) })}
        onPointerDown={onPointerDown}
        onPointerMove={onPointerMove}
        onPointerUp={stop}
        onPointerCancel={stop}
        onKeyDown={onKeyDown}
        className="relative h-full flex-1 cursor-ns-resize"
      >
        <Bands limits={limits} chosen={chosen} />
        {limits.map((limit) => (
          <span
            key={limit}
            style={{ top: fromTop(limit) }}
            className="figures absolute left-0 w-17 -translate-y-1/2 text-right text-[15px] text-quiet"
          >
            {limit}
          </span>
        ))}
        {bracket && (
          <span
            aria-hidden
            style={{ top: fromTop(bracket[1]), bottom: `${height(bracket[0]) * 100}%` }}
            className="absolute left-18 w-2.5 border-2 border-ink border-r-0"
          />
        )}
        <span
          aria-hidden
          style={{ top: fromTop(target) }}
          className="figures tag absolute left-0 z-20 flex h-12 w-19 -translate-y-1/2 items-center bg-butter pl-2 font-bold text-[24px] text-on-butter"
        >
          {mPas(target)}
        </span>
      </div>
    </div>
  );
}

/** The bands in words, each with its spoon. */
function Bands({ limits, chosen }: Pick<Props, 'limits'> & { readonly chosen: Band }) {
  const say = useSay();
  return BANDS.map((band) => {
    const [low, high] = rangeOf(band, limits);
    const here = band === chosen;
    return (
      <div
        key={band}
        style={{ top: fromTop(high), bottom: `${height(low) * 100}%` }}
        className={clsx(
          'absolute right-0 left-21 flex items-center justify-between gap-1 pr-1 pl-3',
          here ? 'z-10 border-2 border-ink bg-surface' : 'border-ink border-t',
        )}
      >
        <span className={here ? 'font-bold text-[24px]' : 'text-[18px]'}>{say(term(band))}</span>
        <Spoon viscosity={middleOf(band, limits)} width={here ? 92 : 80} />
      </div>
    );
  });
}
