import { copied, type Node, type NodeOrder, type NodePart, type SearchLimits } from './node';
import { type JobShop, NEVER, type Placement, type ResourceUse, worth } from './problem';
import { propagate } from './propagate';
import { Space } from './space';

/** How a search stands: the best found, what it is worth, and what nothing can be under. */
export type Found = {
  readonly placement: Placement | null;
  readonly value: number;
  /** No placement is worth less. Equal to `value` when that is proven the best. */
  readonly bound: number;
  readonly nodes: number;
  readonly done: boolean;
};

/** Two parts, or more, that cannot all stand as they would at the earliest. */
type Clash = { readonly resource: number; readonly parts: readonly NodePart[]; readonly at: number };

/** How much room it is worth that a part may still go elsewhere. */
const ELSEWHERE = 20;

/** Looked at between two reports. */
const CHUNK = 32;

/** The modes a task would take: of the guide where that is still open, else the first preferred. */
function candidates(space: Space, node: Node, guide: Placement | null): readonly number[] {
  return Array.from({ length: space.size }, (_, i) => {
    const wish = guide?.modes[i];
    if (wish !== undefined && node.alive[space.place(i, wish)]) return wish;
    return space.left(node, i)[0] as number;
  });
}

type Standing = {
  readonly part: NodePart;
  readonly begin: number;
  readonly end: number;
  readonly amount: number;
};

/** Everything taken of each resource, each task as early as it can be. */
function standing(space: Space, node: Node, modes: readonly number[]): readonly (readonly Standing[])[] {
  const by: Standing[][] = space.problem.resources.map(() => []);
  for (let task = 0; task < space.size; task++) {
    const est = node.est[task] as number;
    const counts = new Map<number, number>();
    for (const use of space.mode(task, modes[task] as number).uses) {
      const nth = counts.get(use.resource) ?? 0;
      counts.set(use.resource, nth + 1);
      const begin = use.since ?? est + use.from;
      const end = est + use.to;
      if (end > begin)
        by[use.resource]?.push({
          part: { task, resource: use.resource, nth },
          begin,
          end,
          amount: use.amount,
        });
    }
  }
  return by;
}

/** How much room is left if the one goes before the other: what is tightest is decided first. */
function slack(
  space: Space,
  node: Node,
  modes: readonly number[],
  first: NodePart,
  second: NodePart,
): number {
  const a = space.use(first, modes[first.task] as number);
  const b = space.use(second, modes[second.task] as number);
  if (!a || !b) return NEVER;
  const begin = b.since ?? (node.lst[second.task] as number) + b.from;
  return begin - ((node.est[first.task] as number) + a.to);
}

function clashIn(space: Space, node: Node, modes: readonly number[]): Clash | null {
  let best: Clash | null = null;
  let tightest = Number.POSITIVE_INFINITY;
  for (const [resource, spans] of standing(space, node, modes).entries()) {
    const capacity = space.problem.resources[resource]?.capacity ?? 0;
    const byBegin = spans.toSorted((a, b) => a.begin - b.begin);
    for (const [k, s] of byBegin.entries()) {
      const here = byBegin.filter((o, n) => n <= k && o.end > s.begin);
      if (here.reduce((sum, o) => sum + o.amount, 0) <= capacity) continue;
      // As few as make it too much: the largest and, of equals, those with the least room.
      const chosen: Standing[] = [s];
      let wanted = s.amount;
      for (const o of here.filter((o) => o !== s).sort((a, b) => b.amount - a.amount || a.end - b.end)) {
        if (wanted > capacity) break;
        chosen.push(o);
        wanted += o.amount;
      }
      const parts = chosen.map((o) => o.part);
      const room = (i: NodePart, j: NodePart) => slack(space, node, modes, i, j);
      let least = Number.POSITIVE_INFINITY;
      let most = Number.NEGATIVE_INFINITY;
      for (const [x, i] of parts.entries())
        for (const j of parts.slice(x + 1)) {
          least = Math.min(least, room(i, j), room(j, i));
          most = Math.max(most, room(i, j), room(j, i));
        }
      // Whoever can go elsewhere is easily helped.
      const elsewhere = parts.filter((p) => !space.settled(node, p)).length;
      const tight = most + least / 2 + ELSEWHERE * elsewhere;
      if (tight < tightest) {
        tightest = tight;
        best = { resource, parts, at: s.begin };
      }
      if (capacity > 1) break;
    }
  }
  return best;
}

/** The task kept to modes for which `keep` holds; null when none is left. */
function narrowed(space: Space, node: Node, task: number, keep: (mode: number) => boolean): Node | null {
  const left = space.left(node, task);
  const kept = left.filter(keep);
  if (kept.length === 0 || kept.length === left.length) return null;
  const next = copied(node);
  next.touched[task] = 1;
  for (const m of left) next.alive[space.place(task, m)] = keep(m) ? 1 : 0;
  return next;
}

const isOrdered = (node: Node, a: NodePart, b: NodePart): boolean =>
  node.orders.some(({ first, second }) => (is(first, a) && is(second, b)) || (is(first, b) && is(second, a)));
const is = (a: NodePart, b: NodePart): boolean =>
  a.task === b.task && a.resource === b.resource && a.nth === b.nth;

const sameUse = (a: ResourceUse | undefined, b: ResourceUse | undefined): boolean =>
  a === b || (!!a && !!b && a.from === b.from && a.to === b.to && a.since === b.since);

