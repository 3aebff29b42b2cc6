import { DOES } from './kinds/does';
import type { StepKind } from './kinds/names';
import type { Advanced, Does, Note } from './kinds/outcome';
import type { Kitchen } from './kitchen';
import type { Pot } from './pot';
import type { Step } from './step';

export type { Advanced, Note };

/**
 * The pot after the cook does `step`. Total: whatever the pot, a valid step gives a pot.
 * Pure: the same arguments always give the same answer. With `until`, a moment on the pot's clock, it is
 * looked at part way: `left` is the rest of the step, and advancing by that comes to the same pot.
 */
export const advance = (
  pot: Pot,
  step: Step,
  kitchen: Kitchen,
  until: number = Number.POSITIVE_INFINITY,
): Advanced => (DOES[step.kind] as Does<StepKind>)(pot, step, kitchen, until);
