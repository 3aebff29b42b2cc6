import { type Message, message } from '../message/message';
import { dayAndTime } from '../units/clock';
import type { Finding } from './chain';

/**
 * A finding with the row it speaks of: what it is, of whom, and when its link was made, until when it was right;
 * null where that is gone.
 */
export type NamedFinding = {
  readonly finding: Finding;
  readonly row: { readonly name: string; readonly kind: string; readonly at: string } | null;
  readonly sealedAt: string | null;
};

const rowWords = ({ row }: NamedFinding): Message =>
  row
    ? message('{name}, “{kind}”, {at}', {
        name: row.name || '–',
        kind: row.kind,
        at: dayAndTime(new Date(row.at)),
      })
    : message('a line that is gone');

const since = ({ sealedAt }: NamedFinding): Message =>
  sealedAt
    ? message('since {at}', { at: dayAndTime(new Date(sealedAt)) })
    : message('nobody knows since when');

/** What was found, of which line, and since when it is not as it was. */
export function findingWords(f: NamedFinding): Message {
  const { finding } = f;
  switch (finding.kind) {
    case 'changed':
      return message('Line {n} was changed {since}: {row}', {
        n: finding.n,
        since: since(f),
        row: rowWords(f),
      });
    case 'removed':
      return message('Line {n} was removed {since}: {id}', { n: finding.n, since: since(f), id: finding.id });
    case 'slipped in':
      return message('A line was slipped in past Panache: {row}', { row: rowWords(f) });
    case 'broken':
      return message('From line {n} on the chain does not follow', { n: finding.n });
    case 'missing':
      return finding.to === finding.n
        ? message('Link {n} of the chain is gone', { n: finding.n })
        : message('Links {n} to {to} of the chain are gone', { n: finding.n, to: finding.to });
    case 'twice':
      return message('Two lines stand under one id: {row}', { row: rowWords(f) });
    case 'backdated':
      return message('Line {n} says it was written before the one it follows', { n: finding.n });
    case 'cut short':
      return message('The record ends at line {n}; a head at line {head} was kept', {
        n: finding.n,
        head: finding.head.n,
      });
    case 'rewritten':
      return message('Line {n} is another than the head that was kept of it', { n: finding.n });
  }
}
