import { clsx } from 'clsx';
import type { ReactNode } from 'react';
import type { Fit } from '../../core/compare/fits';
import { Grade } from '../shared/Grade';
import { Scroll } from '../shared/Scroll';

/** One thing that can be picked, with its cells. */
type PickRow = {
  readonly id: string;
  readonly name: string;
  readonly fit: Fit;
  readonly on: boolean;
  readonly disabled?: boolean;
  readonly onPick: () => void;
  readonly cells: ReactNode;
};

type Props = {
  readonly label: string;
  /** What stands over the names, and over the cells. */
  readonly heads: readonly [string, ...string[]];
  /** Width of the names, of the style sheet. */
  readonly nameWidth: string;
  readonly rows: readonly PickRow[];
  /** How far the worker is, while it works. */
  readonly status: string | null;
};

/** A table to pick a row of: its heads and its names stay in sight, whichever way it is scrolled. */
export function PickTable({ label, heads: [first, ...heads], nameWidth, rows, status }: Props) {
  return (
    <Scroll label={label} className="flex-1 overflow-auto max-[1100px]:min-h-96">
      <table className="w-full border-collapse text-left">
        <thead className="sticky top-0 z-20 bg-ground">
          <tr>
            <th scope="col" className="sticky left-0 z-10 bg-ground px-4 py-2 font-normal text-quiet">
              {first}
            </th>
            {heads.map((words) => (
              <th key={words} scope="col" className="whitespace-nowrap px-1.5 py-2 font-normal text-quiet">
                {words}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((r) => (
            <tr key={r.id} className={clsx('border-rule border-t', r.on && 'bg-butter text-on-butter')}>
              <th
                scope="row"
                className={clsx(
                  'sticky left-0 z-10 border-ink border-r-2 p-0 font-bold',
                  r.on ? 'bg-butter' : 'bg-ground',
                )}
              >
                <button
                  type="button"
                  aria-pressed={r.on}
                  disabled={r.disabled}
                  onClick={r.onPick}
                  className={`block min-h-14 ${nameWidth} py-1 pr-2 pl-4 text-left leading-tight disabled:cursor-default max-[720px]:w-36 max-[720px]:pl-2`}
                >
                  {r.name}
                  <span className="block text-[15px]">
                    <Grade fit={r.fit} plain={r.on} />
                  </span>
                </button>
              </th>
              {r.cells}
            </tr>
          ))}
        </tbody>
      </table>
      {status !== null && (
        <p role="status" className="p-4 text-quiet">
          {status}
        </p>
      )}
    </Scroll>
  );
}
