import * as z from 'zod';

/** What a station may write down about a batch. Each kind names its body. */
export const EventBody = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('step-done'), step: z.number().int().min(0).max(60) }),
  /** A mistake taken back: the event it names no longer counts, but stays on record. */
  z.object({ kind: z.literal('withdrawn'), event: z.uuid() }),
]);
export type EventBody = z.infer<typeof EventBody>;

/**
 * One line of a batch's record, never changed once written. The id is made where the tap happened,
 * so sending it twice keeps it once.
 */
export const BatchEvent = z.object({
  id: z.uuid(),
  /** When it happened, by the station's clock. */
  at: z.iso.datetime(),
  station: z.string().min(1).max(60),
  body: EventBody,
});
export type BatchEvent = z.infer<typeof BatchEvent>;
