import type { Node, Sure } from './node';
import { type Mode, NEVER } from './problem';
import type { Space } from './space';

function mark(level: Uint8Array, { begin, end, amount }: Sure, origin: number, sign: 1 | -1): void {
  const to = Math.min(level.length, end - origin);
  for (let at = Math.max(0, begin - origin); at < to; at++) level[at] = (level[at] as number) + sign * amount;
}

/**
 * Takes away the modes for which what is certain of the others leaves no room, and the starts no mode has. False
 * when a task has none left.
 */
export function fitModes(space: Space, node: Node): boolean {
  if (space.span === 0) return true;
  const { resources } = space.problem;
  const level = resources.map(() => new Uint8Array(space.span));
  const own: (Sure & { resource: number })[][] = Array.from({ length: space.size }, () => []);
  for (let r = 0; r < resources.length; r++)
    for (const part of space.users[r] ?? []) {
      const certain = space.core(node, part);
      if (!certain) continue;
      own[part.task]?.push({ ...certain, resource: r });
      mark(level[r] as Uint8Array, certain, space.origin, 1);
    }
  for (let i = 0; i < space.size; i++) {
    if (space.place(i + 1, 0) - space.place(i, 0) < 2) continue;
    const mine = own[i] as (Sure & { resource: number })[];
    for (const c of mine) mark(level[c.resource] as Uint8Array, c, space.origin, -1);
    let earliest = NEVER;
    const begin = space.place(i, 0);
    for (let at = begin; at < space.place(i + 1, 0); at++) {
      if (!node.alive[at]) continue;
      const start = firstStart(space, node, i, space.mode(i, at - begin), level);
      if (start === NEVER) {
        node.alive[at] = 0;
        space.stamps[i] = ++space.clock;
      }
      earliest = Math.min(earliest, start);
    }
    for (const c of mine) mark(level[c.resource] as Uint8Array, c, space.origin, 1);
    if (earliest === NEVER || !space.raise(node, i, earliest)) return false;
  }
  return true;
}

/** The first start of a mode that what is certain of the others leaves room for; {@link NEVER} where there is none. */
function firstStart(
  space: Space,
  node: Node,
  task: number,
  mode: Mode,
  level: readonly Uint8Array[],
): number {
  let start = node.est[task] as number;
  const latest = Math.min(node.lst[task] as number, mode.latest ?? NEVER);
  for (let moved = true; moved; ) {
    moved = false;
    if (start > latest) return NEVER;
    for (const use of mode.uses) {
      const room = (space.problem.resources[use.resource]?.capacity ?? 0) - use.amount;
      const taken = level[use.resource] as Uint8Array;
      const begin = Math.max(0, (use.since ?? start + use.from) - space.origin);
      const end = Math.min(space.span, start + use.to - space.origin);
      // From the back: it has to begin after the last moment that is full.
      for (let at = end - 1; at >= begin; at--) {
        if ((taken[at] as number) <= room) continue;
        if (use.since !== undefined) return NEVER;
        start = at + space.origin + 1 - use.from;
        moved = true;
        break;
      }
      if (moved) break;
    }
  }
  return start;
}
