import { isMessage, type Message } from '../message/message';
import { inEnglish, type Words } from './inWords';

/** A value with every message in it said. */
export type Spoken<T> = T extends Message
  ? string
  : T extends readonly (infer One)[]
    ? readonly Spoken<One>[]
    : T extends object
      ? { readonly [K in keyof T]: Spoken<T[K]> }
      : T;

/** Says every message in a value of plain data, however deep; the rest is left as it is. */
export function spoken<T>(value: T, say: Words = inEnglish): Spoken<T> {
  if (isMessage(value)) return say(value) as Spoken<T>;
  if (Array.isArray(value)) return value.map((one) => spoken(one, say)) as Spoken<T>;
  if (typeof value === 'object' && value !== null && Object.getPrototypeOf(value) === Object.prototype)
    return Object.fromEntries(
      Object.entries(value).map(([key, one]) => [key, spoken(one, say)]),
    ) as Spoken<T>;
  return value as Spoken<T>;
}
