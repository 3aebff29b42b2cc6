import * as z from 'zod';

/** A number from `low` to `high`, refused in words that say what it is of: "altitude is a number from -500 to 5000 m". */
export function numberFrom(what: string, low: number, high: number, unit = '') {
  const allowed = `${what} is a number from ${low} to ${high}${unit && ` ${unit}`}`;
  return z.number({ error: allowed }).min(low, { error: allowed }).max(high, { error: allowed });
}
