import { massG } from '../contents/contents';
import { LONGEST } from '../cook';
import type { Pot } from '../pot';
import type { StepOf } from '../step';

/** s to take hold of a pan and tip it, for each kilogram that goes, and how many times longer by and by. Common practice, no source. */
const TIP_SECONDS = 30;
const SECONDS_PER_KG = 10;
const GRADUALLY = 2;

/** Minutes to pour out of `from`: as the step says, or by its weight. */
export const minutesOfPour = (from: Pot, { minutes, share = 1, gradually }: StepOf<'pour'>): number =>
  minutes ??
  Math.min(
    LONGEST,
    (TIP_SECONDS + (SECONDS_PER_KG * massG(from) * share) / 1000) * (gradually ? GRADUALLY : 1),
  ) / 60;
