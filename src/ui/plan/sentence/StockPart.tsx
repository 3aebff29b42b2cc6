'use client';

import { type RefObject, useState } from 'react';
import type { House } from '../../../core/kitchen/house';
import type { Aim, TimedOrder } from '../../../core/order/order';
import type { Setup } from '../../../core/plan/solve/simulate';
import type { Recipe } from '../../../core/recipe/recipe';
import { stockWords } from '../../order/stockWords';
import { PART } from '../../shared/form/Choice';
import { useSay } from '../../shared/hooks/useSay';
import { lazily } from '../../shared/lazily';
import { Sheet } from '../../shared/Sheet';

/** Loaded when first opened. */
const Stocks = lazily(async () => (await import('./Stocks')).Stocks);

type Props = {
  readonly order: TimedOrder;
  readonly written: Recipe;
  readonly aim: RefObject<Aim>;
  readonly setup: Setup;
  readonly house: House;
  readonly onChange: (change: Partial<TimedOrder>) => void;
};

/** The liquid the soup stands on: every stock, made here, there already, bought or by the spoon. */
export function StockPart({ order, written, aim, setup, house, onChange }: Props) {
  const say = useSay();
  const [open, setOpen] = useState(false);
  const stands = stockWords(order, written);
  if (!stands) return null;
  const words = say(stands);
  return (
    <Sheet
      wide
      open={open}
      onOpenChange={setOpen}
      title={say('On which stock')}
      trigger={words}
      label={say('On {words}', { words })}
      triggerClass={PART}
    >
      <Stocks
        order={order}
        written={written}
        aim={aim.current}
        setup={setup}
        house={house}
        onChange={onChange}
      />
    </Sheet>
  );
}
