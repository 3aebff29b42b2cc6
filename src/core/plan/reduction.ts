import { depthOf } from '../heat/vessel';
import { volumeMl } from '../pot/contents';
import { cook } from '../pot/cook';
import type { Kitchen } from '../pot/kitchen';
import { observe } from '../pot/observe';
import type { Pot } from '../pot/pot';
import { within } from '../units/range';

export type Reduction = {
  readonly pot: Pot;
  readonly seconds: number;
  /** mm the level falls on the wall: how a cook sees that it is done. */
  readonly dropMm: number;
  readonly lostMl: number;
  /** True when it cannot get there within four hours. */
  readonly unreachable: boolean;
};

/** Boiling down, lid off, until the pot would have `target` mPa·s in the bowl. */
export function reduceToViscosity(pot: Pot, target: number, flame: number, kitchen: Kitchen): Reduction {
  within('target', target, 1, 1e5, 'mPa·s');
  within('flame', flame, 0.05, 1);
  const before = volumeMl(pot);
  const done = cook(pot, { flame, lid: 'off' }, kitchen, {
    progress: (p) => Math.log(observe(p, kitchen).bowlViscosity / target),
  });
  const lostMl = before - volumeMl(done.pot);
  return {
    pot: done.pot,
    seconds: done.pot.seconds - pot.seconds,
    dropMm: depthOf(pot.vessel, lostMl),
    lostMl,
    unreachable: done.stalled,
  };
}
