import type { Band } from '../flow/bands';
import type { Caution } from '../safety/cautions';
import type { BatchEvent } from './events';

/** A step as it was planned, in words and on the clock, kept with the batch for good. */
export type RecordedStep = {
  readonly title: string;
  readonly details: readonly string[];
  readonly look: string;
  readonly reason: string;
  /** Seconds from lighting the flame. */
  readonly startsAt: number;
  readonly seconds: number;
  readonly celsius: number;
  readonly volumeMl: number;
  /** Absent in records kept before cautions stood with their steps. */
  readonly cautions?: readonly Caution[];
};

/** The plan a batch was started from. */
export type RecordedPlan = {
  readonly recipeName: string;
  readonly litres: number;
  readonly viscosity: number;
  readonly band: Band;
  readonly vesselId: string;
  readonly vesselName: string;
  readonly burnerName: string;
  readonly seconds: number;
  readonly steps: readonly RecordedStep[];
  readonly cautions: readonly string[];
};

export type Batch = {
  readonly id: string;
  readonly recipeId: string;
  readonly recipeVersion: number;
  readonly plan: RecordedPlan;
  readonly startedAt: string;
  readonly serveAt: string | null;
  readonly events: readonly BatchEvent[];
};
