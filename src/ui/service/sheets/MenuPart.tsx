'use client';

import { Repeat } from 'lucide-react';
import { useState } from 'react';
import type { DayOpened } from '../../../contract/services';
import type { Message } from '../../../core/message/message';
import { MOST_WEEKS } from '../../../core/service/bounds';
import { dayAfter, type Service, weekdayOf } from '../../../core/service/service';
import { ask, problemWords } from '../../device/line/api';
import { readRole } from '../../device/useRole';
import { useSay } from '../../shared/hooks/useSay';
import { BUTTON } from '../../shared/styles';
import { Whole } from './HouseSheet';

type Props = {
  readonly service: Service;
  readonly opened: DayOpened;
  readonly onSaved: () => void;
};

type Weeks = readonly (readonly (readonly string[])[])[];

const EMPTY: readonly (readonly string[])[] = Array.from({ length: 7 }, () => []);

/** The menu that comes round: how many weeks it has, what is in each, and this service in its week or not. */
export function MenuPart({ service, opened, onSaved }: Props) {
  const say = useSay();
  const [refused, setRefused] = useState<Message | null>(null);
  const { cycle, week, cycleRevision } = opened;
  const weekday = weekdayOf(service.day);
  const monday = dayAfter(service.day, -weekday);
  const weeks: Weeks = cycle?.weeks ?? [EMPTY];
  const comes = weeks[week]?.[weekday]?.includes(service.id) ?? false;
  const save = async (next: Weeks) => {
    const answer = await ask('PUT /api/services/cycle', {
      body: {
        cycle: { format: 'panache.cycle/1', from: cycle?.from ?? monday, weeks: next },
        base: cycleRevision,
        by: readRole(),
      },
    });
    setRefused(answer.ok ? null : problemWords(answer.problems));
    if (answer.ok) onSaved();
  };
  const toggle = () =>
    save(
      weeks.map((w, i) =>
        i === week
          ? w.map((d, n) =>
              n === weekday ? (comes ? d.filter((id) => id !== service.id) : [...d, service.id]) : d,
            )
          : w,
      ),
    );
  const count = (w: readonly (readonly string[])[]) => w.reduce((sum, d) => sum + d.length, 0);
  return (
    <section aria-label={say('The repeating menu')} className="mt-4 grid gap-3">
      <h3 className="font-bold">{say('The repeating menu')}</h3>
      <Whole
        id="menu-weeks"
        label={say('Weeks until it begins again')}
        value={weeks.length}
        low={1}
        high={MOST_WEEKS}
        onValue={(n) =>
          n !== weeks.length && void save(Array.from({ length: n }, (_, i) => weeks[i] ?? EMPTY))
        }
      />
      <button type="button" className={BUTTON} aria-pressed={comes} onClick={() => void toggle()}>
        <Repeat size={22} aria-hidden />{' '}
        {comes
          ? say('In the repeating menu, week {week}: leave it out', { week: week + 1 })
          : say('Repeat it every cycle, in week {week}', { week: week + 1 })}
      </button>
      <p className="text-[15px] text-quiet">
        {weeks
          .map((w, i) =>
            say('Week {week}: {count, plural, =0 {nothing} one {one service} other {# services}}', {
              week: i + 1,
              count: count(w),
            }),
          )
          .slice(0, 8)
          .join('. ')}
      </p>
      {refused && (
        <p role="alert" className="font-bold text-tomato">
          {say(refused)}
        </p>
      )}
    </section>
  );
}
