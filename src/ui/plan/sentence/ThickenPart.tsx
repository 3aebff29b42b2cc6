'use client';

import { type RefObject, useState } from 'react';
import { AS_WRITTEN, wayOf } from '../../../core/order/ways';
import type { Stand } from '../../../core/plan/solve/simulate';
import type { Order } from '../../../core/plan/types';
import type { Recipe } from '../../../core/recipe/recipe';
import { uncapital } from '../../../core/units/format';
import { rouxOf, type Wish } from '../../order/request';
import { PART } from '../../shared/form/Choice';
import { lazily } from '../../shared/lazily';
import { Sheet } from '../../shared/Sheet';

/** Loaded when first opened. */
const Thickeners = lazily(async () => (await import('./Thickeners')).Thickeners);

/** What does the thickening, in the sentence's words. */
export function thickenWords(wish: Wish, written: Recipe): string {
  const own = rouxOf(written) ? 'its own roux' : uncapital(written.school);
  const way = wayOf(wish.way);
  if (!way || way === AS_WRITTEN) return own;
  const share = wish.share ?? 1;
  return share >= 1 ? way.words : `${way.words} for ${Math.round(share * 100)} %, ${own} for the rest`;
}

type Props = {
  readonly wish: Wish;
  readonly written: Recipe;
  readonly order: RefObject<Order>;
  readonly stand: Stand;
  readonly onChange: (change: Partial<Wish>) => void;
};

/** What to thicken with: every way with its dose and why it fits or not, and how much of the work it does. */
export function ThickenPart({ wish, written, order, stand, onChange }: Props) {
  const [open, setOpen] = useState(false);
  const words = thickenWords(wish, written);
  return (
    <Sheet
      wide
      open={open}
      onOpenChange={setOpen}
      title="Thickened with"
      trigger={words}
      label={`Thickened with ${words}`}
      triggerClass={PART}
    >
      <Thickeners wish={wish} written={written} order={order.current} stand={stand} onChange={onChange} />
    </Sheet>
  );
}
