import ical, { ICalCalendarMethod } from 'ical-generator';
import type { Board } from '../../core/service/board';
import { clockOf, type Service } from '../../core/service/service';
import { type DayTask, todayOf } from '../../core/service/today';
import type { Words } from '../../core/text/inWords';
import { csvOf } from './csv';

/** A service with its board, as it leaves. */
export type Drawn = { readonly service: Service; readonly board: Board; readonly names: Names };

/** What things of the kitchen are called. */
export type Names = {
  readonly soups: Readonly<Record<string, string>>;
  readonly burners: Readonly<Record<string, string>>;
  readonly vessels: Readonly<Record<string, string>>;
};

/** A minute of a day on the kitchen’s own clock: floating time, RFC 5545 section 3.3.5, form 1. */
const momentOf = (day: string, minute: number): Date => {
  const at = new Date(`${day}T00:00:00`);
  at.setMinutes(minute);
  return at;
};

const tasksOf = ({ board, names }: Drawn): readonly DayTask[] =>
  todayOf(board, (id) => names.burners[id] ?? id);

/**
 * Services as a calendar (RFC 5545), in the kitchen’s own floating time: an event for each time a soup is on the pass,
 * for each batch from its flame until it is ready with its steps, and for each weighing out.
 */
export function serviceIcs(drawn: readonly Drawn[], say: Words): string {
  const calendar = ical({
    name: 'Panache',
    method: ICalCalendarMethod.PUBLISH,
    prodId: { company: 'Panache', product: 'Service', language: 'EN' },
  });
  for (const one of drawn) {
    const { service, board, names } = one;
    const soup = (key: string) => names.soups[key] ?? key;
    const event = (id: string, from: number, to: number, summary: string, more: object = {}) =>
      calendar.createEvent({
        id: `${service.id}-${id}`,
        start: momentOf(service.day, from),
        end: momentOf(service.day, Math.max(to, from + 1)),
        floating: true,
        summary,
        categories: [{ name: service.name }],
        ...more,
      });
    const tasks = tasksOf(one);
    for (const { batch, table, lightAt, readyAt, mise, place } of board.bars) {
      const { key } = batch;
      const litres = say('{litres}', { litres: { litres: Math.round(batch.litres * 10) / 10 } });
      if (table && table.mise > 0)
        event(`${key}-weigh`, mise.from, mise.to, say('Weigh out: {soup}', { soup: soup(key) }));
      event(
        `${key}-cook`,
        lightAt,
        readyAt,
        say('{soup}, {litres}, on {burner}', {
          soup: soup(key),
          litres,
          burner: names.burners[place.burnerId] ?? place.burnerId,
        }),
        {
          location: names.vessels[place.vesselId] ?? place.vesselId,
          description: tasks
            .filter((t) => t.key === key)
            .map((t) => `${clockOf(t.at)} ${say(t.does)}${t.minutes > 0 ? `, ${t.minutes} min` : ''}`)
            .join('\n'),
        },
      );
      for (const [n, draw] of batch.soup.draws.entries())
        if (!batch.soup.fresh || draw.at === batch.due)
          event(`${key}-pass-${n}`, draw.at, draw.at + 5, say('On the pass: {soup}', { soup: soup(key) }));
    }
  }
  return calendar.toString();
}

/** The day’s list as CSV (RFC 4180): a line a task, times on the kitchen’s clock. */
export const serviceCsv = (drawn: Drawn, say: Words): string =>
  csvOf(
    tasksOf(drawn).map((t) => ({
      day: drawn.service.day,
      time: clockOf(t.at),
      minutes: t.minutes,
      what: t.kind,
      does: say(t.does),
      soup: drawn.names.soups[t.key] ?? t.key,
      role: t.role,
    })),
  );
