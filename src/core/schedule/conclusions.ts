import type { Node, NodeOrder, NodePart, Sure } from './node';
import { NEVER, type ResourceUse } from './problem';
import type { Space } from './space';
import { edgeFind } from './unary';

/**
 * What follows from one part being over before another begins: the later start of the one, the earlier of the
 * other. False when both cannot be.
 */
export function keepOrder(space: Space, node: Node, { first, second }: NodeOrder): boolean {
  let end = NEVER;
  for (const m of space.left(node, first.task)) end = Math.min(end, space.use(first, m)?.to ?? -NEVER);
  if (end === -NEVER) return true;
  let begin = -NEVER;
  let since = NEVER;
  let moves = false;
  for (const m of space.left(node, second.task)) {
    const use = space.use(second, m);
    if (!use) return true;
    if (use.since === undefined) {
      moves = true;
      begin = Math.max(begin, use.from);
    } else since = use.since;
  }
  if (!moves) return space.lower(node, first.task, since - end);
  if (since !== NEVER) return true;
  const lag = end - begin;
  return (
    space.raise(node, second.task, (node.est[first.task] as number) + lag) &&
    space.lower(node, first.task, (node.lst[second.task] as number) - lag)
  );
}

/** Takes away the modes that would start too late. False when a task has none left. */
export function pruneModes(space: Space, node: Node): boolean {
  for (let i = 0; i < space.size; i++) {
    let latest = -NEVER;
    const begin = space.place(i, 0);
    for (let at = begin; at < space.place(i + 1, 0); at++) {
      if (!node.alive[at]) continue;
      const own = space.mode(i, at - begin).latest ?? NEVER;
      if ((node.est[i] as number) > own) {
        node.alive[at] = 0;
        space.stamps[i] = ++space.clock;
      } else latest = Math.max(latest, own);
    }
    if (latest === -NEVER) return false;
    if (!space.lower(node, i, latest)) return false;
  }
  return true;
}

/** What follows from a resource only one can have, by edge-finding, forwards in time and backwards. False when not all can have it. */
export function alone(space: Space, node: Node, resource: number): boolean {
  const parts: NodePart[] = [];
  const uses: ResourceUse[] = [];
  for (const part of space.users[resource] ?? []) {
    const use = space.settled(node, part);
    if (!use || use.to <= use.from) continue;
    // Over before the moment it would begin: it takes nothing.
    if (use.since !== undefined && (node.lst[part.task] as number) + use.to <= use.since) continue;
    parts.push(part);
    uses.push(use);
  }
  const size = parts.length;
  if (size < 2) return true;
  const release = new Int32Array(size);
  const deadline = new Int32Array(size);
  const length = new Int32Array(size);
  for (let k = 0; k < size; k++) {
    const { from, to, since } = uses[k] as ResourceUse;
    const task = (parts[k] as NodePart).task;
    const est = node.est[task] as number;
    release[k] = since ?? est + from;
    deadline[k] = (node.lst[task] as number) + to;
    // What stands about from a set moment takes that long at least.
    length[k] = since === undefined ? to - from : Math.max(0, est + to - since);
  }
  const before = { size, release, deadline, length };
  if (!edgeFind(before)) return false;
  for (let k = 0; k < size; k++) {
    const { from, since } = uses[k] as ResourceUse;
    if (since !== undefined) {
      if ((release[k] as number) > since) return false;
    } else if (!space.raise(node, (parts[k] as NodePart).task, (release[k] as number) - from)) return false;
  }
  // The same, read backwards in time, for the deadlines.
  const mirrored = { size, release: new Int32Array(size), deadline: new Int32Array(size), length };
  for (let k = 0; k < size; k++) {
    const { from, to, since } = uses[k] as ResourceUse;
    const task = (parts[k] as NodePart).task;
    mirrored.release[k] = -((node.lst[task] as number) + to);
    mirrored.deadline[k] = -(since ?? (node.est[task] as number) + from);
  }
  if (!edgeFind(mirrored)) return false;
  for (let k = 0; k < size; k++)
    if (
      !space.lower(
        node,
        (parts[k] as NodePart).task,
        -(mirrored.release[k] as number) - (uses[k] as ResourceUse).to,
      )
    )
      return false;
  return true;
}

/** What follows from a resource several can have, by a timetable of what is certainly taken. False when that is too much. */
export function together(space: Space, node: Node, resource: number): boolean {
  const capacity = space.problem.resources[resource]?.capacity ?? 0;
  const sure: Sure[] = [];
  const open: { task: number; use: ResourceUse }[] = [];
  for (const part of space.users[resource] ?? []) {
    const certain = space.core(node, part);
    if (certain) sure.push(certain);
    const use = space.settled(node, part);
    if (use && use.to > use.from) open.push({ task: part.task, use });
  }
  if (sure.length === 0) return true;
  const moments = [...new Set(sure.flatMap((s) => [s.begin, s.end]))].sort((a, b) => a - b);
  const level = moments.map((at) =>
    sure.reduce((sum, s) => (s.begin <= at && s.end > at ? sum + s.amount : sum), 0),
  );
  if (level.some((l) => l > capacity)) return false;
  for (const { task, use } of open) {
    if (use.since !== undefined) continue;
    // Past every stretch that has no room for it beside what is surely there of the others.
    for (let k = 0; k + 1 < moments.length; k++) {
      const from = moments[k] as number;
      const to = moments[k + 1] as number;
      let others = level[k] as number;
      if (others + use.amount <= capacity) continue;
      for (const s of sure) if (s.task === task && s.begin <= from && s.end > from) others -= s.amount;
      if (others + use.amount <= capacity) continue;
      const est = node.est[task] as number;
      if (est + use.from < to && est + use.to > from && !space.raise(node, task, to - use.from)) return false;
    }
  }
  return true;
}
