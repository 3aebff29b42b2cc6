import { idFrom } from '../../../core/formats/draft/ids';
import { keptOf, type UnitHere } from '../../../core/units/shown/here';
import { typedNumber } from '../../../core/units/typed/parse';

/** A figure as a field shows it, over `per`; empty where there is none. */
export const text = (value: number | undefined, per = 1, digits = 6): string =>
  value === undefined ? '' : String(Number((value / per).toPrecision(digits)));

/** A number as typed times `per`; text that is none stays text, for the schema to name. */
export function numberOrText(typed: string, per = 1): number | string {
  const n = typedNumber(typed);
  return typeof n === 'number' ? Number((n * per).toPrecision(12)) : n.trim();
}

/** As {@link text}, in the units the kitchen reads. */
export const textIn = (value: number | undefined, unit: UnitHere): string =>
  value === undefined ? '' : text(unit.shown(value));

/** As {@link numberOrText}, of a number typed in `unit`. */
export function numberIn(typed: string, unit: UnitHere): number | string {
  const n = typedNumber(typed);
  return typeof n === 'number' ? keptOf(n, unit) : n.trim();
}

/** An id for something new: from its name, with a number if another has it. */
export function idFor(name: string, taken: Set<string>, otherwise: string): string {
  const base = idFrom(name, otherwise);
  let id = base;
  for (let n = 2; taken.has(id); n++) id = `${base}-${n}`;
  taken.add(id);
  return id;
}

/** A file as the form has it: where a number belongs there may be the text that is none. */
export type AsTyped<T> = T extends number
  ? number | string
  : T extends readonly (infer U)[]
    ? AsTyped<U>[]
    : T extends object
      ? { [K in keyof T]: AsTyped<T[K]> }
      : T;
