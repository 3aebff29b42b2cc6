'use client';

import { useState } from 'react';
import type { Stocked } from '../../../core/compare/beside/stocked';
import { ingredient } from '../../../core/food/catalogue';
import type { House } from '../../../core/kitchen/house';
import { message } from '../../../core/message/message';
import { term } from '../../../core/message/term';
import { type Making, makingOf, strengthOf } from '../../../core/order/changes/makings';
import { baseOf, stirredIn } from '../../../core/order/changes/stocks';
import type { Aim, Amendment, TimedOrder } from '../../../core/order/order';
import type { Setup } from '../../../core/plan/solve/simulate';
import type { Recipe } from '../../../core/recipe/recipe';
import { VOLUME_UNITS } from '../../../core/units/quantity';
import { amountWords } from '../../../core/words/steps';
import { RadioRow } from '../../order/RadioRow';
import { stockName, stockWords } from '../../order/stockWords';
import { amendmentOf } from '../../order/stores';
import { useOneByOne } from '../../order/useOneByOne';
import { Grade } from '../../shared/Grade';
import { type Say, useSay } from '../../shared/hooks/useSay';
import { thickenerWords } from './Finishes';
import { MadeHere } from './MadeHere';

type Props = {
  readonly order: TimedOrder;
  readonly written: Recipe;
  readonly aim: Aim;
  readonly setup: Setup;
  readonly house: House;
  readonly onChange: (change: Partial<TimedOrder>) => void;
};

const GRADES = ['fits', 'with care', 'does not fit'] as const;

/** What is taken of it: "1.9 L", or "50 g in water, 1 pack of 454 g". */
function takenWords(s: Stocked, say: Say): string {
  const taken =
    stirredIn(s.stock) === 0
      ? amountWords(s.stock.id, s.g, say.reader)
      : say('{g} stirred into water', { g: { g: s.g } });
  if (!s.packs) return taken;
  return say('{taken}, {count, plural, one {# pack} other {# packs}} of {grams}', {
    taken,
    count: s.packs.count,
    grams: { g: s.packs.g },
  });
}

/** How it would be made here: "450 g of crab shells a litre, 30 min; 1.6 % solids". */
function makingWords(m: Making, say: Say): string {
  const [id, perLitre] = m.of[0] ?? ['water', 0];
  const { solids, gelatine } = strengthOf(m);
  return say(
    'Made here: {g} {what} a {litre}, {minutes} min; {solids} % solids{gelatine, select, none {} other {, {gelatine} % gelatine}}',
    {
      g: { g: say.reader.volume === 'L' ? perLitre : perLitre * (VOLUME_UNITS.quart / 1000) },
      litre: say.reader.volume === 'L' ? message('litre') : message('quart'),
      what: { within: term(ingredient(id).name.split(',')[0] ?? id) },
      minutes: m.minutes,
      solids: solids.toFixed(1),
      gelatine: gelatine > 0 ? gelatine.toFixed(1) : 'none',
    },
  );
}

/** Every stock the soup can stand on, worked out in a worker one after another, and how the one taken is come by. */
export function Stocks({ order, written, aim, setup, house, onChange }: Props) {
  const say = useSay();
  // What was ordered when the list was opened is what the others are set beside; a tap does not ask anew.
  const [first] = useState(order);
  const asked: Aim & Amendment = { ...amendmentOf(order), ...aim, stock: first.stock };
  const key = JSON.stringify([
    written.id,
    { ...asked, made: undefined, stockMl: undefined, topUp: undefined },
    setup.vessel.id,
    setup.burner.id,
  ]);
  const question = {
    recipe: written,
    order: { ...asked, made: undefined, stockMl: undefined, topUp: undefined },
    setup,
  };
  const { all: found, done } = useOneByOne('stock', key, question);
  const all = done
    ? found.toSorted((a, b) => GRADES.indexOf(a.fit.grade) - GRADES.indexOf(b.fit.grade))
    : found;
  const none = {
    stock: undefined,
    made: undefined,
    stockMl: undefined,
    topUp: undefined,
    stockPotId: undefined,
    stockBurnerId: undefined,
  };
  const own = baseOf(written)?.portion.ingredient;
  return (
    <>
      <MadeHere
        key={order.stock ?? own}
        order={order}
        stockId={order.stock ?? own ?? 'water'}
        house={house}
        onChange={(change) => onChange({ stock: order.stock ?? own, ...change })}
      />
      <div role="radiogroup" aria-label={say('On which stock')}>
        <RadioRow name="stock" id="written" on={!order.stock} onTake={() => onChange(none)}>
          <b>{say('as the recipe has it')}</b>
          <span className="block text-[15px]">{say(stockWords({}, written) ?? stockName('water'))}</span>
        </RadioRow>
        {all.map((s) => (
          <StockRow
            key={s.stock.id}
            of={s}
            on={s.stock.id === order.stock}
            currency={house.currency}
            onTake={() => onChange({ ...none, stock: s.stock.id })}
          />
        ))}
      </div>
      {!done && (
        <p role="status" className="p-4 text-quiet">
          {say('Simulating each …')}
        </p>
      )}
    </>
  );
}

type RowProps = {
  readonly of: Stocked;
  readonly on: boolean;
  readonly currency: string;
  readonly onTake: () => void;
};

function StockRow({ of: s, on, currency, onTake }: RowProps) {
  const say = useSay();
  const making = makingOf(s.stock.id);
  return (
    <RadioRow name="stock" id={s.stock.id} on={on} onTake={onTake} aside={<Grade fit={s.fit} plain />}>
      <b>{say('{name}', { name: { opening: stockName(s.stock.id) } })}</b>{' '}
      <span className="figures ml-2 font-bold">{takenWords(s, say)}</span>
      <span className="block text-[15px]">
        {[
          say('brings {own} % salt; {salt} % in the bowl', {
            own: s.ownSaltPercent.toFixed(2),
            salt: s.saltPercent.toFixed(2),
          }),
          thickenerWords(s, say),
          s.cost === null ? '' : `${currency}${s.cost.toFixed(2)}`,
        ]
          .filter(Boolean)
          .join(' · ')}
      </span>
      <span className="block text-[15px]">
        {[making && makingWords(making, say), ...s.fit.reasons.map((r) => say(r.says))]
          .filter(Boolean)
          .join('. ')
          .replaceAll('..', '.')}
      </span>
    </RadioRow>
  );
}
