import * as z from 'zod';
import { WaterTest } from '../core/learn/waterTest';
import { issue } from '../core/message/told';
import { By, Note } from './saying';

/** The whole kitchen as changed from `revision`. */
export const SavedKitchen = z.object({
  kitchen: z.unknown(),
  revision: z.int({ error: issue('revision is the number the kitchen was read with') }),
  note: Note,
  by: By,
});

/** An old revision to be the newest again. */
export const RestoredKitchen = z.object({
  revision: z.int({ error: issue('revision is a number') }),
  by: By,
});

/** A water test as it was read. The same id twice does it once. */
export const WaterTestAsked = z.object({
  id: z.uuid({ error: issue('id is a UUID made by the station') }),
  vesselId: z.string(),
  burnerId: z.string(),
  readings: WaterTest,
  by: By,
});

/** A funnel as it was calibrated. */
export const FunnelAsked = z.object({
  name: z
    .string({ error: issue('give the funnel a name') })
    .trim()
    .min(1, issue('give the funnel a name'))
    .max(60),
  orificeMm: z.unknown(),
  ml: z.unknown(),
  thin: z.unknown(),
  thick: z.unknown(),
  by: By,
});

/** An import to go back on. */
export const UndoneImport = z.object({
  id: z.uuid({ error: issue('id is the id of an import') }),
  /** Go back although the kitchen was changed since. */
  anyway: z.boolean({ error: issue('anyway is true or false') }).default(false),
});

/** What taking an archive in brought, or would. */
export type TakenIn = {
  readonly kitchen: string;
  readonly newRecipes: readonly string[];
  readonly newVersions: readonly string[];
  readonly newBatches: number;
  /** Ids of the services it brought; absent of imports made before there were any. */
  readonly newServices?: readonly string[];
  /** Ids of what is kept that it brought; absent of imports made before anything was. */
  readonly newLots?: readonly string[];
  /** Ids of the lines of the kitchen itself that it brought; absent of imports made before they were counted. */
  readonly newLines?: readonly string[];
  /** Ids of pots measured, of what was set by hand and of a notebook’s batches; absent of imports made before they were counted. */
  readonly newTests?: readonly string[];
  readonly newActs?: readonly string[];
  readonly newPast?: readonly string[];
  /** Batches left out, whose lines are put away where the archive comes from; absent of imports made before any could be. */
  readonly notWhole?: number;
  /** Of the import, to undo it by; null when nothing was written. */
  readonly importId: string | null;
};

/** Backups that are made by themselves: in which folder, and when the newest was made; null before there is one. */
export type BackupsTold = { readonly folder: string; readonly newest: string | null };

/** An import that stands or stood. */
export type ImportTold = { readonly id: string; readonly madeAt: string; readonly taken: TakenIn };