/** Every way out of a clash; one of them holds in each placement there is. */
function waysOut(space: Space, node: Node, modes: readonly number[], { parts }: Clash): readonly Node[] {
  const choosing = parts.find((p) => !space.settled(node, p));
  const [a, b] = parts;
  if (choosing && (parts.length !== 2 || (a && b && isOrdered(node, a, b)))) {
    // First how it is to be: then it is known when it takes it. Modes that take it alike stay together.
    const mine = space.use(choosing, modes[choosing.task] as number);
    const alike = (m: number) => sameUse(space.use(choosing, m), mine);
    return [
      narrowed(space, node, choosing.task, alike),
      narrowed(space, node, choosing.task, (m) => !alike(m)),
    ].filter((n) => n !== null);
  }
  if (parts.length === 2 && a && b) {
    const takes = (p: NodePart) => (m: number) => space.use(p, m) !== undefined;
    const spares = (p: NodePart) => (m: number) => space.use(p, m) === undefined;
    const keep = (n: Node, p: NodePart): Node => narrowed(space, n, p.task, takes(p)) ?? n;
    const elsewhere = [
      narrowed(space, node, b.task, spares(b)),
      narrowed(space, keep(node, b), a.task, spares(a)),
    ].filter((n) => n !== null);
    const both = keep(keep(node, a), b);
    return [...elsewhere, copied(both, [{ first: a, second: b }]), copied(both, [{ first: b, second: a }])];
  }
  const out: Node[] = [];
  for (const first of parts)
    for (const second of parts)
      if (first.task !== second.task) out.push(copied(node, [{ first, second } satisfies NodeOrder]));
  return out;
}

/**
 * Branch and bound over goal `at`, within `limits`. From the placement with everything as early as it can be, it takes
 * the tightest clash and tries every way out of it: another mode, or an order of two parts; goes down the most promising,
 * then begins again at the open node with the least bound. Complete: it ends with the best there is, or
 * with none where there is none. Yields how it stands; whoever asks decides when it is enough.
 */
export function* search(
  problem: JobShop,
  at: number,
  limits: SearchLimits,
  from: Placement | null,
  known: number = NEVER,
): Generator<Found, Found> {
  const space = new Space(problem);
  const goal = problem.goals[at];
  if (!goal) throw new RangeError(`there is no goal ${at}`);
  let best: Placement | null = from;
  let value = from ? known : Math.min(NEVER, (limits[at] ?? NEVER) + 1);
  let nodes = 0;
  const ceiling = () => limits.map((l, g) => (g === at ? Math.min(l, value - 1) : l));
  const open: Node[] = [];
  const root = space.root();
  if (propagate(space, root, at, ceiling())) open.push(root);
  const state = (done: boolean): Found => {
    const least = open.reduce((low, n) => Math.min(low, n.bound), value);
    return { placement: best, value, bound: done ? value : least, nodes, done };
  };
  let plunge: Node[] = [];
  while (open.length > 0 || plunge.length > 0) {
    let node = plunge.pop();
    if (!node) {
      let least = 0;
      for (let k = 1; k < open.length; k++)
        if ((open[k] as Node).bound < (open[least] as Node).bound) least = k;
      [node] = open.splice(least, 1);
    }
    if (!node || node.bound >= value) continue;
    nodes++;
    // What was found meanwhile may have closed it.
    if (!propagate(space, node, at, ceiling())) continue;
    const modes = candidates(space, node, best);
    const clash = clashIn(space, node, modes);
    if (!clash) {
      const starts = [...node.est];
      const ends = starts.map((s, i) => s + space.mode(i, modes[i] as number).duration);
      const worthIt = worth(goal, starts, ends);
      const others = problem.goals.every(
        (g, k) => k === at || worth(g, starts, ends) <= (limits[k] ?? NEVER),
      );
      const broken = problem.precedences.some(
        (p) => (starts[p.after] as number) < (ends[p.before] as number) + p.gap,
      );
      const late = starts.some((s, i) => s > (space.mode(i, modes[i] as number).latest ?? NEVER));
      if (worthIt < value && others && !broken && !late) {
        best = { starts, modes };
        value = worthIt;
      }
      // The bound is of the shortest modes left: longer ones that were preferred hide better ones.
      const choosing = modes.findIndex((_, i) => space.left(node, i).length > 1);
      if (choosing !== -1 && (worthIt > node.bound || !others || broken || late)) {
        const split = modes.findIndex(
          (m, i) =>
            space.left(node, i).length > 1 &&
            space.left(node, i).some((o) => space.mode(i, o).duration < space.mode(i, m as number).duration),
        );
        const task = split === -1 ? choosing : split;
        for (const next of [
          narrowed(space, node, task, (m) => m === modes[task]),
          narrowed(space, node, task, (m) => m !== modes[task]),
        ])
          if (next && propagate(space, next, at, ceiling())) open.push(next);
      }
      continue;
    }
    const next = waysOut(space, node, modes, clash).filter((n) => propagate(space, n, at, ceiling()));
    // The most promising last: it is taken first.
    next.sort((x, y) => y.bound - x.bound);
    const down = next.pop();
    open.push(...next);
    plunge = down ? [down] : [];
    if (nodes % CHUNK === 0) {
      const keptOpen = plunge;
      open.push(...keptOpen);
      yield state(false);
      for (const n of keptOpen) open.splice(open.lastIndexOf(n), 1);
      for (let k = open.length - 1; k >= 0; k--) if ((open[k] as Node).bound >= value) open.splice(k, 1);
    }
  }
  return state(true);
}
