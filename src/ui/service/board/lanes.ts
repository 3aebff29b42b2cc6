/** Something that lies from one minute to another. */
type Lying = { readonly key: string; readonly from: number; readonly to: number };

/** Which lane of a row each lies in, so that none covers another; and how many lanes that takes. */
export function lanesOf(all: readonly Lying[]): {
  readonly lane: ReadonlyMap<string, number>;
  readonly count: number;
} {
  const ends: number[] = [];
  const lane = new Map<string, number>();
  for (const one of all.toSorted((a, b) => a.from - b.from || a.to - b.to)) {
    const free = ends.findIndex((end) => end <= one.from);
    const at = free === -1 ? ends.length : free;
    ends[at] = one.to;
    lane.set(one.key, at);
  }
  return { lane, count: Math.max(1, ends.length) };
}

/** A stretch of the day, drawn across. */
export type LaneSpan = { readonly from: number; readonly to: number };

/** Where a minute lies across the board, %. */
export const across = ({ from, to }: LaneSpan, minute: number): number =>
  ((minute - from) / (to - from)) * 100;

/** Where a stretch begins, and how wide it is, as a style. */
export function stretchStyle(span: LaneSpan, from: number, to: number): { left: string; width: string } {
  const begin = Math.max(0, across(span, from));
  return { left: `${begin}%`, width: `${Math.max(0.15, Math.min(100, across(span, to)) - begin)}%` };
}

/** Full hours of a stretch, and how far apart they are written so that they do not touch. */
export function hoursOf({ from, to }: LaneSpan): readonly number[] {
  const step = to - from > 12 * 60 ? 120 : 60;
  const hours: number[] = [];
  for (let at = Math.ceil(from / step) * step; at <= to; at += step) hours.push(at);
  return hours;
}
