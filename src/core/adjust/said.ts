import type { EventBody } from '../batch/events';
import type { StepState } from '../batch/state';
import { bisect } from '../maths/bisect';
import { portionsIn } from '../pot/contents/portions';
import type { Portion } from '../pot/step';
import { saidOfThickness } from './disagrees';
import type { Fault } from './faults';
import type { Measured } from './measured';
import { toThePass } from './trial/pass';

/**
 * By how much a pot is off its target when an eye says so and nothing was measured: half as thick again, or the
 * other way. Our assumption.
 */
const SEEN_OFF = 1.5;

/** How unsure that is: the standard deviation of its logarithm. Our assumption. */
const SEEN_SPREAD = 0.3;

/** The share thickening can be moved by before it is no longer this soup. */
const LEAST = 0.05;
const MOST = 20;

/** The pot with all that thickens it worth `by` times as much. */
const thickened = ({ pot, ...rest }: Measured, by: number): Measured => ({
  ...rest,
  pot: { ...pot, thickeners: pot.thickeners.map((t) => ({ ...t, equivalents: t.equivalents * by })) },
});

/**
 * The pot a cook calls too thin or too thick where the model says otherwise and nothing was measured: taken as
 * off by half as much again, unsure by as much, so that something can be done before there is a flow test.
 */
export function takenAsSeen(measured: Measured, faults: readonly Fault[]): Measured {
  const said = saidOfThickness(faults);
  if (said === 0) return measured;
  const wanted = measured.target * SEEN_OFF ** said;
  const landsWith = (by: number): number => toThePass(thickened(measured, by), []).seen.bowlViscosity;
  // What thickens it may be none of what can be moved: then it is moved as far as it goes.
  const by = Math.exp(bisect((x) => landsWith(Math.exp(x)) < wanted, Math.log(LEAST), Math.log(MOST), 24));
  return {
    ...thickened(measured, by),
    doubt: { ...measured.doubt, thickness: Math.max(measured.doubt.thickness, SEEN_SPREAD) },
  };
}

/** Salt that is still to go in by the plan, g, and where it stands. */
type SaltToCome = { readonly step: number; readonly item: number; readonly g: number };

/** The salt still to come: what is done about a soup that is called salty before it is in is to leave it out. */
export const saltToCome = (steps: readonly StepState[]): readonly SaltToCome[] =>
  steps.flatMap(({ key, does, done, skipped, weighed }) =>
    does && !done && !skipped && typeof key === 'number'
      ? portionsIn<Portion>(does).flatMap((p, item) =>
          p.ingredient === 'salt' && p.amount > 0 && !weighed.has(item)
            ? [{ step: key, item, g: p.amount }]
            : [],
        )
      : [],
  );

/** What is written down so that it is left out: nothing of it on the scale. */
export const leavingOut = (toCome: readonly SaltToCome[]): readonly EventBody[] =>
  toCome.map(({ step, item }) => ({ kind: 'weighed', step, item, g: 0 }));
