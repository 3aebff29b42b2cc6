import * as z from 'zod';
import { issue } from '../core/message/told';
import type { MergeTold } from '../core/service/merge';
import type { Cycle, Service } from '../core/service/schema';
import { momentOf } from '../core/units/moment';
import { By } from './saying';

const Base = z.int({ error: issue('base is the revision it was changed from') }).min(0);

/** A service as changed from `base`; 0 for a new one. */
export const SavedServiceAsked = z.object({ service: z.unknown(), base: Base, by: By });

/** The menu cycle as changed from `base`. */
export const SavedCycleAsked = z.object({ cycle: z.unknown(), base: Base, by: By });

/** A batch of a service to be lit. */
export const StartOnBoard = z.object({
  key: z.string().min(1).max(70),
  id: z.uuid({ error: issue('id is a UUID made by the station') }),
  startedAt: momentOf('startedAt'),
  serveAt: momentOf('serveAt'),
  anyway: z.boolean().optional(),
  by: By,
});

export type StoredService = { readonly service: Service; readonly revision: number };

export type SavedService = StoredService & {
  /** What somebody else had changed meanwhile too, and stands as they have it. */
  readonly told: readonly MergeTold[];
};

/** A day on which there is a service. */
export type NearDay = {
  readonly day: string;
  readonly id: string;
  readonly name: string;
  readonly soups: number;
};

/** A day as the board opens it: its services, the days near it that have any, and what the menu cycle would bring. */
export type DayOpened = {
  readonly day: string;
  readonly services: readonly StoredService[];
  readonly near: readonly NearDay[];
  readonly cycle: Cycle | null;
  /** What the cycle is changed from; 0 where there is none. */
  readonly cycleRevision: number;
  /** Services the cycle has for this day, to copy. */
  readonly turn: readonly Service[];
  readonly week: number;
  /** Covers of the last services on this day of the week, in the middle; null where there were none. */
  readonly usual: number | null;
};
