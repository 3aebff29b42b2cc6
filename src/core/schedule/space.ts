import { type Goal, type Mode, NEVER, type Problem, type Use, worth } from './problem';
import { edgeFind } from './unary';

/** The nth time a task takes a resource: the same in all of its modes that take it so often. */
export type Part = { readonly task: number; readonly resource: number; readonly nth: number };

/** One part is over before the other begins. */
export type Order = { readonly first: Part; readonly second: Part };

/** What is still open: bounds of each start, the modes each may still take (1 at {@link Space.place} of task and mode), the orders decided on. */
export type Node = {
  readonly est: Int32Array;
  readonly lst: Int32Array;
  readonly alive: Uint8Array;
  readonly orders: readonly Order[];
  /** 1 for each task something was decided of since conclusions were last drawn. */
  readonly touched: Uint8Array;
  /** No placement within is worth less. */
  bound: number;
};

/** A stretch in which a task takes so much for certain. */
type Sure = { readonly task: number; readonly begin: number; readonly end: number; readonly amount: number };

/** Units of time looked at one by one at most: three days of minutes. */
const LONGEST_SPAN = 4320;

function mark(level: Uint8Array, { begin, end, amount }: Sure, origin: number, sign: 1 | -1): void {
  const to = Math.min(level.length, end - origin);
  for (let at = Math.max(0, begin - origin); at < to; at++) level[at] = (level[at] as number) + sign * amount;
}

/** What a placement must come to at most, by goal; {@link NEVER} where nothing is asked. */
export type Limits = readonly number[];

/** The problem with its parts looked up: what a search runs over. */
export class Space {
  readonly size: number;
  /** By task and mode, its uses by resource, in the order of their time. */
  private readonly parts: readonly (readonly ReadonlyMap<number, readonly Use[]>[])[];
  private readonly users: readonly (readonly Part[])[];
  /** Where the modes of each task begin, and after the last. */
  private readonly begins: readonly number[];
  /** The stretch of time in which everything lies; 0 long where that is too long to be looked at unit by unit. */
  private readonly origin: number;
  private readonly span: number;
  /** When something last became known of each task, and was last drawn from each resource: only what is new is looked at. */
  private readonly stamps: Int32Array;
  private readonly drawn: Int32Array;
  private clock = 0;

