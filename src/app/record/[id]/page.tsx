import { notFound } from 'next/navigation';
import { codeOf } from '../../../core/keep/written/labels';
import { message } from '../../../core/message/message';
import { readLotRecord } from '../../../server/actions/reading';
import { isRefusal } from '../../../server/refusal';
import { Inspected } from '../../../ui/keep/record/Inspected';
import { titled, wordsHere } from '../../reader';

export const generateMetadata = titled('Record');
export const dynamic = 'force-dynamic';

type Props = { params: Promise<{ id: string }>; searchParams: Promise<{ page?: string }> };

/** The record of one thing kept: what the code on its label opens. */
export default async function LotRecordPage({ params, searchParams }: Props) {
  const [{ id }, { page }] = await Promise.all([params, searchParams]);
  const found = await readLotRecord({ lot: id, page: page ?? '0' }).catch((error: unknown) => {
    if (isRefusal(error)) return null;
    throw error;
  });
  if (found === null) notFound();
  const { record, name, over, dated, useBy, condition, show } = found;
  const say = await wordsHere(show);
  const until = over
    ? say(message('over'))
    : dated && useBy
      ? say(message('use by {day}', { day: useBy }))
      : useBy
        ? say(useBy)
        : '';
  return (
    <Inspected
      record={record}
      of={{
        name: name ?? codeOf(id),
        code: codeOf(id),
        useBy: condition ? `${until}, ${say(condition)}` : until,
      }}
    />
  );
}
