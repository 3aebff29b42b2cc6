import * as z from 'zod';
import { term } from '../message/term';
import { issue } from '../message/told';
import { momentOf } from '../units/moment';
import { numberFrom } from '../units/numberFrom';
import { ACCESS } from './access';

/** Text of a line, trimmed, of `most` characters at most; `what` is what it is called when there is none. */
export const words = (what: string, most: number) =>
  z
    .string({ error: issue('{what} is written in words', { what: term(what) }) })
    .trim()
    .min(1, { error: issue('{what} is empty', { what: term(what) }) })
    .max(most, { error: issue('{what} is at most {most} characters', { what: term(what), most }) });

/** °C a probe in a kitchen can show: from the coldest freezer to fat that smokes. */
export const readCelsius = numberFrom('temperature', -45, 200, '°C');

/** Bodies every record has: what somebody wanted said, and a mistake taken back. */
export const COMMON = [
  z.object({ kind: z.literal('note'), text: words('the note', 1000) }),
  /** The line it names no longer counts, but stays on record; with the line that stands in its place. */
  z.object({
    kind: z.literal('withdrawn'),
    event: z.uuid(),
    why: words('why', 200).optional(),
    instead: z.uuid().optional(),
  }),
] as const;

/** By whose key a line was written: the station as it was called then, what it might do, and who it said it was. */
export const Via = z.object({
  station: z.uuid(),
  name: z.string().min(1).max(40),
  access: z.enum(ACCESS),
  said: z.string().max(60).optional(),
});
export type Via = z.infer<typeof Via>;

/**
 * A line of a record, never changed once written. The id is made where the tap happened, so sending it twice
 * keeps it once.
 */
export const lineOf = <B extends z.ZodType>(body: B) =>
  z.object({
    id: z.uuid(),
    /** When it happened, by the server's clock as far as the station knew it: all stations count by one. */
    at: momentOf('at'),
    station: z.string().min(1).max(60),
    /** How far the station's own clock stood ahead of the server's, ms; already taken out of `at`. */
    clockMs: z.int().min(-2e12).max(2e12).optional(),
    /** When the server took it: the server's to say. */
    receivedAt: momentOf('receivedAt').optional(),
    /** By whose key it was written: the server's to say too; absent of what was written at its own machine. */
    via: Via.optional(),
    /** An archive brought it: the server's to say. */
    brought: z.boolean().optional(),
    body,
  });
