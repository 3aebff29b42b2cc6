/** °C of the warmest and of the mean at one moment, s. */
export type Point = { readonly seconds: number; readonly warmest: number; readonly mean: number };

/** °C of the warmest at `seconds`, between the points. */
export function warmestAt(points: readonly Point[], seconds: number): number {
  const next = points.findIndex((p) => p.seconds >= seconds);
  const b = points[next] ?? points.at(-1);
  const a = points[next - 1];
  if (!b) return Number.NaN;
  if (!a || next < 0) return b.warmest;
  return a.warmest + ((b.warmest - a.warmest) * (seconds - a.seconds)) / (b.seconds - a.seconds);
}

/** Seconds until the warmest is at `to` °C; Infinity where that is not within the points. */
export function secondsTo(points: readonly Point[], to: number): number {
  const n = points.findIndex((p) => p.warmest <= to);
  const b = points[n];
  const a = points[n - 1];
  if (!b) return Number.POSITIVE_INFINITY;
  if (!a) return 0;
  return a.seconds + ((a.warmest - to) / (a.warmest - b.warmest)) * (b.seconds - a.seconds);
}
