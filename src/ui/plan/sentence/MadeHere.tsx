'use client';

import { useState } from 'react';
import type { House } from '../../../core/kitchen/house';
import { message } from '../../../core/message/message';
import { ORDER_BOUNDS } from '../../../core/order/bounds';
import { makingOf } from '../../../core/order/changes/makings';
import { STOCKS } from '../../../core/order/changes/stocks';
import type { TimedOrder } from '../../../core/order/order';
import { parseNumber } from '../../../core/units/typed/parse';
import { stockName } from '../../order/stockWords';
import { Pick } from '../../shared/form/Field';
import { MetricField } from '../../shared/form/MetricField';
import { Segments } from '../../shared/form/Segments';
import { useSay } from '../../shared/hooks/useSay';

type Props = {
  readonly order: TimedOrder;
  readonly stockId: string;
  readonly house: House;
  readonly onChange: (change: Partial<TimedOrder>) => void;
};

const WHENCE = [
  { value: 'there', words: message('It is there') },
  { value: 'now', words: message('Made here, for it') },
  { value: 'before', words: message('Made before, kept') },
] as const;

/** How the stock taken is come by: there, made here in which pot, or not enough of it and what makes it up. */
export function MadeHere({ order, stockId, house, onChange }: Props) {
  const say = useSay();
  return (
    <div className="flex flex-wrap items-end gap-3 border-rule border-b p-4">
      {makingOf(stockId) && (
        <Segments
          label={say('Where it comes from')}
          value={order.made ?? 'there'}
          onChange={(made) =>
            onChange({
              made: made === 'there' ? undefined : made,
              ...(made === 'there' && { stockPotId: undefined, stockBurnerId: undefined }),
            })
          }
          options={WHENCE}
        />
      )}
      {order.made && <StockStand order={order} house={house} onChange={onChange} />}
      <ThereIs order={order} onChange={onChange} />
      {order.stockMl !== undefined && (
        <div className="w-56">
          <Pick
            id="stock-top-up"
            label={say('Topped up with')}
            value={order.topUp ?? 'water'}
            onChange={(e) =>
              onChange({
                topUp: e.target.value === 'water' ? undefined : (e.target.value as TimedOrder['topUp']),
              })
            }
          >
            {STOCKS.filter((s) => s.id !== stockId).map((s) => (
              <option key={s.id} value={s.id}>
                {say('{name}', { name: { opening: stockName(s.id) } })}
              </option>
            ))}
          </Pick>
        </div>
      )}
    </div>
  );
}

/** The pot and the burner the stock is made on. */
function StockStand({ order, house, onChange }: Omit<Props, 'stockId'>) {
  const say = useSay();
  return (
    <>
      <div className="w-44">
        <Pick
          id="stock-pot"
          label={say('The stock’s pot')}
          value={order.stockPotId ?? ''}
          onChange={(e) => onChange({ stockPotId: e.target.value || undefined })}
        >
          <option value="">{say('the smallest')}</option>
          {house.vessels.map((v) => (
            <option key={v.id} value={v.id}>
              {v.name}
            </option>
          ))}
        </Pick>
      </div>
      <div className="w-44">
        <Pick
          id="stock-burner"
          label={say('The stock’s burner')}
          value={order.stockBurnerId ?? ''}
          onChange={(e) => onChange({ stockBurnerId: e.target.value || undefined })}
        >
          <option value="">{say('the strongest')}</option>
          {house.burners.map((b) => (
            <option key={b.id} value={b.id}>
              {b.name}
            </option>
          ))}
        </Pick>
      </div>
    </>
  );
}

/** How much of it there is, where that is not enough. */
function ThereIs({ order, onChange }: Omit<Props, 'stockId' | 'house'>) {
  const say = useSay();
  const there = order.stockMl === undefined ? '' : String(Math.round(order.stockMl * order.litres) / 1000);
  const [typed, setTyped] = useState(there);
  const litres = parseNumber(typed);
  const perLitre = (litres * 1000) / order.litres;
  const [least, most] = ORDER_BOUNDS.stockMl;
  const possible = typed.trim() === '' || (perLitre >= least && perLitre <= most);
  const typedIn = (text: string) => {
    setTyped(text);
    if (text.trim() === '') {
      onChange({ stockMl: undefined, topUp: undefined });
      return;
    }
    const asked = (parseNumber(text) * 1000) / order.litres;
    if (asked >= least && asked <= most) onChange({ stockMl: Math.round(asked * 100) / 100 });
  };
  return (
    <div className="w-44">
      <MetricField
        id="stock-litres"
        words={message('There is only, {unit}')}
        what="litres"
        placeholder={say('enough')}
        value={typed}
        onValue={typedIn}
        problem={
          possible
            ? undefined
            : say('“{text}” cannot be: {low} to {high} here.', {
                text: typed,
                low: { ml: least * order.litres },
                high: { ml: most * order.litres },
              })
        }
        className="figures text-right"
      />
    </div>
  );
}
