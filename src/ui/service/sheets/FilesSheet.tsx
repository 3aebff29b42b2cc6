'use client';

import { CalendarDays, Download, Printer, TriangleAlert } from 'lucide-react';
import { useState } from 'react';
import { v4 as uuid } from 'uuid';
import type { Message } from '../../../core/message/message';
import type { OpenedService } from '../../../core/service/openService';
import { clockOf, copied, type Service } from '../../../core/service/service';
import { shortDay } from '../../../core/service/words/dayWords';
import { ask, problemWords } from '../../device/line/api';
import { readRole } from '../../device/useRole';
import { FileButton } from '../../shared/form/FileButton';
import { useSay } from '../../shared/hooks/useSay';
import { Sheet } from '../../shared/Sheet';
import { BUTTON } from '../../shared/styles';

type Props = {
  readonly service: Service;
  readonly recipeName: (id: string) => string;
  readonly onChange: (next: Service) => void;
  readonly onOpen: (id: string, day: string) => void;
  readonly onClose: () => void;
};

type FileRead = Exclude<OpenedService, { kind: 'refused' | 'cycle' }>;

/** The service on paper and in files, and files that come in. What cannot be read is said, and changes nothing. */
export function FilesSheet({ service, recipeName, onChange, onOpen, onClose }: Props) {
  const say = useSay();
  const [refused, setRefused] = useState<Message | null>(null);
  const [read, setRead] = useState<FileRead | null>(null);
  const open = async (chosen: File) => {
    setRefused(null);
    setRead(null);
    const answer = await ask('POST /api/services/open', { body: await chosen.text() });
    if (!answer.ok) return setRefused(problemWords(answer.problems));
    if (answer.body.kind !== 'cycle') setRead(answer.body);
  };
  const keep = async (made: Service) => {
    const answer = await ask('PUT /api/services', { body: { service: made, base: 0, by: readRole() } });
    if (!answer.ok) return setRefused(problemWords(answer.problems));
    onClose();
    onOpen(made.id, made.day);
  };
  return (
    <Sheet open onOpenChange={(o) => o || onClose()} title={say('Files')}>
      <div className="grid gap-3 p-4">
        <Out service={service} />
        <FileButton
          id="service-file"
          words={say('Open a service, a calendar, or covers as CSV')}
          accept=".json,.csv,.ics,text/calendar,text/csv,application/json"
          look={BUTTON}
          onFile={(chosen) => void open(chosen)}
        />
        {refused && (
          <p role="alert" className="font-bold text-tomato">
            {say(refused)}
          </p>
        )}
        {read && (
          <Read
            read={read}
            service={service}
            recipeName={recipeName}
            onKeep={(made) => void keep(made)}
            onCovers={(covers) => {
              onChange({ ...service, covers });
              onClose();
            }}
          />
        )}
      </div>
    </Sheet>
  );
}

/** The service on paper and as files. */
function Out({ service }: Pick<Props, 'service'>) {
  const say = useSay();
  const file = (as: string) => `/api/services/${service.id}/export?as=${as}`;
  return (
    <>
      <a className={BUTTON} href={`/service/print?id=${service.id}`} target="_blank" rel="noreferrer">
        <Printer size={22} aria-hidden /> {say('Print for the wall')}
      </a>
      <a className={BUTTON} href={`/service/allergens?id=${service.id}`} target="_blank" rel="noreferrer">
        <TriangleAlert size={22} aria-hidden /> {say('Allergens for the pass')}
      </a>
      <a className={BUTTON} href={file('ics')} download>
        <CalendarDays size={22} aria-hidden /> {say('Calendar of the day')}
      </a>
      <a className={BUTTON} href={`/api/services/cycle?day=${service.day}`} download>
        <CalendarDays size={22} aria-hidden /> {say('Calendar of the menu, from this day')}
      </a>
      <a className={BUTTON} href={file('csv')} download>
        <Download size={22} aria-hidden /> {say('List of the day as CSV')}
      </a>
      <a className={BUTTON} href={file('json')} download>
        <Download size={22} aria-hidden /> {say('Service as JSON')}
      </a>
    </>
  );
}

type ReadProps = Pick<Props, 'service' | 'recipeName'> & {
  readonly read: FileRead;
  readonly onKeep: (made: Service) => void;
  readonly onCovers: (covers: number) => void;
};

/** What a file holds, each of it a tap away. */
function Read({ read, service, recipeName, onKeep, onCovers }: ReadProps) {
  const say = useSay();
  return (
    <>
      {read.kind === 'service' && (
        <div className="grid gap-2 rounded-sm border-2 border-ink p-3">
          <p className="font-bold">
            {say('{name}, {day}: {soups}', {
              name: read.service.name,
              day: shortDay(read.service.day),
              soups: { and: read.service.soups.map((s) => recipeName(s.order.recipeId)) },
            })}
          </p>
          <button
            type="button"
            className={BUTTON}
            onClick={() => onKeep(copied(read.service, uuid(), read.service.day))}
          >
            {say('Keep it on its day')}
          </button>
        </div>
      )}
      {read.kind === 'covers' && (
        <ul className="grid gap-2">
          {read.covers.slice(0, 14).map((c) => (
            <li key={`${c.day} ${c.name}`}>
              <button type="button" className={`${BUTTON} w-full`} onClick={() => onCovers(c.covers)}>
                {say('{covers} covers: {day} {name}', {
                  covers: c.covers,
                  day: shortDay(c.day),
                  name: c.name,
                })}
              </button>
            </li>
          ))}
        </ul>
      )}
      {read.kind === 'calendar' && (
        <ul className="grid gap-2">
          {read.dates.slice(0, 14).map((d) => (
            <li key={`${d.day} ${d.at} ${d.name}`}>
              <button
                type="button"
                className={`${BUTTON} w-full`}
                onClick={() => onKeep({ ...copied(service, uuid(), d.day), name: d.name || service.name })}
              >
                {say('Copy this service to {day}: {name}, {at}', {
                  day: shortDay(d.day),
                  name: d.name,
                  at: clockOf(d.at),
                })}
              </button>
            </li>
          ))}
        </ul>
      )}
    </>
  );
}
