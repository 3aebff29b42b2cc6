import { same } from '../maths/same';
import type { BoardPlace, Service, Soup } from './service';

/** What two people changed at once: theirs stands, mine is told. */
export type MergeTold =
  | { readonly what: 'soup'; readonly id: string }
  | { readonly what: 'place'; readonly key: string }
  | { readonly what: 'setting'; readonly name: string };

/** What of a table changed from `base`: mine where only I changed it, theirs where they did. */
function tables<T>(
  base: Readonly<Record<string, T>>,
  mine: Readonly<Record<string, T>>,
  theirs: Readonly<Record<string, T>>,
  clash: (key: string) => void,
): Record<string, T> {
  const made: Record<string, T> = {};
  for (const key of new Set([...Object.keys(base), ...Object.keys(mine), ...Object.keys(theirs)])) {
    const [b, m, t] = [base[key], mine[key], theirs[key]];
    const chosen = same(m, b) ? t : same(t, b) || same(t, m) ? m : t;
    if (!same(m, b) && !same(t, b) && !same(m, t)) clash(key);
    if (chosen !== undefined) made[key] = chosen;
  }
  return made;
}

const byId = (soups: readonly Soup[]): Record<string, Soup> =>
  Object.fromEntries(soups.map((s) => [s.id, s]));

const APART = new Set(['soups', 'placed', 'started']);

/** My service and theirs, both changed from `base`, as one: what only one of us changed is kept; what both did is theirs, and told. */
export function merged(
  base: Service,
  mine: Service,
  theirs: Service,
): { readonly service: Service; readonly told: readonly MergeTold[] } {
  const told: MergeTold[] = [];
  const rest = (s: Service) => Object.fromEntries(Object.entries(s).filter(([k]) => !APART.has(k)));
  const settings = tables<unknown>(rest(base), rest(mine), rest(theirs), (name) =>
    told.push({ what: 'setting', name }),
  );
  const soups = tables(byId(base.soups), byId(mine.soups), byId(theirs.soups), (id) =>
    told.push({ what: 'soup', id }),
  );
  const order = [...theirs.soups, ...mine.soups].map((s) => s.id);
  const ids = [...new Set(order)].filter((id) => soups[id]);
  return {
    service: {
      ...(settings as Service),
      soups: ids.map((id) => soups[id] as Soup),
      placed: tables<BoardPlace>(base.placed, mine.placed, theirs.placed, (key) =>
        told.push({ what: 'place', key }),
      ),
      // A batch that was started is started, whoever tapped.
      started: { ...mine.started, ...theirs.started },
    },
    told,
  };
}

const nameIn = (t: MergeTold): string => (t.what === 'soup' ? t.id : t.what === 'place' ? t.key : t.name);

/** The service with what was told put back as I had it, and nothing else of mine. */
export function withMine(service: Service, mine: Service, told: readonly MergeTold[]): Service {
  const back = (what: MergeTold['what'], name: string): boolean =>
    told.some((t) => t.what === what && nameIn(t) === name);
  const chosen = <T>(
    what: MergeTold['what'],
    theirs: Readonly<Record<string, T>>,
    ours: Readonly<Record<string, T>>,
  ) => {
    const all = { ...theirs, ...Object.fromEntries(Object.entries(ours).filter(([k]) => back(what, k))) };
    return Object.fromEntries(Object.entries(all).filter(([k]) => !back(what, k) || k in ours));
  };
  const { soups, placed, started, ...rest } = service;
  const { soups: ours, placed: places, started: _s, ...settings } = mine;
  return {
    ...(chosen('setting', rest, settings) as typeof rest),
    soups: Object.values(chosen('soup', byId(soups), byId(ours))),
    placed: chosen('place', placed, places),
    started,
  };
}
