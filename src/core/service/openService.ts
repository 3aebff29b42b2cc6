import ICAL from 'ical.js';
import Papa from 'papaparse';
import { type Message, message } from '../message/message';
import { type FoundWrong, issueWords, valueAt } from '../words/issueWords';
import { Cycle, Day, Service } from './schema';
import { minutesOf } from './service';

/** Whom a service feeds, of a file. */
export type Covers = { readonly day: string; readonly name: string; readonly covers: number };

/** A time of a calendar a service may be made of. */
export type Dated = { readonly day: string; readonly name: string; readonly at: number };

/** What a file turned out to be, for a service. */
export type OpenedService =
  | { readonly kind: 'service'; readonly service: Service }
  | { readonly kind: 'cycle'; readonly cycle: Cycle }
  | { readonly kind: 'covers'; readonly covers: readonly Covers[] }
  | { readonly kind: 'calendar'; readonly dates: readonly Dated[] }
  | { readonly kind: 'refused'; readonly problems: readonly FoundWrong[] };

/** Lines, and events, read of a file at most. */
const MOST_LINES = 1000;
const MOST_CHARACTERS = 400_000;

const refused = (place: string, says: Message): OpenedService => ({
  kind: 'refused',
  problems: [{ place, says }],
});

function json(text: string): OpenedService {
  let body: unknown;
  try {
    body = JSON.parse(text);
  } catch {
    return refused('file', message('it begins as JSON and does not end as it'));
  }
  const format = (body as { format?: unknown } | null)?.format;
  const read = format === 'panache.cycle/1' ? Cycle.safeParse(body) : Service.safeParse(body);
  if (!read.success)
    return {
      kind: 'refused',
      problems: read.error.issues
        .slice(0, 20)
        .map((i) => ({ place: i.path.join('.') || 'file', says: issueWords(i, valueAt(body, i.path)) })),
    };
  return 'weeks' in read.data ? { kind: 'cycle', cycle: read.data } : { kind: 'service', service: read.data };
}

/** Columns by what heads them, in any case. */
function covers(text: string): OpenedService {
  const { data, meta } = Papa.parse<Record<string, string>>(text, {
    header: true,
    skipEmptyLines: true,
    transformHeader: (h) => h.trim().toLowerCase(),
  });
  const fields = meta.fields ?? [];
  for (const column of ['day', 'covers'])
    if (!fields.includes(column))
      return refused(
        'line 1',
        message('no column is headed {column}: wanted are day, covers and, if you like, name', { column }),
      );
  if (data.length > MOST_LINES)
    return refused('file', message('it has more than {most} lines', { most: MOST_LINES }));
  const problems: FoundWrong[] = [];
  const rows = data.flatMap((row, n): Covers[] => {
    const place = `line ${n + 2}`;
    const day = Day.safeParse((row.day ?? '').trim());
    const count = Number((row.covers ?? '').trim());
    if (!day.success) {
      problems.push({
        place,
        says: message('“{given}” is not a day such as {one}', { given: row.day ?? '', one: '2026-12-03' }),
      });
      return [];
    }
    if (!Number.isInteger(count) || count < 1 || count > 20_000) {
      problems.push({
        place,
        says: message('“{given}” is not a number of covers from 1 to 20000', { given: row.covers ?? '' }),
      });
      return [];
    }
    return [{ day: day.data, name: (row.name ?? '').trim().slice(0, 60), covers: count }];
  });
  return problems.length > 0 ? { kind: 'refused', problems } : { kind: 'covers', covers: rows };
}

function calendar(text: string): OpenedService {
  try {
    const events = new ICAL.Component(ICAL.parse(text)).getAllSubcomponents('vevent');
    const dates = events.slice(0, MOST_LINES).flatMap((e): Dated[] => {
      const { summary, startDate } = new ICAL.Event(e);
      if (!startDate || startDate.isDate) return [];
      const two = (n: number) => String(n).padStart(2, '0');
      const at = minutesOf(`${startDate.hour}:${two(startDate.minute)}`);
      const day = Day.safeParse(`${startDate.year}-${two(startDate.month)}-${two(startDate.day)}`);
      return at === null || !day.success ? [] : [{ day: day.data, name: (summary ?? '').slice(0, 60), at }];
    });
    if (dates.length === 0) return refused('file', message('no event of the calendar has a day and a time'));
    return { kind: 'calendar', dates };
  } catch {
    return refused('file', message('it begins as a calendar (RFC 5545) and cannot be read as one'));
  }
}

/**
 * Reads a file for the board: a service or a cycle of our own, a calendar, or covers as CSV. Never throws: what
 * cannot be read says where and why.
 */
export function openService(text: string): OpenedService {
  if (text.length > MOST_CHARACTERS)
    return refused('file', message('it has more than {most} characters', { most: MOST_CHARACTERS }));
  const plain = text.replace(/^\uFEFF/, '').trimStart();
  if (plain === '') return refused('file', message('it is empty'));
  if (plain.startsWith('{')) return json(plain);
  if (/^BEGIN:VCALENDAR/i.test(plain)) return calendar(plain);
  return covers(plain);
}
