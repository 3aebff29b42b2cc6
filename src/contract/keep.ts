import * as z from 'zod';
import type { KeepEvent } from '../core/keep/events';
import type { Lot } from '../core/keep/lot';
import type { Entry } from '../core/keep/written/entries';
import { LABEL_SIZES } from '../core/keep/written/labels';
import type { House } from '../core/kitchen/house';
import { issue } from '../core/message/told';
import type { DaysAway } from '../core/record/awayWords';
import type { Head } from '../core/record/chain';

/** All of what is kept here, and what it is judged by. */
export type KeepOpened = {
  readonly lots: readonly Lot[];
  /** How many more are kept, older than these. */
  readonly more: number;
  readonly kitchenLines: readonly KeepEvent[];
  readonly filmLines: readonly KeepEvent[];
  readonly head: Head;
  /** What it is kept in and at. */
  readonly house: Pick<House, 'keeping' | 'vessels'>;
};

/** The record of some days, or of one thing kept. */
export type KeptRecord = {
  readonly kitchen: string;
  readonly from: string;
  readonly to: string;
  readonly lot: string | null;
  readonly entries: readonly Entry[];
  /** Where the entries stand in all there are of these days: from, counted from 0, and of how many. */
  readonly at: number;
  readonly of: number;
  /** How many of all of them stand out. */
  readonly loud: number;
  /**
   * ms up to which it is whole; null where that is to its end. More was there than one record takes: what comes
   * after is asked for by itself.
   */
  readonly wholeTo: number | null;
  readonly signed: readonly {
    readonly from: string;
    readonly to: string;
    readonly by: string;
    readonly at: string;
    readonly note: string;
  }[];
  readonly madeAt: string;
  readonly head: Head;
  /** Days whose lines of batches are put away in files. */
  readonly away: readonly DaysAway[];
};

const HeadAsked = z.object({
  n: z.int().min(1),
  hash: z.string().regex(/^[0-9a-f]{64}$/, issue('a hash is 64 hexadecimal digits')),
});

/** How far the record is to be followed, against which heads. */
export const VerifyAsked = z.object({
  heads: z.array(HeadAsked).max(100),
  after: HeadAsked.optional(),
  atMost: z.int().min(1).max(1_000_000).optional(),
});

/** Labels of one thing kept. */
export const LabelsAsked = z.object({
  lot: z.string().min(1, issue('something kept')),
  size: z.enum(LABEL_SIZES.map((s) => s.id)),
  count: z.coerce.number().int().min(1, issue('at least one label')).max(200),
  from: z.coerce.number().int().min(0).max(40).default(0),
});
