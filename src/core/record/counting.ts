/** What a line of a record needs for it to be taken back, or what it takes back. */
type Line = {
  readonly id: string;
  readonly at: string;
  readonly body: { readonly kind: string; readonly event?: unknown };
};

const when = ({ at }: Line): number => Date.parse(at);

/**
 * Ids of lines that were taken back by a line that counts itself: a taking back that was taken back makes what it named
 * count again. Looked at from the last to the first, since nothing names what is not there yet.
 */
export function takenBack(lines: readonly Line[]): ReadonlySet<string> {
  const gone = new Set<string>();
  const backs = lines
    .filter(({ body }) => body.kind === 'withdrawn')
    .toReversed()
    .toSorted((a, b) => when(b) - when(a));
  for (const { id, body } of backs) if (!gone.has(id) && typeof body.event === 'string') gone.add(body.event);
  return gone;
}

/**
 * Lines that count, by the time they happened, as received where that is the same: without those taken back, and
 * without what takes back.
 */
export function counting<L extends Line>(lines: readonly L[]): readonly L[] {
  const gone = takenBack(lines);
  return lines
    .filter((e) => e.body.kind !== 'withdrawn' && !gone.has(e.id))
    .toSorted((a, b) => when(a) - when(b));
}
