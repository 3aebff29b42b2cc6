import { same } from '../../maths/same';
import { type Board, boardOf, type Clash, moved, placeOf, settled } from '../board';
import { type BoardPlace, batchesOf, orderOf, type Service } from '../service';
import { type Here, standsFor } from './jobs';
import type { Stand } from './modes';

/** A change that makes a clash go away, tried on a copy of the board. */
export type Mend = {
  readonly key: string;
  readonly to: Partial<BoardPlace>;
  /** Minutes its flame moves to earlier; later where less than nothing. */
  readonly sooner: number;
  /** Where it goes instead, by name, and how many minutes longer it takes there. */
  readonly burner: string | null;
  readonly pot: string | null;
  readonly longer: number;
  /** Minutes it is held hot then. */
  readonly held: number;
  readonly service: Service;
};

const MOST = 3;
/** Minutes a bar is moved at most, and by how many at a time until it is nearly there. */
const FURTHEST = 120;
const STRIDE = 6;

/** Minutes × how many want too much: what a move has to lessen. */
const ailing = (board: Board): number =>
  board.clashes.reduce(
    (sum, c) => sum + (c.kind === 'shared' ? (c.until - c.from) * (c.wanted - c.there) : 0),
    0,
  );
/** Of the same thing, between the same batches or fewer, whenever it is. */
const about = (a: Clash, b: Clash): boolean =>
  a.kind === 'shared' && b.kind === 'shared'
    ? same(a.shared, b.shared) && a.keys.every((k) => b.keys.includes(k))
    : a.kind === b.kind && a.keys[0] === b.keys[0];

/** No later, and waiting no longer, than before. */
const milder = (now: Clash, before: Clash): boolean =>
  !('minutes' in now && 'minutes' in before) || now.minutes <= before.minutes;

/** The board with a batch moved, where that mends `clash` and makes nothing worse; null where it does not. */
function tried(
  service: Service,
  here: Here,
  before: Board,
  clash: Clash,
  key: string,
  to: Partial<BoardPlace>,
): Service | null {
  const next = moved(service, here, key, to);
  const board = boardOf(next, here);
  // Where several want one thing, it is enough that this one no longer does.
  if (board.clashes.some((c) => about(c, clash) && c.keys.includes(key))) return null;
  const own = board.clashes.filter((c) => c.kind !== 'shared');
  if (own.some((c) => !before.clashes.some((b) => b.kind !== 'shared' && b.id === c.id && milder(c, b))))
    return null;
  if (clash.kind === 'shared' && ailing(board) >= ailing(before)) return null;
  return ailing(board) > ailing(before) ? null : next;
}

/** The least a batch has to move, in one direction, on this stand; null where no move helps. */
function shifted(
  service: Service,
  here: Here,
  before: Board,
  clash: Clash,
  key: string,
  stand: Partial<Stand>,
  { lightAt, pinned }: Pick<BoardPlace, 'lightAt' | 'pinned'>,
  direction: 1 | -1,
): { readonly lightAt: number; readonly service: Service } | null {
  const at = (by: number) => {
    const to = lightAt + direction * by;
    const next = tried(service, here, before, clash, key, { ...stand, lightAt: to, pinned });
    return next && { lightAt: to, service: next };
  };
  for (let by = 0; by <= FURTHEST; by += STRIDE) {
    if (!at(by)) continue;
    for (let less = Math.max(0, by - STRIDE + 1); less <= by; less++) {
      const found = at(less);
      if (found) return found;
    }
  }
  return null;
}

/**
 * What would make a clash go away, each tried on the whole board: one of the batches sooner or later, on another
 * burner, in another pot. Only what mends it and makes nothing else worse; the least change first, three at most.
 */
export function mendsFor(asItLies: Service, here: Here, clash: Clash): readonly Mend[] {
  const service = settled(asItLies, here);
  const before = boardOf(service, here);
  const found: Mend[] = [];
  for (const batch of batchesOf(service)) {
    const { key } = batch;
    if (!clash.keys.includes(key) || here.live[key]) continue;
    const place = placeOf(service, batch, here);
    const table = here.tables.of(orderOf(batch, place));
    const takes = table?.minutes ?? 60;
    const add = (stand: Partial<Stand>, minutes: number, move: { lightAt: number; service: Service }) =>
      found.push({
        key,
        to: { ...stand, lightAt: move.lightAt },
        sooner: place.lightAt - move.lightAt,
        burner: stand.burnerId
          ? (here.house.burners.find((b) => b.id === stand.burnerId)?.name ?? null)
          : null,
        pot: stand.vesselId ? (here.house.vessels.find((v) => v.id === stand.vesselId)?.name ?? null) : null,
        longer: minutes - takes,
        held: Math.max(0, batch.due - (move.lightAt + minutes)),
        service: move.service,
      });
    for (const direction of [-1, 1] as const) {
      const move = shifted(service, here, before, clash, key, {}, place, direction);
      if (move) add({}, takes, move);
    }
    for (const stand of standsFor(batch, here.house)) {
      const other = {
        ...(stand.burnerId !== place.burnerId && { burnerId: stand.burnerId }),
        ...(stand.vesselId !== place.vesselId && { vesselId: stand.vesselId }),
      };
      // One thing changed at a time.
      if (Object.keys(other).length !== 1) continue;
      const there = here.tables.of(orderOf(batch, stand));
      if (!there || there.stops) continue;
      const from = { ...place, lightAt: batch.due - there.minutes };
      const move = shifted(service, here, before, clash, key, other, from, -1);
      if (move) add(other, there.minutes, move);
    }
  }
  const cost = (m: Mend) => m.held + Math.max(0, m.longer) + (m.burner || m.pot ? 5 : 0);
  const ranked = found.sort((a, b) => cost(a) - cost(b));
  // Of each batch its best move first, so that there is a choice.
  const chosen = ranked.filter(
    (m, i) => ranked.findIndex((o) => o.key === m.key && !o.burner === !m.burner && !o.pot === !m.pot) === i,
  );
  return chosen.slice(0, MOST);
}
