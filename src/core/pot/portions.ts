import type { Portion, Step } from './step';

type Holding<P> = {
  readonly kind: string;
  readonly items?: readonly P[];
  readonly flour?: P;
  readonly fat?: P;
  readonly thickener?: P;
  readonly carrier?: P | undefined;
};

/** Everything a step puts into the pot, in the order it goes in; works for recipe steps too. */
export function portionsIn<P>(step: Holding<P>): readonly P[] {
  return [
    ...(step.items ?? []),
    ...(step.fat ? [step.fat] : []),
    ...(step.flour ? [step.flour] : []),
    ...(step.carrier ? [step.carrier] : []),
    ...(step.thickener ? [step.thickener] : []),
  ];
}
/**
 * `step` with each of its portions as `change` makes it; the second argument is the portion's place, as
 * `portionsIn` lists them.
 */
export function withPortions(step: Step, change: (portion: Portion, item: number) => Portion): Step {
  switch (step.kind) {
    case 'sweat':
    case 'add':
    case 'season':
    case 'render':
    case 'temper':
    case 'poach':
      return { ...step, items: step.items.map(change) };
    case 'roux':
      return { ...step, fat: change(step.fat, 0), flour: change(step.flour, 1) };
    case 'dust':
      return { ...step, flour: change(step.flour, 0) };
    case 'thicken':
      return step.carrier
        ? { ...step, carrier: change(step.carrier, 0), thickener: change(step.thickener, 1) }
        : { ...step, thickener: change(step.thickener, 0) };
    default:
      return step;
  }
}
