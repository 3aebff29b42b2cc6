'use client';

import { useDeferredValue, useMemo } from 'react';
import { type StockPlan, stockPlanFor } from '../../../core/compare/beside/stockPlan';
import type { House } from '../../../core/kitchen/house';
import type { TimedOrder } from '../../../core/order/order';
import type { Plan } from '../../../core/plan/types';

/** The plan of the stock made here for a soup; null where none is. It follows a moving finger a moment after. */
export function useStockPlan(plan: Plan, order: TimedOrder, house: House): StockPlan | null {
  const settled = useDeferredValue(plan);
  const { stock, made, stockPotId, stockBurnerId } = order;
  return useMemo(
    () => stockPlanFor(settled, { stock, made, stockPotId, stockBurnerId }, house),
    [settled, stock, made, stockPotId, stockBurnerId, house],
  );
}
