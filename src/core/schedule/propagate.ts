import { alone, keepOrder, pruneModes, together } from './conclusions';
import { fitModes } from './fitModes';
import type { Node, SearchLimits } from './node';
import { NEVER, type Objective, worth } from './problem';
import type { Space } from './space';

/** What `goal` comes to at least: each task as early and as short as it can be. */
function boundOf(space: Space, node: Node, goal: Objective): number {
  const ends = new Int32Array(space.size);
  for (let i = 0; i < space.size; i++) ends[i] = (node.est[i] as number) + space.shortest(node, i);
  return worth(goal, node.est, ends);
}

/** Lowers the latest starts to what `goal` may still come to, `most`. False when it is more already. */
function spend(space: Space, node: Node, goal: Objective, most: number): boolean {
  if (most >= NEVER) return true;
  if (goal.kind === 'makespan') {
    for (let i = 0; i < space.size; i++)
      if (!space.lower(node, i, most - space.shortest(node, i))) return false;
    return true;
  }
  const slack = most - boundOf(space, node, goal);
  if (slack < 0) return false;
  for (const { task, weight, after, of } of goal.terms) {
    if (weight <= 0) continue;
    const takes = of === 'end' ? space.shortest(node, task) : 0;
    const now = Math.max(0, (node.est[task] as number) + takes - after);
    if (!space.lower(node, task, after + now + Math.floor(slack / weight) - takes)) return false;
  }
  return true;
}

/** Draws every conclusion from what is decided; false when nothing is left within. Sets the bound of goal `at`. */
export function propagate(space: Space, node: Node, at: number, limits: SearchLimits): boolean {
  const { goals, precedences, resources } = space.problem;
  space.clock = 1;
  space.drawn.fill(0);
  for (let i = 0; i < space.size; i++) space.stamps[i] = node.touched[i] as number;
  for (let seen = 0; seen < space.clock; ) {
    seen = space.clock;
    if (!pruneModes(space, node)) return false;
    for (const { before: b, after, gap } of precedences) {
      const lag = space.shortest(node, b) + gap;
      if (!space.raise(node, after, (node.est[b] as number) + lag)) return false;
      if (!space.lower(node, b, (node.lst[after] as number) - lag)) return false;
    }
    for (const order of node.orders) if (!keepOrder(space, node, order)) return false;
    for (const [g, goal] of goals.entries()) if (!spend(space, node, goal, limits[g] ?? NEVER)) return false;
    for (let r = 0; r < resources.length; r++) {
      if ((space.users[r]?.length ?? 0) === 0 || !space.isNew(r)) continue;
      space.drawn[r] = space.clock;
      const fits = resources[r]?.capacity === 1 ? alone(space, node, r) : together(space, node, r);
      if (!fits) return false;
    }
    // The dearest conclusion last, when the others have nothing more to say.
    if (seen === space.clock && !fitModes(space, node)) return false;
  }
  node.touched.fill(0);
  const goal = goals[at];
  node.bound = goal ? boundOf(space, node, goal) : 0;
  return node.bound <= (limits[at] ?? NEVER);
}
