import type { Show } from '../units/shown/show';
import { titleOf } from '../words/steps';
import type { StepState } from './state';

/** A step’s title in this kitchen’s units: anew from what is done; of a record older than that, as it was written. */
export const titleIn = ({ does, planned, title }: StepState, show: Show): string =>
  does ? titleOf(does, planned?.from, show) : title;
