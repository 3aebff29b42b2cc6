'use client';

import { type Message, message } from '../../../core/message/message';
import { WINE_TO } from '../../../core/order/changes/wine';
import type { TimedOrder } from '../../../core/order/order';
import { Choice } from '../../shared/form/Choice';
import { useSay } from '../../shared/hooks/useSay';

/** How far the wine is boiled down, in the sentence. */
const wineWords = (to: number | undefined): Message =>
  to === undefined
    ? message('as written')
    : to >= 1
      ? message('not boiled down')
      : message('down to {percent} %', { percent: Math.round(to * 100) });

type Props = {
  readonly order: TimedOrder;
  readonly onChange: (change: Partial<TimedOrder>) => void;
};

/** How far each wine is boiled down before anything else is poured. */
export function WinePart({ order, onChange }: Props) {
  const say = useSay();
  return (
    <Choice
      label={say('Wine')}
      value={String(order.wineTo ?? 'written')}
      words={wineWords(order.wineTo)}
      onChange={(to) => onChange({ wineTo: to === 'written' ? undefined : Number(to) })}
      options={[
        { value: 'written', words: say('as the recipe has it') },
        ...WINE_TO.map((to) => ({ value: String(to), words: say(wineWords(to)) })),
      ]}
    />
  );
}
