import type { KeepOpened, KeptRecord } from '../../contract/keep';
import { type JsonText, jsonText } from '../../contract/routes';
import { pool } from '../data/database';
import { isLongLot, isLongShelf, isLongSpan } from '../queries/long';
import { work } from '../work/work';
import { openKeep } from './keep/keep';
import { type LotRecord, type RecordAsked, theLotRecord, theRecord } from './record';

/** What is read long is read on a thread of its own and comes as text; what is not is read here, without waiting for a thread. */

/** A page of the record, as JSON text. */
export async function recordPage(asked: RecordAsked): Promise<JsonText<KeptRecord>> {
  const long = asked.lot
    ? await isLongLot(pool(), asked.lot)
    : await isLongSpan(pool(), asked.from ?? null, asked.to ?? null);
  return long ? work('recordPage', asked) : jsonText(await theRecord(pool(), asked));
}

/** As {@link recordPage}, read. */
export const readRecordPage = async (asked: RecordAsked): Promise<KeptRecord> =>
  JSON.parse(await recordPage(asked));

/** The record of one thing kept, with what its label says. */
export async function readLotRecord(asked: RecordAsked & { readonly lot: string }): Promise<LotRecord> {
  return (await isLongLot(pool(), asked.lot))
    ? JSON.parse(await work('lotRecord', asked))
    : theLotRecord(pool(), asked);
}

/** All that is kept, as JSON text. */
export async function keepOpened(mend: boolean): Promise<JsonText<KeepOpened>> {
  return (await isLongShelf(pool()))
    ? work('keepOpen', { mend })
    : jsonText(await openKeep(pool(), { mend }));
}

/** As {@link keepOpened}, read. */
export const readKeepOpened = async (mend: boolean): Promise<KeepOpened> =>
  JSON.parse(await keepOpened(mend));
