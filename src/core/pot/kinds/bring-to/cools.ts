import type { StepOf } from '../../step';

/** °C by which a pot must be over what it is to be brought to, for that to mean cooling. */
const OVER = 0.1;

/** Whether a pot at `celsius` is brought to its temperature by letting it cool: then the flame is off. */
export const coolsTo = (step: StepOf<'bring-to'>, celsius: number): boolean =>
  typeof step.to === 'number' && celsius > step.to + OVER;
