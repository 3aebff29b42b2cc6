import type { Head } from '../../core/record/chain';

const KEY = 'panache.heads';

/** Heads of the record a station keeps, the newest last: by them a record that was cut short or written anew is found out. */
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

/** Keeps a head this station was told. Of those of an hour one is enough. */
export function keepHead(head: Head): void {
  if (head.n === 0) return;
  const all = headsKept();
  if (all.some((h) => h.n === head.n)) return;
  const kept = [...all, head].sort((a, b) => a.n - b.n);
  localStorage.setItem(KEY, JSON.stringify(kept.slice(-MOST)));
}
