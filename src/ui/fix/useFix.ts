import { useMemo } from 'react';
import { disagrees, FRESH } from '../../core/adjust/disagrees';
import { takenAsSalty } from '../../core/adjust/means/thinner';
import { agesOf, contradictionIn, type Measured, measuredFrom } from '../../core/adjust/measured';
import type { Wishes } from '../../core/adjust/option';
import { saltToCome, takenAsSeen } from '../../core/adjust/said';
import type { Followed } from '../../core/batch/follow/follow';
import type { Batch } from '../../core/batch/record';
import type { House } from '../../core/kitchen/house';
import { useBatch } from '../device/useBatch';
import { useFollow } from '../device/useFollow';
import { useNow } from '../device/useNow';
import { lastAt } from './marks';
import { useAdvice } from './useAdvice';
import { minutesLeft } from './wanted/Conditions';
import { useLarder } from './wanted/useLarder';
import { useWanted } from './wanted/useWanted';

/** The pot as it was measured last, taken anew twice a minute: it moves little from second to second. */
function useMeasured(followed: Followed | null, now: number | null, litres: number): Measured | null {
  const moment = now === null ? null : Math.floor(now / 30_000) * 30_000;
  return useMemo(
    () =>
      followed && moment !== null
        ? measuredFrom(followed, Math.max(moment, lastAt(followed.state.events)), litres)
        : null,
    [followed, moment, litres],
  );
}

/** A pot that is wrong: what is said of it, what it is taken as for that, and what there is to do about it. */
export function useFix(house: House, initial: Batch) {
  const { batch, write } = useBatch(initial);
  const now = useNow();
  const { going, lost } = useFollow(batch, now);
  const [wanted, want] = useWanted(batch.id);
  const { faults, freeOf, noFlour, keepYield, by } = wanted;
  const { keeps, larder, toggle } = useLarder(house);
  const minutes = minutesLeft(batch.serveAt, by, now ?? 0);
  const followed = going?.followed ?? null;
  const events = followed?.state.events;
  const measured = useMeasured(followed, now, batch.plan.litres);
  const wishes: Wishes = useMemo(
    () => ({ larder, minutes, freeOf, pins: { noFlour, keepYield } }),
    [larder, minutes, freeOf, noFlour, keepYield],
  );
  const clash = followed ? contradictionIn(followed) : null;
  /** How often it was put right for salt before. */
  const saltyBefore =
    events?.filter((e) => e.body.kind === 'corrected' && e.body.faults.includes('too salty')).length ?? 0;
  const lands = going?.to.end.bowlViscosity ?? 1;
  const atOdds = disagrees(faults, lands, followed?.cooked.target ?? 1);
  const salty = faults.includes('too salty');
  // Salt that is not in yet is left out: there is nothing to guess about.
  const toCome = useMemo(
    () => (followed && salty ? saltToCome(followed.state.steps) : []),
    [followed, salty],
  );
  const taken = useMemo(() => {
    const seen = measured && atOdds ? takenAsSeen(measured, faults) : measured;
    return seen && salty && toCome.length === 0 ? takenAsSalty(seen, saltyBefore) : seen;
  }, [measured, atOdds, faults, salty, toCome, saltyBefore]);
  const asked = JSON.stringify([faults, [...larder], freeOf, noFlour, keepYield, by, events?.length]);
  const { told: advice, failed } = useAdvice(faults, clash ? null : taken, wishes, batch.plan.seconds, asked);
  const ages = followed && agesOf(followed);
  return {
    batch,
    write,
    now,
    going,
    lost,
    wanted,
    want,
    keeps,
    larder,
    toggle,
    minutes,
    measured,
    clash,
    saltyBefore,
    /** mPa·s where it lands as the model has it, and whether what is said of it is at odds with that. */
    lands,
    atOdds,
    toCome,
    taken,
    advice,
    failed,
    ages,
    stale:
      ages === null || ages.flow === null || ages.since !== null || (now !== null && now - ages.flow > FRESH),
  };
}
export type Fix = ReturnType<typeof useFix>;
