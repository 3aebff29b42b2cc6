import { useEffect, useRef, useState } from 'react';
import { bandOf, chanceOfBand } from '../../core/flow/bands';
import { bracketOf } from '../../core/maths/logNormal';
import type { TimedOrder } from '../../core/order/order';
import type { Begun } from '../../core/plan/plan';
import { nextTime } from '../../core/units/clock';
import { useNow } from '../device/useNow';
import { addressOf } from '../order/address';
import type { Shelf } from '../order/stores';
import { useShelf } from '../order/useShelf';
import { useSay } from '../shared/hooks/useSay';
import { useStart } from './foot/useStart';
import { usePlan } from './usePlan';

/** The address follows the sentence once it rests this long, ms. */
const SETTLE = 250;

/** Keeps the address of the page that of the order. */
function useAddress(order: TimedOrder): string {
  const address = addressOf(order);
  useEffect(() => {
    // The browser's own method: the router's would take back a view change that is under way.
    const note = () => History.prototype.replaceState.call(window.history, window.history.state, '', address);
    const timer = setTimeout(note, SETTLE);
    return () => clearTimeout(timer);
  }, [address]);
  return address;
}

/** Has what would mend a plan looked for at once where something is wrong, so that it is one tap away. */
function useMends(grave: string | undefined, address: string, work: (what: 'remedies') => void): void {
  const asked = useRef('');
  useEffect(() => {
    const key = `${grave} ${address}`;
    if (!grave || asked.current === key) return;
    const timer = setTimeout(() => {
      asked.current = key;
      work('remedies');
    }, SETTLE);
    return () => clearTimeout(timer);
  });
}

/** An order as it is changed, and its plan: how sure it is, what is wrong with it, when it is lit, and starting it. */
export function useOrdered(opened: Shelf, first: TimedOrder, begun: Begun | undefined) {
  const say = useSay();
  const { stores, choose, refused: notFetched } = useShelf(opened);
  const [order, setOrder] = useState(first);
  const solved = usePlan(stores, order, order === first ? begun : undefined);
  const { plan, thoughts, remedies, work } = solved;
  const aim = useRef(plan.aim);
  useEffect(() => {
    aim.current = plan.aim;
  });
  const now = useNow();
  const address = useAddress(order);
  const { bandLimits } = stores.house.kitchen;
  const spread = thoughts?.doubt.spread ?? null;
  const band = bandOf(order.target, bandLimits);
  const stop = plan.warnings.find((w) => w.severity !== 'caution');
  const barred = stop?.severity === 'stop' ? stop : undefined;
  useMends(stop?.id, address, work);
  const serveAt = now === null ? null : nextTime(order.serveAt, new Date(now));
  const starting = useStart(order, address, barred, serveAt);
  return {
    ...solved,
    stores,
    choose,
    order,
    asFirst: order === first,
    change: (to: Partial<TimedOrder>) => {
      starting.calm();
      setOrder((o) => ({ ...o, ...to }));
    },
    aim,
    address,
    band,
    bracket: spread === null ? null : bracketOf(plan.found.bowlViscosity, spread),
    chance: spread === null ? null : chanceOfBand(plan.found.bowlViscosity, spread, band, bandLimits),
    /** What is wrong with it, whether it may be started all the same, and the first thing that would mend it. */
    stop,
    barred,
    mend: stop && remedies?.[stop.id]?.[0],
    light: serveAt && new Date(serveAt.getTime() - plan.seconds * 1000),
    starting,
    refused: starting.refused ?? (notFetched && say(notFetched)),
  };
}
export type OrderHere = ReturnType<typeof useOrdered>;
