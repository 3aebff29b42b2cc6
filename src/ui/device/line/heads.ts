import type { Head } from '../../../core/record/chain';

const KEY = 'panache.heads';

/** How many heads of the record a station keeps, the newest last: by them a record that was cut short or written anew is found out. */
const MOST = 60;

export function headsKept(): readonly Head[] {
  try {
    const read: unknown = JSON.parse(localStorage.getItem(KEY) ?? '[]');
    return Array.isArray(read)
      ? read.filter((h): h is Head => typeof h?.n === 'number' && typeof h?.hash === 'string')
      : [];
  } catch {
    return [];
  }
}

const KITCHEN = 'panache.kitchen';

/** This station is of `kitchen` from now on: heads of another’s record say nothing of its. */
export function beginIn(kitchen: string): void {
  const before = localStorage.getItem(KITCHEN);
  if (before !== null && before !== kitchen) localStorage.removeItem(KEY);
  localStorage.setItem(KITCHEN, kitchen);
}

/** Keeps a head this station was told, where it is later than those it has. A shorter record is no later one. */
export function keepHead(head: Head): void {
  if (head.n === 0) return;
  const all = headsKept();
  const last = all.at(-1);
  if (last && head.n <= last.n) return;
  // Those of long ago are kept thinner: every second of the older half goes when there are too many.
  const kept = [...all, head];
  const thinned = kept.length > MOST ? kept.filter((_, i) => i >= MOST / 2 || i % 2 === 0) : kept;
  localStorage.setItem(KEY, JSON.stringify(thinned));
}

/** "12:ab…" as a head; nothing where it is none. */
export const headIn = (text: string | null): Head => {
  const [, n, hash] = /^(\d+):([0-9a-f]{64})$/.exec(text ?? '') ?? [];
  return n && hash ? { n: Number(n), hash } : { n: 0, hash: '' };
};
