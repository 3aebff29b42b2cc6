import type pg from 'pg';
import * as z from 'zod';
import type { KeptRecord } from '../../contract/keep';
import type { KeepEvent } from '../../core/keep/events';
import { lotState } from '../../core/keep/safe/fold';
import { rulesIn } from '../../core/keep/standing';
import { dateMark, dateWords, ifColdWords } from '../../core/keep/written/dates';
import { type Entry, entriesOf, LOUD, PAGE } from '../../core/keep/written/entries';
import { type Message, message } from '../../core/message/message';
import { issue } from '../../core/message/told';
import type { DaysAway } from '../../core/record/awayWords';
import { dayAfter } from '../../core/service/service';
import { dayOf, dayStart } from '../../core/units/clock';
import { DAY_MS } from '../../core/units/moment';
import type { Show } from '../../core/units/shown/show';
import type { Queryable } from '../data/database';
import { readKitchenLines, readLot, readLotsBetween } from '../queries/keep';
import { readPartsAway } from '../queries/record/parts';
import { readHead } from '../queries/record/seals';
import { readStove } from '../queries/record/stove';
import { accept, cannot, unknown } from '../refusal';
import { theLot } from './keep/keep';
import { theHouse } from './kitchen';

/** What of the record is asked for: days, or one thing kept; a page of it, counted from 0, or all of it. */
export type RecordAsked = {
  readonly from?: string | null;
  readonly to?: string | null;
  readonly lot?: string | null;
  readonly page?: string | null;
};

/** Most things kept in one record. */
const MOST_LOTS = 2000;

/** A page of the entries, or all of them. Refuses one that is none. */
function pageOf(
  entries: readonly Entry[],
  page: string | null | undefined,
): Pick<KeptRecord, 'entries' | 'at' | 'of' | 'loud'> {
  const loud = entries.filter((e) => e.marks.some((m) => LOUD.has(m))).length;
  if (page === null || page === undefined) return { entries, at: 0, of: entries.length, loud };
  const pages = Math.max(1, Math.ceil(entries.length / PAGE));
  const n = /^\d{1,6}$/.test(page) ? Number(page) : Number.NaN;
  if (!(n < pages)) throw cannot('page', page, message('a page from 0 to {last}', { last: pages - 1 }));
  return { entries: entries.slice(n * PAGE, (n + 1) * PAGE), at: n * PAGE, of: entries.length, loud };
}

const Day = z.iso.date({ error: issue('a day such as 2026-01-31') });

/** Longest span of a record, days. */
const MOST_DAYS = 92;

async function readDaysAway(db: Queryable, from: string): Promise<readonly DaysAway[]> {
  return (await readPartsAway(db, from)).map((p) => ({
    from: p.from && dayOf(p.from),
    to: dayOf(p.to),
    file: p.file,
  }));
}

const signedIn = (lines: readonly KeepEvent[], from: string, to: string): KeptRecord['signed'] =>
  lines.flatMap((e) =>
    e.body.kind === 'signed' && e.body.from <= to && e.body.to >= from
      ? [{ from: e.body.from, to: e.body.to, by: e.body.by, at: e.at, note: e.body.note ?? '' }]
      : [],
  );

/** The record from one day to another, both whole; or of one thing kept, all of it. Refuses a span that is none. */
export async function theRecord(db: pg.Pool, asked: RecordAsked, now = Date.now()): Promise<KeptRecord> {
  const house = await theHouse(db);
  const { dayEnds } = house.keeping;
  const today = dayOf(new Date(now), dayEnds);
  const [lines, head] = await Promise.all([readKitchenLines(db, house.id, null), readHead(db, house.id)]);
  const common = { kitchen: house.name, madeAt: new Date(now).toISOString(), head };
  if (asked.lot) {
    const lot = z.uuid().safeParse(asked.lot).success ? await readLot(db, house.id, asked.lot) : null;
    if (!lot) throw unknown('lot', asked.lot, []);
    const entries = entriesOf([lot], [], [], house, now);
    const first = entries[0]?.at ?? now;
    const days = {
      from: dayOf(new Date(first), dayEnds),
      to: dayOf(new Date(entries.at(-1)?.at ?? first), dayEnds),
    };
    return {
      ...common,
      ...days,
      away: [],
      lot: lot.id,
      ...pageOf(entries, asked.page),
      wholeTo: null,
      signed: signedIn(lines, days.from, days.to),
    };
  }
  const from = accept(Day, asked.from ?? today, 'from');
  const to = accept(Day, asked.to ?? from, 'to');
  if (to < from) throw cannot('to', to, message('not before {from}', { from }));
  const [start, end] = [dayStart(from, dayEnds), dayStart(dayAfter(to, 1), dayEnds)];
  if ((end - start) / DAY_MS > MOST_DAYS + 0.1)
    throw cannot('to', to, message('at most {most} days at once', { most: MOST_DAYS }));
  const [a, b] = [new Date(start).toISOString(), new Date(end).toISOString()];
  const [{ lots, next }, stove] = await Promise.all([
    readLotsBetween(db, house.id, a, b, MOST_LOTS),
    readStove(db, house.id, a, b),
  ]);
  const ends = [next, stove.next].flatMap((m) => (m ? [m.getTime()] : []));
  const wholeTo = ends.length > 0 ? Math.min(...ends) : null;
  const entries = entriesOf(lots, lines, stove.readings, house, now).filter(
    (e) => e.at >= start && e.at < (wholeTo ?? end),
  );
  return {
    ...common,
    from,
    to,
    away: await readDaysAway(db, a),
    lot: null,
    ...pageOf(entries, asked.page),
    wholeTo,
    signed: signedIn(lines, from, to),
  };
}

/** The record of one thing kept, with what its label says of it. */
export type LotRecord = {
  readonly record: KeptRecord;
  readonly name: string | null;
  readonly over: boolean;
  /** Its last day, or why it has none; and on what condition. */
  readonly useBy: Message | null;
  readonly dated: boolean;
  readonly condition: Message | null;
  readonly show: Show;
};

/** {@link theRecord} of one thing kept, with what its label says. Refuses one that is none’s. */
export async function theLotRecord(
  db: pg.Pool,
  asked: RecordAsked & { readonly lot: string },
): Promise<LotRecord> {
  const [lot, record, house] = await Promise.all([theLot(db, asked.lot), theRecord(db, asked), theHouse(db)]);
  const state = lotState(lot, house.keeping);
  const mark = state && dateMark(state, rulesIn(house), Date.now());
  const over = state?.over != null;
  return {
    record,
    name: state?.put.name ?? null,
    over,
    dated: mark?.useBy != null,
    useBy: mark && !over ? dateWords(mark) : null,
    condition: mark && !over ? ifColdWords(mark) : null,
    show: house.show,
  };
}
