import { ORDER_BOUNDS } from '../order/bounds';
import type { Order } from '../order/order';
import { DAY_MS } from '../units/moment';
import type { BoardPlace, Cycle, Service, Soup } from './schema';

export type { BoardPlace, Cycle, Service, Soup };

/** What is used at a time by one pot only: what breaks soup open, and the sieve. */
export const TOOLS = ['stick blender', 'jug blender', 'sieve'] as const;
export type Tool = (typeof TOOLS)[number];

/** "11:45" as minutes since midnight; null when it is not a time. */
export function minutesOf(text: string): number | null {
  const m = /^\s*(\d{1,2}):(\d{2})\s*$/.exec(text);
  if (!m || Number(m[1]) > 23 || Number(m[2]) > 59) return null;
  return Number(m[1]) * 60 + Number(m[2]);
}

/** Minutes since midnight as a clock shows them: "11:45". */
export function clockOf(minutes: number): string {
  const m = ((Math.round(minutes) % 1440) + 1440) % 1440;
  return `${String(Math.floor(m / 60)).padStart(2, '0')}:${String(m % 60).padStart(2, '0')}`;
}

/** Day of the week, Monday 0. */
export const weekdayOf = (day: string): number => (new Date(`${day}T00:00:00Z`).getUTCDay() + 6) % 7;

export const dayAfter = (day: string, days: number): string =>
  new Date(Date.parse(`${day}T00:00:00Z`) + days * DAY_MS).toISOString().slice(0, 10);

/** The services a cycle has for a day, and in which of its weeks, from 0; none before it begins. */
export function turnOf(
  cycle: Cycle,
  day: string,
): { readonly week: number; readonly services: readonly string[] } {
  const days = Math.round((Date.parse(`${day}T00:00:00Z`) - Date.parse(`${cycle.from}T00:00:00Z`)) / DAY_MS);
  const { length } = cycle.weeks;
  if (days < 0 || length === 0) return { week: 0, services: [] };
  const week = Math.floor(days / 7) % length;
  return { week, services: cycle.weeks[week]?.[days % 7] ?? [] };
}

/** An id for one more soup of a recipe, its own among those of the service. */
export function freeSoupId({ soups }: Pick<Service, 'soups'>, recipeId: string): string {
  const base = recipeId.slice(0, 50);
  let id = base;
  for (let n = 2; soups.some((s) => s.id === id); n++) id = `${base}-${n}`;
  return id;
}

/** A service again on another day: its soups as they were, nothing started, each where it stood. */
export const copied = (service: Service, id: string, day: string): Service => ({
  ...service,
  id,
  day,
  started: {},
  archived: undefined,
});

/** One pot of it to be cooked: a soup, or one draw of a soup whose draws are cooked each for itself. */
export type ServiceBatch = {
  readonly key: string;
  readonly soup: Soup;
  readonly litres: number;
  /** Minutes since midnight: on the pass, and the last time it is drawn from. */
  readonly due: number;
  readonly last: number;
};

/** Litres of a soup a service takes. */
export function litresOf({ amount }: Soup, covers: number | null): number {
  if ('litres' in amount) return amount.litres;
  const litres = ((covers ?? 0) * amount.share * amount.ladleMl) / 1000;
  return Math.max(ORDER_BOUNDS.litres[0], Math.ceil(litres * 10) / 10);
}

/** mL of a ladle where nobody has said. */
const USUAL_LADLE = 250;

/** Shares to the hundredth that come to one together. */
function sharesOf(litres: readonly number[]): readonly number[] {
  const total = litres.reduce((a, b) => a + b, 0);
  const each = litres.map((l) => Math.max(0.01, Math.round((l / Math.max(0.001, total)) * 100) / 100));
  const over = each.reduce((a, b) => a + b, 0) - 1;
  const largest = each.indexOf(Math.max(...each));
  return each.map((s, n) => (n === largest ? Math.round((s - over) * 100) / 100 : s));
}

/**
 * A service for so many covers; null where its litres are given. The first time covers are said, soups in litres share them in
 * the proportion of those litres; where they are taken back, each keeps the litres it had. What is under way stays.
 */
export function withCovers(service: Service, covers: number | null): Service {
  const { soups, started } = service;
  const isStarted = (s: Soup) => Object.keys(started).some((k) => k === s.id || k.startsWith(`${s.id}/`));
  if (covers === null)
    return {
      ...service,
      covers,
      soups: soups.map((s) =>
        'share' in s.amount && !isStarted(s) ? { ...s, amount: { litres: litresOf(s, service.covers) } } : s,
      ),
    };
  const inLitres = soups.filter((s) => 'litres' in s.amount && !isStarted(s));
  // Somebody who set some soups by covers has said which are not.
  const all = soups.every((s) => 'litres' in s.amount);
  if (service.covers !== null || !all || inLitres.length === 0) return { ...service, covers };
  const shares = sharesOf(inLitres.map((s) => litresOf(s, null)));
  return {
    ...service,
    covers,
    soups: soups.map((s) => {
      const n = inLitres.indexOf(s);
      return n < 0 ? s : { ...s, amount: { share: shares[n] ?? 0, ladleMl: USUAL_LADLE } };
    }),
  };
}

/** Everything a service has to cook, soup after soup. */
export const batchesOf = ({ soups, covers }: Pick<Service, 'soups' | 'covers'>): readonly ServiceBatch[] =>
  soups.flatMap((soup) => {
    const litres = litresOf(soup, covers);
    const parts = soup.draws.reduce((sum, d) => sum + d.part, 0);
    const first = soup.draws[0];
    const last = soup.draws.at(-1);
    if (!first || !last) return [];
    if (!soup.fresh || soup.draws.length === 1)
      return [{ key: soup.id, soup, litres, due: first.at, last: last.at }];
    return soup.draws.map((draw, n) => ({
      key: n === 0 ? soup.id : `${soup.id}/${n + 1}`,
      soup,
      litres: Math.max(ORDER_BOUNDS.litres[0], Math.round((litres * draw.part * 100) / parts) / 100),
      due: draw.at,
      last: draw.at,
    }));
  });

/** The order a batch is planned and started by, on this burner and in this pot. */
export const orderOf = (
  { soup, litres }: ServiceBatch,
  at: Pick<BoardPlace, 'burnerId' | 'vesselId'> = soup.order,
): Order => ({
  ...soup.order,
  litres,
  burnerId: at.burnerId,
  vesselId: at.vesselId,
});
