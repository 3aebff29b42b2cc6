/** A value outside what a function can answer for: which one, what was given, what is allowed. */
export class OutOfRange extends RangeError {
  constructor(
    readonly field: string,
    readonly given: number,
    readonly allowed: readonly [number, number],
    readonly unit = '',
  ) {
    super(`${field} is ${given}; it must be from ${allowed[0]} to ${allowed[1]}${unit && ` ${unit}`}`);
    this.name = 'OutOfRange';
  }
}

/** `value`, or {@link OutOfRange} when it is not a number from `low` to `high`. */
export function within(field: string, value: number, low: number, high: number, unit = ''): number {
  if (!(value >= low && value <= high)) throw new OutOfRange(field, value, [low, high], unit);
  return value;
}
