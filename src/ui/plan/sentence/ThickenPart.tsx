'use client';

import { type RefObject, useState } from 'react';
import { type Message, message } from '../../../core/message/message';
import { term } from '../../../core/message/term';
import type { Aim, TimedOrder } from '../../../core/order/order';
import { AS_WRITTEN, wayOf } from '../../../core/order/ways';
import type { Setup } from '../../../core/plan/solve/simulate';
import type { Recipe } from '../../../core/recipe/recipe';
import { rouxOf } from '../../order/stores';
import { PART } from '../../shared/form/Choice';
import { useSay } from '../../shared/hooks/useSay';
import { lazily } from '../../shared/lazily';
import { Sheet } from '../../shared/Sheet';

/** Loaded when first opened. */
const Thickeners = lazily(async () => (await import('./Thickeners')).Thickeners);

/** What does the thickening, in the sentence's words. */
function thickenWords(order: TimedOrder, written: Recipe): Message {
  const own = rouxOf(written)
    ? message('its own roux')
    : message('{school}', { school: { within: term(written.school) } });
  const way = wayOf(order.way);
  if (!way || way === AS_WRITTEN) return own;
  const share = order.share ?? 1;
  return share >= 1
    ? term(way.words)
    : message('{words} for {share} %, {own} for the rest', {
        words: term(way.words),
        share: Math.round(share * 100),
        own,
      });
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
  const say = useSay();
  const [open, setOpen] = useState(false);
  const words = say(thickenWords(order, written));
  return (
    <Sheet
      wide
      open={open}
      onOpenChange={setOpen}
      title={say('Thickened with')}
      trigger={words}
      label={say('Thickened with {words}', { words })}
      triggerClass={PART}
    >
      <Thickeners order={order} written={written} aim={aim.current} setup={setup} onChange={onChange} />
    </Sheet>
  );
}
