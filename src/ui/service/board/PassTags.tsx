'use client';

import { useDraggable } from '@dnd-kit/core';
import type { KeyboardEvent } from 'react';
import { clockOf, type Service } from '../../../core/service/service';
import { useSay } from '../../shared/hooks/useSay';
import { across, type LaneSpan } from './lanes';

/** Minutes a time on the pass is moved by. */
export const PASS_STEP = 5;

/** What is dragged when it is a time on the pass. */
export const passId = (at: number): string => `pass ${at}`;
export const passOf = (id: string): number | null =>
  id.startsWith('pass ') ? Number(id.slice('pass '.length)) : null;

/** Times on the pass, each with how many soups it is of. */
export function timesOf({ soups }: Pick<Service, 'soups'>): readonly { at: number; count: number }[] {
  const by = new Map<number, number>();
  for (const { draws } of soups) for (const { at } of draws) by.set(at, (by.get(at) ?? 0) + 1);
  return [...by].map(([at, count]) => ({ at, count })).sort((a, b) => a.at - b.at);
}

/** A service with everything that was on the pass at one time on it at another; null where two times of a soup would cross. */
export function withPass(service: Service, from: number, to: number): Service | null {
  if (to < 0 || to > 2160) return null;
  const soups = service.soups.map((s) => ({
    ...s,
    draws: s.draws.map((d) => (d.at === from ? { ...d, at: to } : d)),
  }));
  const ordered = soups.every((s) => s.draws.every((d, i) => i === 0 || d.at > (s.draws[i - 1]?.at ?? 0)));
  return ordered ? { ...service, soups } : null;
}

/** The times on the pass along the clock: dragged, or moved with the arrows, all soups of that time go with them. */
export function PassTags({
  service,
  span,
  onPass,
}: {
  service: Service;
  span: LaneSpan;
  onPass: (from: number, to: number) => void;
}) {
  return timesOf(service).map(({ at, count }) => (
    <Tag key={at} at={at} count={count} span={span} onPass={onPass} />
  ));
}

function Tag({
  at,
  count,
  span,
  onPass,
}: {
  at: number;
  count: number;
  span: LaneSpan;
  onPass: (from: number, to: number) => void;
}) {
  const say = useSay();
  const { setNodeRef, listeners, attributes, transform } = useDraggable({ id: passId(at) });
  const onKeyDown = (e: KeyboardEvent) => {
    const by = e.key === 'ArrowLeft' ? -1 : e.key === 'ArrowRight' ? 1 : 0;
    if (by === 0) return;
    e.preventDefault();
    onPass(at, at + by * (e.shiftKey ? 1 : PASS_STEP));
  };
  return (
    <button
      type="button"
      ref={setNodeRef}
      {...attributes}
      {...listeners}
      aria-roledescription={say('time on the pass')}
      aria-label={say('{at} on the pass, {count, plural, one {one soup} other {# soups}}', {
        at: clockOf(at),
        count,
      })}
      onKeyDown={onKeyDown}
      className="figures absolute top-0 z-30 flex h-12 w-16 touch-none cursor-grab items-start justify-center"
      style={{
        left: `calc(${across(span, at)}% - 32px)`,
        ...(transform && { transform: `translateX(${transform.x}px)` }),
      }}
    >
      <span className="rounded-sm border-2 border-ink bg-butter px-1 pt-0.5 font-bold text-[17px] text-on-butter leading-tight">
        {clockOf(at)}
      </span>
    </button>
  );
}
