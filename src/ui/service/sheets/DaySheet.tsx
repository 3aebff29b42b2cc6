'use client';

import { Archive, CalendarPlus, Copy } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useCallback, useEffect, useState } from 'react';
import { v4 as uuid } from 'uuid';
import type { DayOpened } from '../../../contract/services';
import type { Message } from '../../../core/message/message';
import { isDay } from '../../../core/service/bounds';
import { copied, dayAfter, type Service } from '../../../core/service/service';
import { shortDay } from '../../../core/service/words/dayWords';
import { ask, problemWords } from '../../device/line/api';
import { readRole } from '../../device/useRole';
import { Field } from '../../shared/form/Field';
import { useSay } from '../../shared/hooks/useSay';
import { Link } from '../../shared/Link';
import { Sheet } from '../../shared/Sheet';
import { BUTTON } from '../../shared/styles';
import { MenuPart } from './MenuPart';

type Props = {
  readonly service: Service;
  readonly onChange: (next: Service) => void;
  readonly onClose: () => void;
};

/** Which service it is: its name, another day, a copy of this one, a new one, the menu that comes round. */
export function DaySheet(props: Props) {
  const { onClose } = props;
  const say = useSay();
  return (
    <Sheet wide open onOpenChange={(open) => open || onClose()} title={say('Which service')}>
      <div className="grid gap-5 p-4 min-[900px]:grid-cols-2">
        <ThisOne {...props} />
        <Near {...props} />
      </div>
    </Sheet>
  );
}

/** Another service like this one on `day`, with nothing on it. */
const emptyLike = ({ hands, opens, keptOn, wash, tools }: Service, name: string, day: string): Service => ({
  format: 'panache.service/1',
  id: uuid(),
  name,
  day,
  covers: null,
  hands,
  opens,
  keptOn,
  wash,
  tools,
  soups: [],
  placed: {},
  started: {},
});

function ThisOne({ service, onChange, onClose }: Props) {
  const say = useSay();
  const router = useRouter();
  const [to, setTo] = useState(dayAfter(service.day, 1));
  const [name, setName] = useState(service.name);
  const [refused, setRefused] = useState<Message | null>(null);
  const fits = isDay(to);
  const go = (s: Service) => {
    onClose();
    router.push(`/service?day=${s.day}&id=${s.id}`);
  };
  const keep = async (made: Service) => {
    const answer = await ask('PUT /api/services', { body: { service: made, base: 0, by: readRole() } });
    if (answer.ok) go(made);
    else setRefused(problemWords(answer.problems));
  };
  return (
    <section className="grid content-start gap-3">
      <Field
        id="service-name"
        label={say('Name')}
        value={name}
        maxLength={60}
        problem={name.trim() === '' ? say('give the service a name') : undefined}
        onChange={(e) => {
          setName(e.target.value);
          if (e.target.value.trim()) onChange({ ...service, name: e.target.value.trim() });
        }}
      />
      <Field
        id="service-to"
        label={say('Another day')}
        type="date"
        value={to}
        problem={fits ? undefined : say('there is no such day')}
        onChange={(e) => setTo(e.target.value)}
      />
      <button
        type="button"
        disabled={!fits}
        className={BUTTON}
        onClick={() => void keep(copied(service, uuid(), to))}
      >
        <Copy size={22} aria-hidden /> {say('Copy this service to that day')}
      </button>
      <button
        type="button"
        disabled={!fits}
        className={BUTTON}
        onClick={() => void keep(emptyLike(service, say('Service'), to))}
      >
        <CalendarPlus size={22} aria-hidden /> {say('A new one on that day')}
      </button>
      <button
        type="button"
        className={BUTTON}
        onClick={() => {
          onChange({ ...service, archived: true });
          onClose();
          setTimeout(() => router.push('/service'), 900);
        }}
      >
        <Archive size={22} aria-hidden /> {say('Put this service away')}
      </button>
      {refused && (
        <p role="alert" className="font-bold text-tomato">
          {say(refused)}
        </p>
      )}
    </section>
  );
}

function Near({ service, onClose }: Props) {
  const say = useSay();
  const [opened, setOpened] = useState<DayOpened | null>(null);
  const { day } = service;
  const load = useCallback(() => {
    void ask('GET /api/services', { query: { day } }).then((a) => a.ok && setOpened(a.body));
  }, [day]);
  useEffect(load, [load]);
  return (
    <section aria-label={say('Services near it')}>
      <h3 className="mb-2 font-bold">{say('Services near it')}</h3>
      <ul>
        {opened?.near.map((s) => (
          <li key={s.id}>
            <Link
              href={`/service?day=${s.day}&id=${s.id}`}
              onClick={onClose}
              aria-current={s.id === service.id ? 'page' : undefined}
              className="flex min-h-13 items-center justify-between gap-3 border-rule border-b px-2 aria-[current=page]:bg-butter aria-[current=page]:text-on-butter hover:bg-butter/25"
            >
              <span className="font-bold">{s.name}</span>
              <span>
                {say('{day}, {count, plural, =0 {no soup} one {one soup} other {# soups}}', {
                  day: shortDay(s.day),
                  count: s.soups,
                })}
              </span>
            </Link>
          </li>
        ))}
      </ul>
      {opened && <MenuPart service={service} opened={opened} onSaved={load} />}
    </section>
  );
}
