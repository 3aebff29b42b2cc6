'use client';

import { clsx } from 'clsx';
import {
  CircleQuestionMark,
  Clock,
  CornerUpLeft,
  FileDown,
  Hourglass,
  type LucideIcon,
  Thermometer,
  Trash2,
  TriangleAlert,
  Wrench,
} from 'lucide-react';
import { type Entry, LOUD, type Mark } from '../../../core/keep/written/entries';
import { type Message, message } from '../../../core/message/message';
import { dayAndTime, timeOfDay } from '../../../core/units/clock';
import { useSay } from '../../shared/hooks/useSay';
import { KeyOf } from '../../shared/KeyOf';

const MARKS: Readonly<Record<Mark, { words: Message; icon: LucideIcon }>> = {
  'over the limit': { words: message('over the limit'), icon: Thermometer },
  'cannot be told': { words: message('cannot be told'), icon: CircleQuestionMark },
  question: { words: message('a question'), icon: CircleQuestionMark },
  gap: { words: message('gap'), icon: TriangleAlert },
  late: { words: message('written late'), icon: Hourglass },
  clock: { words: message('clock off'), icon: Clock },
  'put right': { words: message('put right'), icon: Wrench },
  discarded: { words: message('thrown away'), icon: Trash2 },
  brought: { words: message('from an archive'), icon: FileDown },
  'taken back': { words: message('taken back'), icon: CornerUpLeft },
};

type Props = {
  readonly entries: readonly Entry[];
  readonly named?: boolean;
  /** Takes a line back; absent where nothing is to be changed. */
  readonly onBack?: (entry: Entry) => void;
};

/** The record line by line: time, of what, what, by whom; what is missing or wrong by word and shape. */
export function EntryTable({ entries, named = true, onBack }: Props) {
  const say = useSay();
  if (entries.length === 0)
    return <p className="p-6 text-[19px]">{say('Nothing was written down in these days.')}</p>;
  const days = entries.map((e) => dayAndTime(new Date(e.at)).split(',')[0] ?? '');
  return (
    <table className="w-full border-collapse text-left">
      <caption className="sr-only">{say('The record')}</caption>
      <thead className="sticky top-0 bg-ground">
        <tr className="border-ink border-b-2 text-[15px]">
          <th scope="col" className="px-3 py-1.5">
            {say('Time')}
          </th>
          {named && (
            <th scope="col" className="px-2 py-1.5">
              {say('Of what')}
            </th>
          )}
          <th scope="col" className="px-2 py-1.5">
            {say('What')}
          </th>
          <th scope="col" className="px-2 py-1.5 max-[600px]:hidden">
            {say('By')}
          </th>
          {onBack && (
            <th scope="col">
              <span className="sr-only">{say('Take back')}</span>
            </th>
          )}
        </tr>
      </thead>
      <tbody>
        {entries.map((e, n) => (
          <EntryRow
            key={e.id}
            entry={e}
            day={days[n] === days[n - 1] ? null : (days[n] ?? null)}
            named={named}
            {...(onBack && { onBack })}
          />
        ))}
      </tbody>
    </table>
  );
}

type RowProps = Omit<Props, 'entries'> & {
  readonly entry: Entry;
  /** The day it is of, where the line before is of another. */
  readonly day: string | null;
};

function EntryRow({ entry: e, day, named, onBack }: RowProps) {
  const say = useSay();
  const loud = e.marks.some((m) => LOUD.has(m));
  return (
    <tr
      className={clsx(
        'border-rule border-b align-top',
        e.marks.includes('taken back') && 'text-quiet line-through',
      )}
    >
      <td className="whitespace-nowrap px-3 py-1.5">
        {day !== null && <b className="block text-[14px]">{day}</b>}
        <span className="figures text-[18px]">{timeOfDay(new Date(e.at))}</span>
      </td>
      {named && <td className="w-[26%] px-2 py-1.5 leading-tight">{e.name}</td>}
      <td className={clsx('px-2 py-1.5 leading-tight', loud && 'font-bold text-tomato')}>
        {say(e.says)}
        <Marks marks={e.marks} />
        <span className="block font-normal text-[15px] text-quiet min-[600px]:hidden">
          {[e.by, e.probe].filter(Boolean).join(', ')}
        </span>
        {e.done && (
          <span className="mt-0.5 block font-normal text-[15px] text-ink">
            {e.done.what
              ? say('{what}: {by}, {at}', {
                  what: e.done.what,
                  by: e.done.by,
                  at: timeOfDay(new Date(e.done.at)),
                })
              : say('Nobody has said what was done.')}
          </span>
        )}
      </td>
      <td className="px-2 py-1.5 text-[15px] leading-tight max-[600px]:hidden">
        {e.by}
        {e.via && <KeyOf via={e.via} />}
        {e.probe && <span className="block whitespace-nowrap text-quiet">{e.probe}</span>}
      </td>
      {onBack && (
        <td className="px-1 py-0.5 text-right">
          {e.source && !e.marks.includes('taken back') && (
            <button
              type="button"
              aria-label={say('Take back: {title}', { title: say(e.says) })}
              onClick={() => onBack(e)}
              className="grid size-12 place-items-center rounded-sm border-2 border-rule"
            >
              <CornerUpLeft size={20} aria-hidden />
            </button>
          )}
        </td>
      )}
    </tr>
  );
}

function Marks({ marks }: Pick<Entry, 'marks'>) {
  const say = useSay();
  return marks.map((m) => {
    const { words, icon: Icon } = MARKS[m];
    return (
      <span
        key={m}
        className="ml-2 inline-flex items-center gap-1 whitespace-nowrap border-2 border-current px-1.5 text-[14px]"
      >
        <Icon size={14} aria-hidden /> {say(words)}
      </span>
    );
  });
}
