'use client';

import { useRouter } from 'next/navigation';
import type { TimedOrder } from '../../../core/order/order';
import type { Warning } from '../../../core/plan/types';
import { warningLine } from '../../../core/plan/warningWords';
import { requestOf } from '../../order/address';
import { useSay } from '../../shared/hooks/useSay';
import { useBegin } from '../useBegin';

/** Starting a batch of what is ordered, and going to its stove; a plan that is barred is refused with its reason. */
export function useStart(
  order: TimedOrder,
  address: string,
  barred: Warning | undefined,
  serveAt: Date | null,
) {
  const say = useSay();
  const router = useRouter();
  const { starting, refused, setRefused, inUse, begin } = useBegin();
  const start = async (anyway = false) => {
    if (starting) return;
    if (barred) {
      setRefused(say(warningLine(barred)));
      return;
    }
    const id = await begin(address, requestOf(order), serveAt, anyway);
    if (id) router.push(`/stove/${id}`);
  };
  return {
    starting,
    refused,
    inUse,
    start,
    /** What was refused no longer counts once something is changed. */
    calm: () => setRefused(null),
  };
}
