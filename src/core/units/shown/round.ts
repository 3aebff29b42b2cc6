/** Steps of a bench scale that is read at a glance: 0.1 g under 10 g, 1 g under 500 g, 5 g under 2 kg, then 10 g. */
function scaleStep(grams: number): number {
  if (grams < 10) return 0.1;
  if (grams < 500) return 1;
  if (grams < 2000) return 5;
  return 10;
}

/** Rounds grams to {@link scaleStep}. */
export function roundToScale(grams: number): number {
  const step = scaleStep(grams);
  return Number((Math.round(grams / step) * step).toFixed(1));
}

/** Rounds to `digits` significant figures. */
export function significant(value: number, digits: number): number {
  return value === 0 ? 0 : Number(value.toPrecision(digits));
}
