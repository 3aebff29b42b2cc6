import type { Node, NodePart, Sure } from './node';
import { type JobShop, type Mode, NEVER, type ResourceUse } from './problem';

/** Units of time looked at one by one at most: three days of minutes. */
const LONGEST_SPAN = 4320;

/** The problem with its parts looked up: what a search runs over. */
export class Space {
  readonly size: number;
  /** By task and mode, its uses by resource, in the order of their time. */
  private readonly parts: readonly (readonly ReadonlyMap<number, readonly ResourceUse[]>[])[];
  readonly users: readonly (readonly NodePart[])[];
  /** Where the modes of each task begin, and after the last. */
  private readonly begins: readonly number[];
  /** The stretch of time in which everything lies; 0 long where that is too long to be looked at unit by unit. */
  readonly origin: number;
  readonly span: number;
  /** When something last became known of each task, and was last drawn from each resource: only what is new is looked at. */
  readonly stamps: Int32Array;
  readonly drawn: Int32Array;
  clock = 0;

  constructor(readonly problem: JobShop) {
    const { tasks, resources } = problem;
    this.size = tasks.length;
    this.stamps = new Int32Array(tasks.length);
    this.drawn = new Int32Array(resources.length);
    const begins = [0];
    for (const t of tasks) begins.push((begins.at(-1) ?? 0) + t.modes.length);
    this.begins = begins;
    const earliest = Math.min(
      ...tasks.map((t) => t.earliest),
      ...tasks.flatMap((t) => t.modes.flatMap((m) => m.uses.map((u) => u.since ?? NEVER))),
    );
    const last = Math.max(
      0,
      ...tasks.flatMap((t) => t.modes.map((m) => Math.min(t.latest, m.latest ?? NEVER) + m.duration)),
    );
    const choosing = tasks.some((t) => t.modes.length > 1);
    this.origin = earliest;
    this.span = choosing && last - earliest <= LONGEST_SPAN ? last - earliest + 1 : 0;
    this.parts = tasks.map((t) =>
      t.modes.map((m) => {
        const by = new Map<number, ResourceUse[]>();
        for (const use of m.uses) {
          const list = by.get(use.resource) ?? [];
          by.set(use.resource, list);
          list.push(use);
        }
        return by;
      }),
    );
    this.users = resources.map((_, resource) =>
      tasks.flatMap((t, task) => {
        const most = Math.max(
          0,
          ...t.modes.map((_m, m) => this.parts[task]?.[m]?.get(resource)?.length ?? 0),
        );
        return Array.from({ length: most }, (_u, nth) => ({ task, resource, nth }));
      }),
    );
  }

  mode(task: number, mode: number): Mode {
    return this.problem.tasks[task]?.modes[mode] as Mode;
  }

  /** Where a mode of a task stands among all. */
  place(task: number, mode: number): number {
    return (this.begins[task] as number) + mode;
  }

  use({ task, resource, nth }: NodePart, mode: number): ResourceUse | undefined {
    return this.parts[task]?.[mode]?.get(resource)?.[nth];
  }

  root(): Node {
    const { tasks } = this.problem;
    return {
      est: Int32Array.from(tasks, (t) => t.earliest),
      lst: Int32Array.from(tasks, (t) => Math.min(t.latest, NEVER)),
      alive: new Uint8Array(this.begins.at(-1) ?? 0).fill(1),
      orders: [],
      touched: new Uint8Array(tasks.length).fill(1),
      bound: 0,
    };
  }

  /** The modes left to a task, the preferred first. */
  left({ alive }: Node, task: number): readonly number[] {
    const found: number[] = [];
    const begin = this.place(task, 0);
    for (let at = begin; at < this.place(task + 1, 0); at++) if (alive[at]) found.push(at - begin);
    return found;
  }

  shortest(node: Node, task: number): number {
    let least = NEVER;
    const begin = this.place(task, 0);
    for (let at = begin; at < this.place(task + 1, 0); at++)
      if (node.alive[at]) least = Math.min(least, this.mode(task, at - begin).duration);
    return least;
  }

  /** The part as all modes left have it; undefined where they differ or one has it not. */
  settled(node: Node, part: NodePart): ResourceUse | undefined {
    let found: ResourceUse | undefined;
    const first = this.place(part.task, 0);
    for (let at = first; at < this.place(part.task + 1, 0); at++) {
      if (!node.alive[at]) continue;
      const use = this.use(part, at - first);
      if (!use) return undefined;
      if (found && (found.from !== use.from || found.to !== use.to || found.since !== use.since))
        return undefined;
      found = use;
    }
    return found;
  }

  /** What is taken for certain, whichever mode it is and whenever it starts; null where nothing is. */
  core(node: Node, part: NodePart): Sure | null {
    let from = -NEVER;
    let to = NEVER;
    let amount = NEVER;
    let since: number | undefined;
    const first = this.place(part.task, 0);
    for (let at = first; at < this.place(part.task + 1, 0); at++) {
      if (!node.alive[at]) continue;
      const use = this.use(part, at - first);
      if (!use) return null;
      if (use.since === undefined) from = Math.max(from, use.from);
      else since = Math.max(since ?? -NEVER, use.since);
      to = Math.min(to, use.to);
      amount = Math.min(amount, use.amount);
    }
    let begin = from === -NEVER ? -NEVER : (node.lst[part.task] as number) + from;
    if (since !== undefined) begin = Math.max(begin, since);
    const end = (node.est[part.task] as number) + to;
    return begin < end ? { task: part.task, begin, end, amount } : null;
  }

  /** Raises the earliest start of `task`; false when it no longer can start. */
  raise(node: Node, task: number, to: number): boolean {
    if (to > (node.est[task] as number)) {
      node.est[task] = to;
      this.stamps[task] = ++this.clock;
    }
    return (node.est[task] as number) <= (node.lst[task] as number);
  }

  lower(node: Node, task: number, to: number): boolean {
    if (to < (node.lst[task] as number)) {
      node.lst[task] = to;
      this.stamps[task] = ++this.clock;
    }
    return (node.est[task] as number) <= (node.lst[task] as number);
  }
  /** Whether anything became known of who takes a resource since conclusions were last drawn from it. */
  isNew(resource: number): boolean {
    const since = this.drawn[resource] as number;
    for (const { task } of this.users[resource] ?? []) if ((this.stamps[task] as number) > since) return true;
    return false;
  }
}
