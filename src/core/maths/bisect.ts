/** Enough to use up the digits of a double. */
const HALVINGS = 60;

/**
 * Where `below(x)` turns from true to false between `low` and `high`, halving the way there each time.
 *
 * @example
 * bisect((x) => x * x < 2, 0, 2) // 1.41421
 */
export function bisect(
  below: (x: number) => boolean,
  low: number,
  high: number,
  halvings: number = HALVINGS,
): number {
  let [from, to] = [low, high];
  for (let i = 0; i < halvings; i++) {
    const middle = (from + to) / 2;
    if (below(middle)) from = middle;
    else to = middle;
  }
  return (from + to) / 2;
}

/** {@link bisect} by ratios: for what runs over decades. `low` above 0. */
export const bisectRatio = (
  below: (x: number) => boolean,
  low: number,
  high: number,
  halvings?: number,
): number => Math.exp(bisect((x) => below(Math.exp(x)), Math.log(low), Math.log(high), halvings));
