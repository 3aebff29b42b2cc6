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
 * `portionsIn` lists them. What holds none stays as it is.
 */
export function withPortions<S extends Holding<P>, P>(step: S, change: (portion: P, item: number) => P): S {
  const { items, fat, flour, carrier, thickener } = step;
  let item = 0;
  const one = (p: P): P => change(p, item++);
  return {
    ...step,
    ...(items && { items: items.map(one) }),
    ...(fat && { fat: one(fat) }),
    ...(flour && { flour: one(flour) }),
    ...(carrier && { carrier: one(carrier) }),
    ...(thickener && { thickener: one(thickener) }),
  };
}
