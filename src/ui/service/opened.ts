import { type Language, LOCALE } from '../../core/say/catalogue';
import type { Cycle, Service } from '../../core/service/service';

/** A day as the server opens it. */
export type DayOpened = {
  readonly day: string;
  readonly services: readonly { readonly service: Service; readonly revision: number }[];
  readonly near: readonly {
    readonly day: string;
    readonly id: string;
    readonly name: string;
    readonly soups: number;
  }[];
  readonly cycle: Cycle | null;
  readonly cycleRevision: number;
  readonly turn: readonly Service[];
  readonly week: number;
};

/** A day as it is said: "Thu 3 Dec". */
export const dayWords = (day: string, { language = 'en' }: { readonly language?: Language }): string =>
  new Intl.DateTimeFormat(LOCALE[language], {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    timeZone: 'UTC',
  })
    .format(new Date(`${day}T00:00:00Z`))
    .replace(',', '');
