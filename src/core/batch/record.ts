import * as z from 'zod';
import { BANDS } from '../flow/bands';
import type { BatchEvent } from './events';

const Figure = z.number();

/** A step as it was planned, in words and on the clock, kept with the batch for good. */
export const RecordedStep = z.object({
  title: z.string(),
  details: z.array(z.string()),
  look: z.string(),
  reason: z.string(),
  /** Seconds from lighting the flame. */
  startsAt: Figure,
  seconds: Figure,
  celsius: Figure,
  volumeMl: Figure,
  /** Absent in records kept before cautions stood with their steps. */
  cautions: z
    .array(z.object({ id: z.string(), says: z.string(), do: z.string(), rule: z.string() }).readonly())
    .readonly()
    .optional(),
});
export type RecordedStep = z.infer<typeof RecordedStep>;

/** The plan a batch was started from. */
export const RecordedPlan = z.object({
  recipeName: z.string(),
  litres: Figure,
  viscosity: Figure,
  band: z.enum(BANDS),
  vesselId: z.string(),
  vesselName: z.string(),
  burnerName: z.string(),
  seconds: Figure,
  steps: z.array(RecordedStep).max(80),
  cautions: z.array(z.string()),
});
export type RecordedPlan = z.infer<typeof RecordedPlan>;

export type Batch = {
  readonly id: string;
  readonly recipeId: string;
  readonly recipeVersion: number;
  readonly plan: RecordedPlan;
  readonly startedAt: string;
  readonly serveAt: string | null;
  readonly events: readonly BatchEvent[];
};
