'use client';

import type { Compared } from '../../core/compare/compare';
import { term } from '../../core/message/term';
import { Grade } from '../shared/Grade';
import { Scroll } from '../shared/Scroll';
import { useSay } from '../shared/useSay';
import { columnsFor } from './columns';

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
    <Scroll label={say('Every thickener')} className="flex-1 overflow-auto max-[1100px]:min-h-96">
      <table className="w-full border-collapse text-left">
        <thead className="sticky top-0 z-20 bg-ground">
          <tr>
            <th scope="col" className="sticky left-0 z-10 bg-ground px-4 py-2 font-normal text-quiet">
              {say('Way')}
            </th>
            {columns.map((r) => (
              <th
                key={r.words.text}
                scope="col"
                className="whitespace-nowrap px-1.5 py-2 font-normal text-quiet"
              >
                {say(r.words)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {all.map((c) => {
            const barred = c.doses.length === 0 && c.blend === null;
            const on = c.way.id === picked;
            return (
              <tr key={c.way.id} className={`border-rule border-t ${on ? 'bg-butter text-on-butter' : ''}`}>
                <th
                  scope="row"
                  className={`sticky left-0 z-10 border-ink border-r-2 p-0 font-bold ${on ? 'bg-butter' : 'bg-ground'}`}
                >
                  <button
                    type="button"
                    aria-pressed={on}
                    disabled={barred}
                    onClick={() => onPick(c.way.id)}
                    className="block min-h-14 w-48 py-1 pr-2 pl-4 text-left leading-tight disabled:cursor-default max-[720px]:w-36 max-[720px]:pl-2"
                  >
                    {say('{way}', { way: { opening: term(c.way.words) } })}
                    <span className="block text-[15px]">
                      <Grade fit={c.fit} plain={on} />
                    </span>
                  </button>
                </th>
                {barred ? (
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
                )}
              </tr>
            );
          })}
        </tbody>
      </table>
      {all.length < of && (
        <p role="status" className="p-4 text-quiet">
          {say('Simulating each, {count} of {of} …', {
            count: all.length,
            of,
          })}
        </p>
      )}
    </Scroll>
  );
}
