import type { House } from '../../kitchen/house';
import { feasible } from '../../schedule/schedule';
import { batchesOf, type Service, type ServiceBatch, type Soup } from '../service';
import { Timetables } from '../timetables';
import { type Here, jobsOf, standsFor } from './jobs';
import type { Relief } from './relief';

/** Minutes tried, the least first. */
const SOONER = [15, 30, 45, 60, 90, 120, 180];
const LATER = [5, 10, 15, 20, 30, 45, 60, 90];
const LESS = [1, 2, 4, 8, 16];

const can = (service: Service, here: Here): boolean => {
  const jobs = jobsOf(service, here, (b) => standsFor(b, here.house));
  return jobs.nowhere.length === 0 && feasible(jobs.problem) === true;
};

const later = (soup: Soup, minutes: number): Soup => ({
  ...soup,
  draws: soup.draws.map((d) => ({ ...d, at: d.at + minutes })),
});

const changed = (service: Service, id: string, change: (soup: Soup) => Soup): Service => ({
  ...service,
  soups: service.soups.map((s) => (s.id === id ? change(s) : s)),
});

const litres = (batches: readonly ServiceBatch[], soup: string): number =>
  batches.filter((b) => b.soup.id === soup).reduce((sum, b) => sum + b.litres, 0);

/** A kitchen with one more of a pot or burner. */
function twin(house: House, of: 'vessels' | 'burners', id: string): House {
  const one = house[of].find((x) => x.id === id);
  if (!one) return house;
  return { ...house, [of]: [...house[of], { ...one, id: `${id}-twin` }] };
}

/** Each different size of pot, and strength of burner, once; the smallest first. */
const kinds = <T>(all: readonly T[], key: (t: T) => number): readonly T[] =>
  all.filter((a, i) => all.findIndex((b) => key(b) === key(a)) === i).toSorted((a, b) => key(a) - key(b));

/**
 * The smallest things that would each make a service possible that is not: sooner, later, less, one more of what is
 * short, or one soup fewer. Each is tried on the whole service. Yields every one as it is found.
 */
export function* reliefs(
  service: Service,
  here: Here,
  recipes: ConstructorParameters<typeof Timetables>[1],
): Generator<Relief | null> {
  const { house, now } = here;
  const first = <T>(all: readonly T[], make: (t: T) => Service): T | undefined =>
    all.find((t) => can(make(t), here));
  const batches = batchesOf(service);
  const opens = (minutes: number): Service => ({ ...service, opens: service.opens - minutes });
  const sooner = SOONER.filter((m) => service.opens - m >= 0 && (now === null || service.opens - m >= now));
  const by = first(sooner, opens);
  yield by === undefined ? null : { kind: 'sooner', minutes: by, service: opens(by) };
  const all = (minutes: number): Service => ({
    ...service,
    soups: service.soups.map((s) => later(s, minutes)),
  });
  const whole = first(LATER, all);
  yield whole === undefined ? null : { kind: 'later', minutes: whole, soup: null, service: all(whole) };
  for (const { id } of service.soups) {
    const one = (minutes: number) => changed(service, id, (s) => later(s, minutes));
    const minutes = first(LATER, one);
    yield minutes === undefined ? null : { kind: 'later', minutes, soup: id, service: one(minutes) };
  }
  for (const soup of service.soups) {
    if (soup.draws.length < 2 || soup.fresh) continue;
    const fresh = changed(service, soup.id, (s) => ({ ...s, fresh: true }));
    yield can(fresh, here) ? { kind: 'fresh', soup: soup.id, service: fresh } : null;
  }
  const hand = { ...service, hands: service.hands + 1 };
  yield can(hand, here) ? { kind: 'hand', service: hand } : null;
  for (const tool of ['stick blender', 'jug blender', 'sieve'] as const) {
    const more = { ...service, tools: { ...service.tools, [tool]: service.tools[tool] + 1 } };
    yield can(more, here) ? { kind: 'tool', tool, service: more } : null;
  }
  for (const [of, kind] of [
    ['vessels', 'pot'],
    ['burners', 'burner'],
  ] as const) {
    const choices: readonly { id: string; name: string; size: number }[] =
      of === 'vessels'
        ? house.vessels.map((v) => ({
            id: v.id,
            name: v.name,
            size: v.diameterMm * v.diameterMm * v.heightMm,
          }))
        : house.burners.map((b) => ({ id: b.id, name: b.name, size: b.powerW }));
    const found = kinds(choices, (c) => c.size).find((c) => {
      const larger = twin(house, of, c.id);
      const tables = new Timetables(
        larger,
        recipes,
        here.tables instanceof Timetables ? here.tables : undefined,
      );
      return can(service, { ...here, house: larger, tables });
    });
    yield found ? { kind, like: found.name, service: null } : null;
  }
  for (const soup of service.soups) {
    const now = litres(batches, soup.id);
    const less = (by: number): Service =>
      changed(service, soup.id, (s) => ({ ...s, amount: { litres: Math.round((now - by) * 10) / 10 } }));
    const found = first(
      LESS.filter((by) => by < now * 0.6),
      less,
    );
    yield found === undefined ? null : { kind: 'less', soup: soup.id, litres: found, service: less(found) };
  }
  if (service.soups.length > 1)
    for (const { id } of service.soups) {
      const without = { ...service, soups: service.soups.filter((s) => s.id !== id) };
      yield can(without, here) ? { kind: 'without', soup: id, service: without } : null;
    }
}