  constructor(readonly problem: Problem) {
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
        const by = new Map<number, Use[]>();
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

  use({ task, resource, nth }: Part, mode: number): Use | undefined {
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

  private shortest(node: Node, task: number): number {
    let least = NEVER;
    const begin = this.place(task, 0);
    for (let at = begin; at < this.place(task + 1, 0); at++)
      if (node.alive[at]) least = Math.min(least, this.mode(task, at - begin).duration);
    return least;
  }

  /** The part as all modes left have it; undefined where they differ or one has it not. */
  settled(node: Node, part: Part): Use | undefined {
    let found: Use | undefined;
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
  private core(node: Node, part: Part): Sure | null {
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
  private raise(node: Node, task: number, to: number): boolean {
    if (to > (node.est[task] as number)) {
      node.est[task] = to;
      this.stamps[task] = ++this.clock;
    }
    return (node.est[task] as number) <= (node.lst[task] as number);
  }

  private lower(node: Node, task: number, to: number): boolean {
    if (to < (node.lst[task] as number)) {
      node.lst[task] = to;
      this.stamps[task] = ++this.clock;
    }
    return (node.est[task] as number) <= (node.lst[task] as number);
  }

  private keepOrder(node: Node, { first, second }: Order): boolean {
    let end = NEVER;
    for (const m of this.left(node, first.task)) end = Math.min(end, this.use(first, m)?.to ?? -NEVER);
    if (end === -NEVER) return true;
    let begin = -NEVER;
    let since = NEVER;
    let moves = false;
    for (const m of this.left(node, second.task)) {
      const use = this.use(second, m);
      if (!use) return true;
      if (use.since === undefined) {
        moves = true;
        begin = Math.max(begin, use.from);
      } else since = use.since;
    }
    if (!moves) return this.lower(node, first.task, since - end);
    if (since !== NEVER) return true;
    const lag = end - begin;
    return (
      this.raise(node, second.task, (node.est[first.task] as number) + lag) &&
      this.lower(node, first.task, (node.lst[second.task] as number) - lag)
    );
  }

  private pruneModes(node: Node): boolean {
    for (let i = 0; i < this.size; i++) {
      let latest = -NEVER;
      const begin = this.place(i, 0);
      for (let at = begin; at < this.place(i + 1, 0); at++) {
        if (!node.alive[at]) continue;
        const own = this.mode(i, at - begin).latest ?? NEVER;
        if ((node.est[i] as number) > own) {
          node.alive[at] = 0;
          this.stamps[i] = ++this.clock;
        } else latest = Math.max(latest, own);
      }
      if (latest === -NEVER) return false;
      if (!this.lower(node, i, latest)) return false;
    }
    return true;
  }

  private alone(node: Node, resource: number): boolean {
    const parts: Part[] = [];
    const uses: Use[] = [];
    for (const part of this.users[resource] ?? []) {
      const use = this.settled(node, part);
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
      const { from, to, since } = uses[k] as Use;
      const task = (parts[k] as Part).task;
      const est = node.est[task] as number;
      release[k] = since ?? est + from;
      deadline[k] = (node.lst[task] as number) + to;
      // What stands about from a set moment takes that long at least.
      length[k] = since === undefined ? to - from : Math.max(0, est + to - since);
    }
    const before = { size, release, deadline, length };
    if (!edgeFind(before)) return false;
    for (let k = 0; k < size; k++) {
      const { from, since } = uses[k] as Use;
      if (since !== undefined) {
        if ((release[k] as number) > since) return false;
      } else if (!this.raise(node, (parts[k] as Part).task, (release[k] as number) - from)) return false;
    }
    // The same, read backwards in time, for the deadlines.
    const mirrored = { size, release: new Int32Array(size), deadline: new Int32Array(size), length };
    for (let k = 0; k < size; k++) {
      const { from, to, since } = uses[k] as Use;
      const task = (parts[k] as Part).task;
      mirrored.release[k] = -((node.lst[task] as number) + to);
      mirrored.deadline[k] = -(since ?? (node.est[task] as number) + from);
    }
    if (!edgeFind(mirrored)) return false;
    for (let k = 0; k < size; k++)
      if (!this.lower(node, (parts[k] as Part).task, -(mirrored.release[k] as number) - (uses[k] as Use).to))
        return false;
    return true;
  }

  /** Timetable of what is certainly taken of a resource several can have. */
  private together(node: Node, resource: number): boolean {
    const capacity = this.problem.resources[resource]?.capacity ?? 0;
    const sure: Sure[] = [];
    const open: { task: number; use: Use }[] = [];
    for (const part of this.users[resource] ?? []) {
      const certain = this.core(node, part);
      if (certain) sure.push(certain);
      const use = this.settled(node, part);
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
        if (est + use.from < to && est + use.to > from && !this.raise(node, task, to - use.from))
          return false;
      }
    }
    return true;
  }

  /** Takes away the modes for which what is certain of the others leaves no room, and the starts no mode has. */
  private fitModes(node: Node): boolean {
    if (this.span === 0) return true;
    const { resources } = this.problem;
    const level = resources.map(() => new Uint8Array(this.span));
    const own: (Sure & { resource: number })[][] = Array.from({ length: this.size }, () => []);
    for (let r = 0; r < resources.length; r++)
      for (const part of this.users[r] ?? []) {
        const certain = this.core(node, part);
        if (!certain) continue;
        own[part.task]?.push({ ...certain, resource: r });
        mark(level[r] as Uint8Array, certain, this.origin, 1);
      }
    for (let i = 0; i < this.size; i++) {
      if (this.place(i + 1, 0) - this.place(i, 0) < 2) continue;
      const mine = own[i] as (Sure & { resource: number })[];
      for (const c of mine) mark(level[c.resource] as Uint8Array, c, this.origin, -1);
      let earliest = NEVER;
      const begin = this.place(i, 0);
      for (let at = begin; at < this.place(i + 1, 0); at++) {
        if (!node.alive[at]) continue;
        const start = this.firstStart(node, i, this.mode(i, at - begin), level);
        if (start === NEVER) {
          node.alive[at] = 0;
          this.stamps[i] = ++this.clock;
        }
        earliest = Math.min(earliest, start);
      }
      for (const c of mine) mark(level[c.resource] as Uint8Array, c, this.origin, 1);
      if (earliest === NEVER || !this.raise(node, i, earliest)) return false;
    }
    return true;
  }

  /** The first start of a mode that what is certain of the others leaves room for; {@link NEVER} where there is none. */
  private firstStart(node: Node, task: number, mode: Mode, level: readonly Uint8Array[]): number {
    let start = node.est[task] as number;
    const latest = Math.min(node.lst[task] as number, mode.latest ?? NEVER);
    for (let moved = true; moved; ) {
      moved = false;
      if (start > latest) return NEVER;
      for (const use of mode.uses) {
        const room = (this.problem.resources[use.resource]?.capacity ?? 0) - use.amount;
        const taken = level[use.resource] as Uint8Array;
        const begin = Math.max(0, (use.since ?? start + use.from) - this.origin);
        const end = Math.min(this.span, start + use.to - this.origin);
        // From the back: it has to begin after the last moment that is full.
        for (let at = end - 1; at >= begin; at--) {
          if ((taken[at] as number) <= room) continue;
          if (use.since !== undefined) return NEVER;
          start = at + this.origin + 1 - use.from;
          moved = true;
          break;
        }
        if (moved) break;
      }
    }
    return start;
  }

  private boundOf(node: Node, goal: Goal): number {
    const ends = new Int32Array(this.size);
    for (let i = 0; i < this.size; i++) ends[i] = (node.est[i] as number) + this.shortest(node, i);
    return worth(goal, node.est, ends);
  }

  /** Lowers the latest starts to what `goal` may still come to. */
  private spend(node: Node, goal: Goal, most: number): boolean {
    if (most >= NEVER) return true;
    if (goal.kind === 'makespan') {
      for (let i = 0; i < this.size; i++)
        if (!this.lower(node, i, most - this.shortest(node, i))) return false;
      return true;
    }
    const slack = most - this.boundOf(node, goal);
    if (slack < 0) return false;
    for (const { task, weight, after, of } of goal.terms) {
      if (weight <= 0) continue;
      const takes = of === 'end' ? this.shortest(node, task) : 0;
      const now = Math.max(0, (node.est[task] as number) + takes - after);
      if (!this.lower(node, task, after + now + Math.floor(slack / weight) - takes)) return false;
    }
    return true;
  }

  /** Whether anything became known of who takes a resource since conclusions were last drawn from it. */
  private isNew(resource: number): boolean {
    const since = this.drawn[resource] as number;
    for (const { task } of this.users[resource] ?? []) if ((this.stamps[task] as number) > since) return true;
    return false;
  }

  /** Draws every conclusion from what is decided; false when nothing is left within. Sets the bound of goal `at`. */
  propagate(node: Node, at: number, limits: Limits): boolean {
    const { goals, precedences, resources } = this.problem;
    this.clock = 1;
    this.drawn.fill(0);
    for (let i = 0; i < this.size; i++) this.stamps[i] = node.touched[i] as number;
    for (let seen = 0; seen < this.clock; ) {
      seen = this.clock;
      if (!this.pruneModes(node)) return false;
      for (const { before: b, after, gap } of precedences) {
        const lag = this.shortest(node, b) + gap;
        if (!this.raise(node, after, (node.est[b] as number) + lag)) return false;
        if (!this.lower(node, b, (node.lst[after] as number) - lag)) return false;
      }
      for (const order of node.orders) if (!this.keepOrder(node, order)) return false;
      for (const [g, goal] of goals.entries()) if (!this.spend(node, goal, limits[g] ?? NEVER)) return false;
      for (let r = 0; r < resources.length; r++) {
        if ((this.users[r]?.length ?? 0) === 0 || !this.isNew(r)) continue;
        this.drawn[r] = this.clock;
        const fits = resources[r]?.capacity === 1 ? this.alone(node, r) : this.together(node, r);
        if (!fits) return false;
      }
      // The dearest conclusion last, when the others have nothing more to say.
      if (seen === this.clock && !this.fitModes(node)) return false;
    }
    node.touched.fill(0);
    const goal = goals[at];
    node.bound = goal ? this.boundOf(node, goal) : 0;
    return node.bound <= (limits[at] ?? NEVER);
  }
}

/** The node again, with `more` decided. */
export function copied(node: Node, more: readonly Order[] = []): Node {
  const touched = node.touched.slice();
  for (const { first, second } of more) {
    touched[first.task] = 1;
    touched[second.task] = 1;
  }
  return {
    est: node.est.slice(),
    lst: node.lst.slice(),
    alive: node.alive.slice(),
    orders: more.length > 0 ? [...node.orders, ...more] : node.orders,
    touched,
    bound: node.bound,
  };
}
