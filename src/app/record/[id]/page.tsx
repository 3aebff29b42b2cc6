import { notFound } from 'next/navigation';
import { dateMark, dateWords, ifColdWords } from '../../../core/keep/dates';
import { codeOf } from '../../../core/keep/labels';
import { lotState } from '../../../core/keep/safe/fold';
import { rulesIn } from '../../../core/keep/standing';
import { message } from '../../../core/message/message';
import { theLot } from '../../../server/actions/keep/keep';
import { theHouse } from '../../../server/actions/kitchen';
import { theRecord } from '../../../server/actions/record';
import { pool } from '../../../server/data/database';
import { isRefusal } from '../../../server/refusal';
import { Inspected } from '../../../ui/keep/record/Inspected';
import { titled, wordsHere } from '../../reader';

export const generateMetadata = titled('Record');
export const dynamic = 'force-dynamic';

/** The record of one thing kept: what the code on its label opens. */
export default async function LotRecordPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const found = await Promise.all([
    theLot(pool(), id),
    theRecord(pool(), { lot: id }),
    theHouse(pool()),
  ]).catch((error: unknown) => {
    if (isRefusal(error)) return null;
    throw error;
  });
  if (!found) notFound();
  const [lot, record, house] = found;
  const state = lotState(lot, house.keeping);
  const say = await wordsHere(house.show);
  const mark = state && dateMark(state, rulesIn(house), Date.now());
  const useBy = state?.over
    ? say(message('over'))
    : mark?.useBy
      ? say(message('use by {day}', { day: dateWords(mark) }))
      : mark
        ? say(dateWords(mark))
        : '';
  const condition = mark && !state?.over ? ifColdWords(mark) : null;
  return (
    <Inspected
      record={record}
      of={{
        name: state?.put.name ?? codeOf(id),
        code: codeOf(id),
        useBy: condition ? `${useBy}, ${say(condition)}` : useBy,
      }}
    />
  );
}
