import * as z from 'zod';
import { issue } from '../message/told';

/** UTC, to the millisecond at most, in years a calendar and a database both hold. */
const WRITTEN = /^20\d\d-\d\d-\d\dT\d\d:\d\d(:\d\d(\.\d{1,3})?)?Z$/;

/** A moment as it is written down, `what` it is of: ISO 8601, UTC, 2000 to 2099, milliseconds at the finest. */
export const momentOf = (what: string) => {
  const error = issue('{what} is a time such as {one}, to the millisecond at most', {
    what,
    one: '2026-01-31T16:20:00Z',
  });
  return z.iso.datetime({ error }).regex(WRITTEN, { error });
};

/** ms of a day. Nothing is written down further from now than this. */
export const DAY_MS = 86_400_000;
