import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';
import { canonicalize } from 'json-canonicalize';

/**
 * What is sealed: batches, their lines, the lines of what is kept; and what decides which of it is shown: archives taken in and gone
 * back on, and months put away and brought back.
 */
export const SEALED = [
  'batch',
  'batch_event',
  'keep_event',
  'import',
  'import_undone',
  'part_moved',
] as const;
export type SealedSource = (typeof SEALED)[number];

/** A row of the record as it is stored. */
export type Row = { readonly source: SealedSource; readonly id: string; readonly row: unknown };

/** A link of the chain: hex of SHA-256. `hash` covers the row’s own and the link before. */
export type Link = {
  readonly n: number;
  readonly source: SealedSource;
  readonly id: string;
  readonly row: string;
  readonly hash: string;
};

/** The end of a chain as a station or a printed page has kept it. */
export type Head = { readonly n: number; readonly hash: string };

/** Before the first link. */
export const NO_LINK: Head = { n: 0, hash: '' };

/** SHA-256 over the canonical form of `value` (RFC 8785), hex. Throws for what JSON cannot say. */
export function hashOf(value: unknown): string {
  return bytesToHex(sha256(utf8ToBytes(canonicalize(value))));
}

/** The hash of a link over the one `before` it, its number, what it speaks of and the hash of its row. */
export const linkHash = (before: string, n: number, row: Pick<Link, 'source' | 'id' | 'row'>): string =>
  hashOf({ before, n, source: row.source, id: row.id, row: row.row });

/** The links of `rows`, in the order given, after `head`. */
export function linked(head: Head, rows: readonly Row[]): readonly Link[] {
  let { n, hash: before } = head;
  return rows.map(({ source, id, row }) => {
    n += 1;
    const own = hashOf(row);
    const hash = linkHash(before, n, { source, id, row: own });
    before = hash;
    return { n, source, id, row: own, hash };
  });
}

/** What does not agree, and where. */
export type Finding =
  | {
      readonly kind: 'changed' | 'removed';
      readonly n: number;
      readonly source: SealedSource;
      readonly id: string;
    }
  | { readonly kind: 'slipped in'; readonly source: SealedSource; readonly id: string }
  /** A link is not what follows from the one before. */
  | { readonly kind: 'broken'; readonly n: number }
  /** Links are gone, from one to another, both counted. */
  | { readonly kind: 'missing'; readonly n: number; readonly to: number }
  /** Two rows under one id. */
  | { readonly kind: 'twice'; readonly source: SealedSource; readonly id: string }
  /** A link says it was made before the one it follows. */
  | { readonly kind: 'backdated'; readonly n: number }
  /** The chain ends before a head that was kept, or has another link there. */
  | { readonly kind: 'cut short' | 'rewritten'; readonly n: number; readonly head: Head };

/** In place of a row that is put away: its link is followed, what it says is for its file to show. */
export const AWAY = Symbol('away');

/** ms a link may lie before the one it follows: clocks are put right, and once links had the moment their transaction began. */
const BACK = 5 * 60_000;

/** Most findings kept: more are counted. */
const MOST = 200;

/** Follows a chain link by link, with the row each speaks of (undefined where it is gone, {@link AWAY} where it is put away). */
export class Verifier {
  /** The first {@link MOST} of them. */
  readonly findings: Finding[] = [];
  /** How many more there were. */
  more = 0;
  private before: Head;
  private latest = Number.NEGATIVE_INFINITY;
  private readonly wanted: Map<number, Head>;

  /** `after` is where it was followed to before; heads up to there have been looked at. */
  constructor(heads: readonly Head[] = [], after: Head = NO_LINK) {
    this.before = after;
    this.wanted = new Map(heads.filter((h) => h.n > after.n).map((h) => [h.n, h]));
  }

  get head(): Head {
    return this.before;
  }

  private found(finding: Finding): void {
    if (this.findings.length < MOST) this.findings.push(finding);
    else this.more += 1;
  }

  /** The next link, made at `at` ms where that is known. */
  take(link: Link, row: unknown, at?: number): void {
    const next = this.before.n + 1;
    if (link.n > next) this.found({ kind: 'missing', n: next, to: link.n - 1 });
    const { n, source, id } = link;
    if (row === undefined) this.found({ kind: 'removed', n, source, id });
    else if (row !== AWAY && hashOf(row) !== link.row) this.found({ kind: 'changed', n, source, id });
    // After a gap the chain cannot be followed over it: that is told, and it goes on from there.
    if (link.n === next && linkHash(this.before.hash, n, link) !== link.hash)
      this.found({ kind: 'broken', n });
    if (at !== undefined) {
      if (at < this.latest - BACK) this.found({ kind: 'backdated', n });
      this.latest = Math.max(this.latest, at);
    }
    const head = this.wanted.get(n);
    if (head && head.hash !== link.hash) this.found({ kind: 'rewritten', n, head });
    this.wanted.delete(n);
    this.before = { n, hash: link.hash };
  }

  /** A row no link speaks of. */
  slipped(source: SealedSource, id: string): void {
    this.found({ kind: 'slipped in', source, id });
  }

  /** Two rows under one id. */
  twice(source: SealedSource, id: string): void {
    this.found({ kind: 'twice', source, id });
  }

  /** After the last link: heads that were kept and are beyond it. */
  end(): readonly Finding[] {
    for (const head of this.wanted.values()) this.found({ kind: 'cut short', n: this.before.n, head });
    return this.findings;
  }
}
