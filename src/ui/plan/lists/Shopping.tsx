'use client';

import { rescuedFrom } from '../../../core/compare/rescued';
import { STATIONS, shoppingFor } from '../../../core/compare/shopping';
import { ingredient } from '../../../core/food/catalogue';
import type { House } from '../../../core/kitchen/house';
import { term } from '../../../core/message/term';
import type { TimedOrder } from '../../../core/order/order';
import { garnishOf } from '../../../core/plan/bowl/garnish';
import type { Plan, WeighLine } from '../../../core/plan/types';
import { fetchedWords, jugWords } from '../../../core/units/shown/show';
import { stockName } from '../../order/stockWords';
import { useSay } from '../../shared/hooks/useSay';
import { Scroll } from '../../shared/Scroll';
import { useStockPlan } from './useStockPlan';

type Props = {
  readonly plan: Plan;
  readonly order: TimedOrder;
  readonly house: House;
};

/** What to fetch from where, each thing once, untrimmed, and what it costs where prices are known. */
export function Shopping({ plan, order, house }: Props) {
  const say = useSay();
  const { currency } = house;
  const stock = useStockPlan(plan, order, house);
  // What is made here is not bought: what it is made of is.
  const lines = stock
    ? [...plan.weighOut.filter((l) => l.ingredient !== stock.making.id), ...stock.plan.weighOut]
    : plan.weighOut;
  const garnish = garnishOf(plan, order.garnish ?? [], order.ladleMl).map(
    (l): WeighLine => ({
      id: `garnish ${l.garnish.id}`,
      step: -1,
      pan: '',
      ingredient: l.garnish.id,
      name: l.name,
      g: l.raw,
      ml: null,
      measure: '',
      asPurchased: l.asPurchased,
      prep: undefined,
      solved: null,
    }),
  );
  const { lines: bought, total, unpriced } = shoppingFor([...lines, ...garnish], plan.setup.kitchen);
  const rescued = rescuedFrom(lines);
  return (
    <Scroll label={say('Shopping')} className="flex-1 border-ink border-t min-[1100px]:overflow-y-auto">
      {STATIONS.map((station) => (
        <AtStation key={station} station={station} bought={bought} currency={currency} />
      ))}
      {rescued.length > 0 && <Rescued rescued={rescued} />}
      <p className="py-3">
        {say.rich('<b>{currency}{total}</b> in all, {currency}{total2} a litre', {
          b: (text) => <b className="figures text-[22px]">{text}</b>,
          currency,
          total: total.toFixed(2),
          total2: (total / (plan.found.volumeMl / 1000)).toFixed(2),
        })}
        {unpriced > 0 && (
          <span className="text-quiet">{say('; {unpriced} without a price in Kitchen', { unpriced })}</span>
        )}
        .
      </p>
    </Scroll>
  );
}

type AtProps = {
  readonly station: (typeof STATIONS)[number];
  readonly bought: ReturnType<typeof shoppingFor>['lines'];
  readonly currency: string;
};

/** What is fetched from one place. */
function AtStation({ station, bought, currency }: AtProps) {
  const say = useSay();
  const here = bought.filter((l) => l.station === station);
  if (here.length === 0) return null;
  return (
    <section aria-label={say(term(station))}>
      <h3 className="pt-3 pb-1 font-bold text-quiet">{say(term(station))}</h3>
      <ul>
        {here.map((l) => (
          <li key={l.ingredient} className="flex items-baseline gap-3 border-rule border-b py-1.5">
            <span className="figures w-28 shrink-0 text-right font-bold text-[22px]">
              {fetchedWords(l.g, say.reader)}
            </span>
            <span className="min-w-0 flex-1 leading-tight">
              {say(term(l.name))}
              {l.packs && (
                <span className="block text-[15px] text-quiet">
                  {say('{count, plural, one {# pack} other {# packs}} of {grams} to open', {
                    count: l.packs.count,
                    grams: { g: l.packs.g },
                  })}
                </span>
              )}
            </span>
            <span className="figures text-quiet">
              {l.cost === null ? '' : `${currency}${l.cost.toFixed(2)}`}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What is trimmed off and makes something yet. */
function Rescued({ rescued }: { readonly rescued: ReturnType<typeof rescuedFrom> }) {
  const say = useSay();
  return (
    <section aria-label={say('Not thrown away')} className="border-ink border-t-2 pt-2">
      <h3 className="font-bold text-quiet">{say('Not thrown away')}</h3>
      <ul>
        {rescued.map((r) => (
          <li key={r.ingredient} className="border-rule border-b py-1.5 leading-tight">
            {say.rich(
              '<b>{g}</b> {what} make {litres} of {stock}{juice, select, none {} other {, and before that about {juice} of juice scraped from them}}; frozen in a bag until there is enough.',
              {
                b: (text) => <b className="figures text-[22px]">{text}</b>,
                g: { g: r.g },
                what: { within: term(ingredient(r.ingredient).name.split(',')[0] ?? r.ingredient) },
                litres: { ml: r.litres * 1000 },
                stock: stockName(r.making.id),
                juice: r.juiceMl > 0 ? jugWords(r.juiceMl, say.reader) : 'none',
              },
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
