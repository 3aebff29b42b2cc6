import { message } from '../message/message';
import { term } from '../message/term';
import { Told } from '../message/told';

/** A value outside what a function can answer for: which one, what was given, what is allowed. */
export class OutOfRange extends Told {
  override readonly name = 'OutOfRange';
  constructor(
    readonly field: string,
    readonly given: number,
    readonly allowed: readonly [number, number],
    readonly unit = '',
  ) {
    const [low, high] = allowed;
    const figures = { field: term(field), given, low, high };
    super(
      unit
        ? message('{field} is {given}; it must be from {low} to {high} {unit}', {
            ...figures,
            unit: term(unit),
          })
        : message('{field} is {given}; it must be from {low} to {high}', figures),
    );
  }
}

/** `value`, or {@link OutOfRange} when it is not a number from `low` to `high`. */
export function within(field: string, value: number, low: number, high: number, unit = ''): number {
  if (!(value >= low && value <= high)) throw new OutOfRange(field, value, [low, high], unit);
  return value;
}
