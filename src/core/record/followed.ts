import type { PutAway } from './awayWords';
import type { Head } from './chain';

/** Lines that are put away in a file: followed by their links, not looked at. */
export type LinesAway = PutAway & { readonly sha256: string };

/** How far the chain was followed, and what was found on the way. */
export type ChainFollowed<Found> = {
  /** Links followed, of so many there are; `done` when that was to their end. */
  readonly links: number;
  readonly of: number;
  readonly done: boolean;
  /** Where it was followed to. */
  readonly head: Head;
  readonly findings: readonly Found[];
  /** How many more were found than are told. */
  readonly more: number;
  /** Lines that stand aside, taken out of the record whole until they are mended. */
  readonly aside: number;
  readonly away: readonly LinesAway[];
};

/** What two stretches one after the other came to. */
export function together<Found>(
  before: ChainFollowed<Found>,
  next: ChainFollowed<Found>,
): ChainFollowed<Found> {
  const away = new Map(before.away.map((a) => [a.file, a]));
  for (const a of next.away) away.set(a.file, { ...a, lines: a.lines + (away.get(a.file)?.lines ?? 0) });
  return {
    ...next,
    links: before.links + next.links,
    findings: [...before.findings, ...next.findings],
    more: before.more + next.more,
    away: [...away.values()],
  };
}
