'use client';

import { Flame } from 'lucide-react';
import { useState } from 'react';
import type { StockPlan } from '../../../core/compare/beside/stockPlan';
import { asideOf, figureOf } from '../../../core/formats/sheet';
import type { House } from '../../../core/kitchen/house';
import { message } from '../../../core/message/message';
import { term } from '../../../core/message/term';
import type { TimedOrder } from '../../../core/order/order';
import type { Plan } from '../../../core/plan/types';
import { warningLine } from '../../../core/plan/warningWords';
import { timeOfDay } from '../../../core/units/clock';
import { duration } from '../../../core/units/shown/format';
import { momentWords } from '../../../core/words/moment';
import { detailsOf, titleOf } from '../../../core/words/steps';
import { kitchenNow } from '../../device/line/clock';
import { stockName } from '../../order/stockWords';
import { useSay } from '../../shared/hooks/useSay';
import { Link } from '../../shared/Link';
import { BUTTON } from '../../shared/styles';
import { useBegin } from '../useBegin';
import { useStockPlan } from './useStockPlan';
import { Weight } from './Weight';

type Props = {
  readonly plan: Plan;
  readonly order: TimedOrder;
  readonly house: House;
  /** When the soup's flame is lit; null until the page knows the time. */
  readonly lightAt: Date | null;
  /** Its things to weigh, or its steps by the clock. */
  readonly as: 'weigh' | 'steps';
};

/** The stock made here before the soup: its pot, its clock, what goes in, how strong it comes out, and its own start. */
export function StockFirst({ plan, order, house, lightAt, as }: Props) {
  const stock = useStockPlan(plan, order, house);
  return stock ? <Stock stock={stock} soup={order} lightAt={lightAt} as={as} /> : null;
}

function Stock({
  stock,
  soup,
  lightAt,
  as,
}: {
  stock: StockPlan;
  soup: TimedOrder;
  lightAt: Date | null;
  as: Props['as'];
}) {
  const say = useSay();
  const { plan, making, strength } = stock;
  const wanted = lightAt && new Date(lightAt.getTime() + stock.wantedAt * 1000);
  const light = wanted && new Date(wanted.getTime() - plan.seconds * 1000);
  return (
    <section
      aria-label={say('First, the stock')}
      className="mb-3 border-ink border-t-2 border-b-2 bg-ground px-3 py-2"
    >
      <h3 className="font-bold text-[19px] leading-tight">
        {say('First, {litres} of {stock} in {pot} on {burner}', {
          litres: { litres: stock.order.litres },
          stock: stockName(making.id),
          pot: plan.setup.vessel.name,
          burner: plan.setup.burner.name,
        })}
      </h3>
      <p className="text-[15px]">
        {say(
          'Lit {light}, strained {strained} later{made, select, before {, cold and kept until it is wanted} other {, hot into the soup}}. Water stands {covers} times as high as what lies in it; {solids} % solids, {salt} % salt{gelatine, select, none {} other {, {gelatine} % gelatine: it sets when cold}}.',
          {
            light: light ? momentWords(light, new Date()) : message('at {time}', { time: '··:··' }),
            strained: duration(plan.seconds),
            made: soup.made ?? 'now',
            covers: stock.covers.toFixed(1),
            solids: strength.solids.toFixed(1),
            salt: strength.salt.toFixed(2),
            gelatine: strength.gelatine > 0 ? strength.gelatine.toFixed(1) : 'none',
          },
        )}
      </p>
      {as === 'weigh' ? <WeighOut plan={plan} /> : <Steps plan={plan} light={light} />}
      {plan.warnings
        .filter((w) => w.severity !== 'caution' || w.kind !== 'care')
        .map((w) => (
          <p key={w.id} className="text-[15px] text-tomato">
            {say(warningLine(w))}
          </p>
        ))}
      <StartStock stock={stock} wanted={wanted} />
    </section>
  );
}

/** Starts the stock as a batch of its own: at the stove it has its steps, its timers and its record. */
function StartStock({ stock, wanted }: { stock: StockPlan; wanted: Date | null }) {
  const say = useSay();
  const [id, setId] = useState<string | null>(null);
  const { starting, refused, inUse, begin } = useBegin();
  const start = async (anyway = false) => {
    if (starting) return;
    const later = wanted && wanted.getTime() > kitchenNow() ? wanted : null;
    setId(await begin(JSON.stringify(stock.order), stock.order, later, anyway));
  };
  return (
    <div className="flex flex-wrap items-center gap-3 pt-2">
      {id !== null ? (
        <Link href={`/stove/${id}`} className={BUTTON}>
          <Flame aria-hidden /> {say('The stock is on the stove')}
        </Link>
      ) : (
        <button type="button" className={BUTTON} onClick={() => void start()} aria-disabled={starting}>
          <Flame aria-hidden /> {starting ? say('Starting …') : say('Start the stock')}
        </button>
      )}
      {refused && (
        <p role="alert" className="basis-full font-bold text-tomato">
          {refused}
        </p>
      )}
      {refused && inUse && (
        <button type="button" className={BUTTON} onClick={() => void start(true)}>
          {say('Start all the same')}
        </button>
      )}
    </div>
  );
}

function WeighOut({ plan }: Pick<StockPlan, 'plan'>) {
  const say = useSay();
  return (
    <ul>
      {plan.weighOut.map((l) => {
        const [figure, unit] = figureOf(l, say.reader);
        return (
          <li key={l.id} className="flex items-baseline gap-3 border-rule border-b py-1 last:border-b-0">
            <span className="figures w-30 shrink-0 text-right font-bold text-[24px] leading-none">
              <Weight figure={figure} unit={unit} large={false} />
            </span>
            <span className="min-w-0 flex-1 leading-tight">
              {say(term(l.name))}
              <span className="ml-2 text-[15px] text-quiet">
                {[l.prep, asideOf(l, say)].filter(Boolean).join(' · ')}
              </span>
            </span>
          </li>
        );
      })}
    </ul>
  );
}

function Steps({ plan, light }: Pick<StockPlan, 'plan'> & { readonly light: Date | null }) {
  const say = useSay();
  const at = (seconds: number): string =>
    light ? timeOfDay(new Date(light.getTime() + seconds * 1000)) : '··:··';
  return (
    <ol>
      {plan.steps.map((s, n) => (
        <li key={`${n}.${s.step.kind}`} className="flex gap-3 border-rule border-b py-1 last:border-b-0">
          <span className="figures w-17 shrink-0 font-bold">{at(s.startsAt)}</span>
          <span className="min-w-0 flex-1 leading-tight">
            <b>{titleOf(s.step, s.from, say.reader)}</b>
            <span className="block text-[15px]">
              {[...detailsOf(s.step, s.from, say.reader), s.step.look ?? ''].filter(Boolean).join(' · ')}
            </span>
          </span>
        </li>
      ))}
    </ol>
  );
}
