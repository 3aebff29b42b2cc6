import * as z from 'zod';
import { term } from '../message/term';
import { issue } from '../message/told';

/** A number from `low` to `high`, refused in words that say what it is of: "altitude is a number from -500 to 5000 m". */
export function numberFrom(what: string, low: number, high: number, unit = '') {
  const figures = { what: term(what), low, high };
  const error =
    unit === '°C'
      ? issue('{what} is a number from {range}', {
          what: term(what),
          range: { celsius: low, toCelsius: high },
        })
      : unit
        ? issue('{what} is a number from {low} to {high} {unit}', { ...figures, unit: term(unit) })
        : issue('{what} is a number from {low} to {high}', figures);
  return z.number({ error }).min(low, { error }).max(high, { error });
}
