/** Intervals that want one thing, each a part of a task: when it can begin at the earliest and end at the latest, and how long it takes. */
type Intervals = {
  readonly size: number;
  readonly release: Int32Array;
  readonly deadline: Int32Array;
  readonly length: Int32Array;
};

/**
 * Edge-finding on a resource only one can have: raises `release` where an interval has to come after a set of
 * others; false when they cannot all be done. Quadratic form of Baptiste, Le Pape & Nuijten, Constraint-Based
 * Scheduling (2001), from memory.
 */
export function edgeFind({ size, release, deadline, length }: Intervals): boolean {
  const order = Array.from({ length: size }, (_, i) => i).sort(
    (a, b) => (release[a] as number) - (release[b] as number),
  );
  const raised = release.slice(0, size);
  const ends = new Int32Array(size);
  for (let k = 0; k < size; k++) {
    const due = deadline[k] as number;
    let load = 0;
    let latest = -1e9;
    for (let at = size - 1; at >= 0; at--) {
      const i = order[at] as number;
      if ((deadline[i] as number) <= due) {
        load += length[i] as number;
        latest = Math.max(latest, (release[i] as number) + load);
        if (latest > due) return false;
      }
      ends[at] = latest;
    }
    let before = -1e9;
    for (let at = 0; at < size; at++) {
      const i = order[at] as number;
      const r = release[i] as number;
      const p = length[i] as number;
      if ((deadline[i] as number) <= due) {
        before = Math.max(before, r + load);
        load -= p;
      } else {
        if (r + load + p > due) raised[i] = Math.max(raised[i] as number, ends[at] as number);
        if (before + p > due) raised[i] = Math.max(raised[i] as number, latest);
      }
    }
  }
  // Of two, the one that cannot come first comes second.
  for (let i = 0; i < size; i++)
    for (let j = 0; j < size; j++)
      if (
        i !== j &&
        (raised[i] as number) + (length[i] as number) > (deadline[j] as number) - (length[j] as number)
      )
        raised[i] = Math.max(raised[i] as number, (release[j] as number) + (length[j] as number));
  for (let i = 0; i < size; i++) {
    release[i] = raised[i] as number;
    if ((release[i] as number) + (length[i] as number) > (deadline[i] as number)) return false;
  }
  return true;
}
