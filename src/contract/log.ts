import * as z from 'zod';
import type { Batch } from '../core/batch/record';
import type { Noticed } from '../core/learn/own/changes';
import { HandActSchema } from '../core/learn/own/handAct';
import type { KnownNumber } from '../core/learn/own/standing';
import type { TiedNumbers } from '../core/learn/own/tied';
import type { WorthReading } from '../core/learn/own/worth';
import type { Calibration } from '../core/log/calibration';
import type { GivenOut, Proposed } from '../core/log/given';
import type { Logged } from '../core/log/logged';
import type { PastBatch, PastProblem } from '../core/log/notebook';
import type { Week } from '../core/log/week';
import { issue } from '../core/message/told';
import { By } from './saying';

/** A number of the house as somebody sets it, frees it, has it forgotten; or a batch that is not to count, or to count again. */
export const LearningAct = z.object({
  id: z.uuid({ error: issue('id is a UUID made by the station') }),
  by: By,
  body: HandActSchema,
});
export type LearningAct = z.infer<typeof LearningAct>;

/** A batch to be kept as it was cooked, and by whom. */
export const KeptAsCooked = z.object({ by: By });

/** A batch of the log with its day, by the kitchen’s own. */
export type DatedBatch = Logged & { readonly day: string };

/** A change that was noticed, with the day since when. */
export type DatedNotice = Noticed & { readonly day: string };

/** A notebook as it was read, and what of it was taken in: none before somebody has looked. */
export type NotebookTold = {
  /** Lines that are batches, and lines something is wrong with; the first of both. */
  readonly right: number;
  readonly wrong: number;
  readonly problems: readonly PastProblem[];
  readonly columns: { readonly read: readonly string[]; readonly left: readonly string[] };
  readonly shown: readonly PastBatch[];
  /** Of the right ones, those of soups the house has a recipe of. */
  readonly known: number;
  readonly taken: number;
  readonly teaching: number;
};

/** A page of the log, newest first; `left` batches are still to be logged. */
export type LogPage = {
  readonly batches: readonly DatedBatch[];
  readonly more: boolean;
  readonly left: number;
};

/** What the log opens with. */
export type LogOpened = LogPage & {
  /** How well what was foreseen held over the newest batches. */
  readonly calibration: Calibration;
  readonly noticed: readonly DatedNotice[];
  /** What the kitchen calls the things of which changes were noticed, by key. */
  readonly names: Readonly<Record<string, string>>;
};

/** A number with what the house calls the thing it is of. */
export type NamedNumber = KnownNumber & {
  readonly kind: string;
  readonly of: string;
  /** The day it began anew, where it did. */
  readonly day: string | null;
};

/** What a house knows of itself. */
export type HouseKnows = {
  readonly numbers: readonly NamedNumber[];
  readonly tied: readonly TiedNumbers[];
  readonly noticed: readonly DatedNotice[];
  readonly worth: readonly WorthReading[];
  /** What the soups of those batches are called, by the batch. */
  readonly soups: Readonly<Record<string, string>>;
  /** How much more freely heat leaves soup in each place than it is taken to, by what cooled there. */
  readonly places: readonly { readonly name: string; readonly by: number; readonly spread: number }[];
  readonly lessons: number;
  readonly left: number;
  readonly forgotten: Readonly<Record<string, string>>;
};

/** One number’s history: each lesson that bore on it, newest first. */
export type NumberHistory = {
  readonly number: NamedNumber;
  readonly lessons: readonly {
    readonly batch: string;
    readonly name: string;
    readonly at: string;
    readonly day: string;
    readonly leftOut: boolean;
    readonly before: { readonly by: number; readonly spread: number };
    readonly after: { readonly by: number; readonly spread: number };
    /** Under 1 where it agreed with nothing else and was believed in part. */
    readonly weight: number;
  }[];
};

/** A batch’s page. */
export type LoggedBatch = {
  readonly logged: DatedBatch;
  readonly batch: Batch | null;
  readonly kept: readonly string[];
};

/** What was given out from one day to another, and what the next may want. */
export type GivenOpened = {
  readonly from: string;
  readonly to: string;
  readonly today: string;
  readonly given: readonly GivenOut[];
  readonly tomorrow: string;
  readonly proposed: readonly Proposed[];
};

/** A week as it came to. */
export type WeekOpened = {
  readonly kitchen: string;
  readonly currency: string;
  readonly today: string;
  readonly week: Week;
};

/** How well was foreseen over the newest batches, all of them and each soup by itself. */
export type PredictsOpened = {
  readonly over: number;
  readonly all: Calibration;
  readonly soups: readonly { readonly name: string; readonly calibration: Calibration }[];
  /** The same by how a soup is thickened. */
  readonly schools: readonly { readonly name: string; readonly calibration: Calibration }[];
  /** Root of the mean square of ln minutes taken over planned, and of how many; null where none was finished. */
  readonly minutes: { readonly n: number; readonly error: number } | null;
};
