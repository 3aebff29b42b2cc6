'use client';

import { type RefObject, useState } from 'react';
import type { Aim, TimedOrder } from '../../../core/order/order';
import type { Setup } from '../../../core/plan/solve/simulate';
import type { Recipe } from '../../../core/recipe/recipe';
import { finishWords } from '../../order/finishWords';
import { PART } from '../../shared/form/Choice';
import { useSay } from '../../shared/hooks/useSay';
import { lazily } from '../../shared/lazily';
import { Sheet } from '../../shared/Sheet';

/** Loaded when first opened. */
const Finishes = lazily(async () => (await import('./Finishes')).Finishes);

type Props = {
  readonly order: TimedOrder;
  readonly written: Recipe;
  readonly aim: RefObject<Aim>;
  readonly setup: Setup;
  readonly currency: string;
  readonly onChange: (change: Partial<TimedOrder>) => void;
};

/** What the soup is finished with: every dairy that does the same, with its dose, its price and whether it splits. */
export function FinishPart({ order, written, aim, setup, currency, onChange }: Props) {
  const say = useSay();
  const [open, setOpen] = useState(false);
  const words = say(finishWords(order, written));
  return (
    <Sheet
      wide
      open={open}
      onOpenChange={setOpen}
      title={say('Finished with')}
      trigger={words}
      label={say('Finished with {words}', { words })}
      triggerClass={PART}
    >
      <Finishes
        order={order}
        written={written}
        aim={aim.current}
        setup={setup}
        currency={currency}
        onChange={onChange}
      />
    </Sheet>
  );
}
