'use client';

import { type RefObject, useState } from 'react';
import type { Aim, TimedOrder } from '../../../core/order/order';
import { AS_WRITTEN, wayOf } from '../../../core/order/ways';
import type { Setup } from '../../../core/plan/solve/simulate';
import type { Recipe } from '../../../core/recipe/recipe';
import { uncapital } from '../../../core/units/format';
import { rouxOf } from '../../order/stores';
import { PART } from '../../shared/form/Choice';
import { lazily } from '../../shared/lazily';
import { Sheet } from '../../shared/Sheet';

/** Loaded when first opened. */
const Thickeners = lazily(async () => (await import('./Thickeners')).Thickeners);

/** What does the thickening, in the sentence's words. */
export function thickenWords(order: TimedOrder, written: Recipe): string {
  const own = rouxOf(written) ? 'its own roux' : uncapital(written.school);
  const way = wayOf(order.way);
  if (!way || way === AS_WRITTEN) return own;
  const share = order.share ?? 1;
  return share >= 1 ? way.words : `${way.words} for ${Math.round(share * 100)} %, ${own} for the rest`;
}

type Props = {
  readonly order: TimedOrder;
  readonly written: Recipe;
  readonly aim: RefObject<Aim>;
  readonly setup: Setup;
  readonly onChange: (change: Partial<TimedOrder>) => void;
};

/** What to thicken with: every way with its dose and why it fits or not, and how much of the work it does. */
export function ThickenPart({ order, written, aim, setup, onChange }: Props) {
  const [open, setOpen] = useState(false);
  const words = thickenWords(order, written);
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
      <Thickeners order={order} written={written} aim={aim.current} setup={setup} onChange={onChange} />
    </Sheet>
  );
}
