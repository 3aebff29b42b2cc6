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
