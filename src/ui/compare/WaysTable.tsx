'use client';

import type { Compared } from '../../core/compare/compare';
import { term } from '../../core/message/term';
import { useSay } from '../shared/hooks/useSay';
import { columnsFor } from './columns';
import { PickTable } from './PickTable';

type Props = {
  readonly all: readonly Compared[];
  /** How many there will be. */
  readonly of: number;
  /** The recipe’s own, once it has come. */
  readonly own: Compared | undefined;
  readonly picked: string;
  readonly currency: string;
  readonly onPick: (id: string) => void;
};

/** Every thickener for one pot as a table, as a worker finds them. */
export function WaysTable({ all, of, own, picked, currency, onPick }: Props) {
  const say = useSay();
  const columns = columnsFor(currency);
  return (
    <PickTable
      label={say('Every thickener')}
      heads={[say('Way'), ...columns.map((r) => say(r.words))]}
      nameWidth="w-48"
      status={all.length < of ? say('Simulating each, {count} of {of} …', { count: all.length, of }) : null}
      rows={all.map((c) => {
        const barred = c.doses.length === 0 && c.blend === null;
        return {
          id: c.way.id,
          name: say('{way}', { way: { opening: term(c.way.words) } }),
          fit: c.fit,
          on: c.way.id === picked,
          disabled: barred,
          onPick: () => onPick(c.way.id),
          cells: barred ? (
            <td colSpan={columns.length} className="px-3">
              {c.fit.reasons[0] && say(c.fit.reasons[0].says)}
            </td>
          ) : (
            columns.map((r, n) => (
              <td
                key={r.words.text}
                className={`px-1.5 leading-tight ${n === columns.length - 1 ? 'min-w-24 text-[15px]' : 'whitespace-nowrap'}`}
              >
                {r.of(c, own, say)}
              </td>
            ))
          ),
        };
      })}
    />
  );
}
