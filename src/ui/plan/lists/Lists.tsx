'use client';

import { Suspense, useState } from 'react';
import type { House } from '../../../core/kitchen/house';
import { message } from '../../../core/message/message';
import type { TimedOrder } from '../../../core/order/order';
import type { Plan } from '../../../core/plan/types';
import type { Show } from '../../../core/units/shown/show';
import { Segments } from '../../shared/form/Segments';
import { useSay } from '../../shared/hooks/useSay';
import { lazily } from '../../shared/lazily';
import { useTicks } from './useTicks';
import { Grouped, type Grouping, isTicked, WeighOut } from './WeighOut';

const Steps = lazily(async () => (await import('./Steps')).Steps);
const Shopping = lazily(async () => (await import('./Shopping')).Shopping);

const ForTheBowl = lazily(async () => (await import('./ForTheBowl')).ForTheBowl);
const StockFirst = lazily(async () => (await import('./StockFirst')).StockFirst);

const LISTS = [
  { value: 'weigh', words: message('Weigh out') },
  { value: 'steps', words: message('Steps') },
  { value: 'shop', words: message('Shop') },
] as const;
type List = (typeof LISTS)[number]['value'];

type Props = {
  readonly plan: Plan;
  readonly lightAt: Date | null;
  readonly show: Show;
  readonly order: TimedOrder;
  readonly house: House;
  readonly onChange: (change: Partial<TimedOrder>) => void;
};

/** What is weighed, done and bought. */
export function Lists({ plan, lightAt, show, order, house, onChange }: Props) {
  const say = useSay();
  const [list, setList] = useState<List>('weigh');
  const [grouping, setGrouping] = useState<Grouping>('order');
  const { ticks, tick } = useTicks(plan);
  const first = (as: 'weigh' | 'steps') =>
    order.made ? (
      <Suspense fallback={null}>
        <StockFirst plan={plan} order={order} house={house} lightAt={lightAt} as={as} />
      </Suspense>
    ) : null;
  return (
    <div className="flex min-h-0 flex-col border-ink px-4 py-2 max-[1100px]:col-span-full max-[1100px]:border-t-2">
      <div className="flex items-center justify-between gap-2 pb-2">
        <Segments label={say('List')} value={list} onChange={setList} options={LISTS} />
        {list === 'weigh' && (
          <>
            <Grouped by={grouping} pans={Object.keys(plan.beside).length > 0} onChange={setGrouping} />
            <span className="text-quiet">
              {say('{count} of {count2}', {
                count: plan.weighOut.filter((l) => isTicked(l, ticks)).length,
                count2: plan.weighOut.length,
              })}
            </span>
          </>
        )}
      </div>
      {list === 'weigh' ? (
        <WeighOut
          lines={plan.weighOut}
          ticks={ticks}
          onTick={tick}
          steps={plan.steps}
          by={grouping}
          first={first('weigh')}
          last={
            <Suspense fallback={null}>
              <ForTheBowl plan={plan} order={order} house={house} onChange={onChange} />
            </Suspense>
          }
        />
      ) : (
        <Suspense fallback={<p className="text-quiet">{say('One moment …')}</p>}>
          {list === 'steps' ? (
            <Steps plan={plan} lightAt={lightAt} show={show} first={first('steps')} />
          ) : (
            <Shopping plan={plan} order={order} house={house} />
          )}
        </Suspense>
      )}
    </div>
  );
}
